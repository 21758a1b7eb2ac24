import type { KindPanel, SelectedThing } from '../../cabinet/index.js';
import { capital, within } from '../../ground/index.js';
import { axesOf, type FittedGrommet, takesGrommet } from './grommets.js';
import { grommetList } from './list.js';
import type { GrommetBuilt } from './rule.js';

/** The grommets in a part that is selected, where each is measured from, and one more. */
export function grommetPanels(
  fitted: readonly FittedGrommet[],
  { key }: SelectedThing,
  { parts }: GrommetBuilt,
): KindPanel[] {
  const part = parts.find((each) => each.key === key);
  if (!part || !takesGrommet(part)) return [];
  const own = fitted.filter((grommet) => grommet.part?.key === key);
  const axes = axesOf(part);
  const several = own.length > 1;
  const numbered = (at: number) => (several ? ` ${at + 1}` : '');
  return [
    {
      label: `Cable grommets in ${within(part.name)}`,
      title: 'Cable grommets',
      ...(own.length > 0
        ? { taken: [...new Set(own.map(({ profile, wanted }) => profile?.name ?? wanted))].join(', ') }
        : {}),
      rows: [],
      fields: own.flatMap(({ id, middle }, at) =>
        middle.map(({ field, dim }) => ({
          label: `${numbered(at).trim()} ${capital(axes.find((axis) => axis.field === field)?.from ?? '')}`.trim(),
          path: grommetList.at(id, field),
          mm: dim.value,
        })),
      ),
      acts: [
        {
          label: own.length > 0 ? 'One more' : 'Put one in',
          act: (ids) => ({
            label: `Cable grommet in ${within(part.name)}`,
            edits: [
              {
                path: grommetList.path,
                insert: { id: ids('g'), part: key } as { readonly id: string },
              },
            ],
          }),
        },
        ...own.map(({ id }, at) => ({
          label: `Take${several ? numbered(at) : ' it'} out`,
          act: () => ({
            label: `Cable grommet out of ${within(part.name)}`,
            edits: [{ path: grommetList.entry(id), value: undefined }],
          }),
        })),
      ],
      of: fitted,
    },
  ];
}
