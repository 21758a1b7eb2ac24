import type { ReactNode } from 'react';
import { offeredOn, pathTo } from '../../../core/decisions/index.js';
import { type SolvedCabinet, settingSections as settingSectionsShown } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { BalancedHeight } from './BalancedHeight.js';
import { Materials } from './Materials.js';
import { Neighbours } from './Neighbours.js';
import { OpeningsEditor } from './OpeningsEditor.js';
import { OverallSize } from './OverallSize.js';
import { SchoolPicker } from './SchoolPicker.js';
import { Setting } from './SettingRow.js';
import { ZonesEditor } from './ZonesEditor.js';

/** Sections are folds, but for those with a place of their own. The hinge itself is chosen beside its door. */
const groups = settingSectionsShown.flatMap(({ title, elsewhere, leaves }) =>
  elsewhere ? [] : [{ title, leaves: leaves.filter(({ place }) => place === undefined) }],
);

/** Everything the maker decides about this cabinet, in the order in which it is decided. */
export function Decisions({ solved }: { solved: SolvedCabinet }) {
  return (
    <section aria-label="Decisions" className="relative min-h-0 overflow-y-auto px-3 pb-4" key={solved.cabinet.id}>
      <OverallSize solved={solved} />
      <Fold title="Construction" paths={['school']}>
        {() => <SchoolPicker solved={solved} />}
      </Fold>
      <Fold title="Materials">{() => <Materials solved={solved} />}</Fold>
      <Fold title="Face and openings" open>
        {() => <OpeningsEditor solved={solved} />}
      </Fold>
      <Fold title="Keep-out boxes">{() => <ZonesEditor solved={solved} />}</Fold>
      {groups.map(({ title, leaves }) => (
        <Fold key={title} title={title} paths={leaves.map(({ key }) => key)}>
          {() => (
            <>
              {title === 'Ends' && <Neighbours solved={solved} />}
              {leaves
                .filter((leaf) => offeredOn(solved, leaf))
                .map(({ key }) => (
                  <Setting key={key} path={key} solved={solved} />
                ))}
              {title === 'Shelf pin holes' && <BalancedHeight solved={solved} />}
            </>
          )}
        </Fold>
      ))}
      <ResetAll solved={solved} />
    </section>
  );
}

/** A fold draws what it holds only once it is open: choices are drawn as small cabinets. */
function Fold({
  title,
  open = false,
  paths,
  children,
}: {
  title: string;
  open?: boolean;
  paths?: readonly string[];
  children: () => ReactNode;
}) {
  const openFold = useBench((state) => state.openFolds[title] ?? open);
  const setFold = useBench((state) => state.setFold);
  return (
    <details
      className="border-t border-rule/60"
      open={openFold}
      data-holds={paths?.join(' ')}
      data-fold={title}
      onToggle={(event) => setFold(title, event.currentTarget.open)}
    >
      <summary className="flex min-h-9 items-center font-semibold before:mr-2 before:w-3 before:content-['+'] [[open]>&]:before:content-['−']">
        {title}
      </summary>
      {openFold && <div className="flex flex-col gap-1 pb-3">{children()}</div>}
    </details>
  );
}

/** One act takes back everything that was decided on this cabinet against the standards. */
function ResetAll({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const { id, settings, number } = solved.cabinet;
  const decided = Object.keys(settings).length > 0;
  return (
    <div className="border-t border-rule/60 pt-3">
      <button
        type="button"
        className="act"
        disabled={!decided}
        onClick={() =>
          act({
            label: `Cabinet ${number} back to the standards`,
            edits: [{ path: pathTo.settings(id), value: {} }],
          })
        }
      >
        All settings back to the standards
      </button>
      <p className="mt-1 text-[0.875rem] leading-snug text-ink-soft">
        {decided
          ? 'Sizes and openings stay; everything marked “here” goes. Undo brings it back.'
          : 'Every setting of this cabinet is a standard.'}
      </p>
    </div>
  );
}
