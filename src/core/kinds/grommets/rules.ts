import type { FindingDraft } from '../../cabinet/index.js';
import { pathTo } from '../../decisions/index.js';
import { within } from '../../ground/index.js';
import { grommetList } from './list.js';
import type { GrommetRule } from './rule.js';

/** A grommet in a part the cabinet has not, or that the library has not: it is not bored. */
const isGone: GrommetRule = {
  id: 'grommets/gone',
  check: ({ fitted: { grommets } }) =>
    grommets.flatMap(({ id, decided, wanted, profile, part }): FindingDraft[] => {
      if (part && profile) return [];
      const path = grommetList.entry(id);
      return [
        {
          severity: 'warn',
          what: part
            ? `The library has no grommet "${wanted}" for ${within(part.name)}.`
            : `A cable grommet is decided in a part that is not there any more (${decided.part.replaceAll('/', ' ')}).`,
          why: 'It is neither bored nor bought. Take it out, or bring back what it was in.',
          settings: [path],
          fixes: [{ label: 'Take the grommet out', edits: [{ path, value: undefined }] }],
        },
      ];
    }),
};

/** A rim that stands over the edge of its part. */
const offThePart: GrommetRule = {
  id: 'grommets/off-the-part',
  check: ({ show, fitted: { grommets } }) =>
    grommets.flatMap(({ id, profile, part, middle, left }): FindingDraft[] => {
      if (!part || !profile || left >= 0) return [];
      const edits = middle.map(({ field }) => ({ path: grommetList.at(id, field), value: undefined }));
      return [
        {
          severity: 'stop',
          what: `The rim of the grommet in ${within(part.name)} stands ${show(-left)} over its edge.`,
          why: 'It is not bored there. Move it in, or take a smaller one.',
          numbers: middle.map(({ dim }) => dim),
          parts: [part.key],
          settings: [grommetList.entry(id)],
          fixes: [{ label: 'Put it in the middle of the part', edits }],
        },
      ];
    }),
};

/** A part too thin or too thick for its sleeve. */
const wrongThickness: GrommetRule = {
  id: 'grommets/thickness',
  check: ({ show, fitted: { grommets } }) =>
    grommets.flatMap(({ id, profile, part }): FindingDraft[] => {
      if (!part || !profile) return [];
      const { from, to } = profile.thickness;
      if (part.thickness.value >= from && part.thickness.value <= to) return [];
      return [
        {
          severity: 'warn',
          what: `The grommet in ${within(part.name)} is for ${show(from)} to ${show(to)}; the part is ${show(part.thickness.value)} thick.`,
          why: 'Its sleeve does not reach through, or does not hold. Take another one.',
          numbers: [part.thickness],
          parts: [part.key],
          settings: [grommetList.entry(id), pathTo.library('grommets')],
        },
      ];
    }),
};

export const grommetRules: readonly GrommetRule[] = [isGone, offThePart, wrongThickness];
