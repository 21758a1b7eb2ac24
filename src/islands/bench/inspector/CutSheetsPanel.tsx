import { Scissors } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { changedSince, demandOf } from '../../../core/sheets/index.js';
import type { SolvedJob } from '../../../core/solve.js';
import { useBench } from '../context.js';

/** How many pieces that are cut already are no longer what the design asks for. */
function cutAmiss({ job, cabinets }: SolvedJob): number {
  const layouts = (job.layouts ?? []).filter(({ sheets }) => sheets.some(({ cut }) => cut));
  if (layouts.length === 0) return 0;
  const demands = demandOf(cabinets);
  return layouts.reduce((sum, layout) => {
    const demand = demands.find(({ material }) => material.id === layout.id);
    return sum + changedSince(layout, demand, demands).filter(({ cut }) => cut).length;
  }, 0);
}

/** Wood that is cut and does not fit any more is said where the design is changed, not only at the saw. */
export function CutSheetsPanel({ jobId }: { jobId: string }) {
  // It looks at the whole job: an edit is shown before it.
  const solved = useDeferredValue(useBench((state) => state.solved));
  const amiss = useMemo(() => cutAmiss(solved), [solved]);
  if (amiss === 0) return null;
  return (
    <section aria-label="Cut already" className="sheet border-l-4 border-finding p-3" data-cut-amiss={amiss}>
      <p className="flex items-center gap-1.5 font-bold text-finding">
        <Scissors size={17} aria-hidden="true" />
        {amiss === 1 ? '1 piece cut already no longer fits' : `${amiss} pieces cut already no longer fit`}
      </p>
      <p className="leading-snug text-ink-soft">
        The design asks for another size, another material, or not for them at all. Undo what changed them, or cut them
        anew.
      </p>
      <p className="mt-1">
        <a className="act inline-flex items-center" href={`/jobs/${jobId}/sheets`}>
          Which ones
        </a>
      </p>
    </section>
  );
}
