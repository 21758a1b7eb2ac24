import type { Mark, SheetSize } from '../../core/present/index.js';
import { Hatch, Marks } from '../figures/Marks.js';

/** The first sheet as the server has drawn it, where the bench will draw it: seen before any script has run. */
export function FirstSheet({
  name,
  size,
  marks,
  decisions,
  parts,
}: {
  name: string;
  size: SheetSize;
  marks: readonly Mark[];
  /** What the bench will open beside and below it. */
  decisions: boolean;
  parts: boolean;
}) {
  return (
    <div className="grid h-dvh min-h-[600px] grid-rows-[9.125rem_minmax(0,1fr)]" aria-hidden="true">
      <p className="px-3 py-2 text-[1.0625rem] font-semibold">
        <span className="font-bold">Alcove</span> <span className="text-ink-soft">/</span> {name}{' '}
        <span className="font-normal text-ink-soft">is being opened…</span>
      </p>
      <div
        className={`grid min-h-0 ${decisions ? 'grid-cols-[18.75rem_minmax(0,1fr)_17.5rem]' : 'grid-cols-[minmax(0,1fr)_17.5rem]'}`}
      >
        {decisions && <div />}
        <div className={`mx-1 min-h-0 ${parts ? 'mb-64' : 'mb-10'}`}>
          <svg
            data-first-sheet
            aria-hidden="true"
            className="block size-full bg-sheet"
            viewBox={`0 0 ${size.width} ${size.height}`}
            preserveAspectRatio="xMidYMid meet"
          >
            <Hatch />
            <Marks marks={marks} />
          </svg>
        </div>
        <div />
      </div>
    </div>
  );
}
