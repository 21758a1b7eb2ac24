import { Scissors } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { cutInVain } from '../../../core/shop/index.js';
import { useBench } from '../context.js';

/** Wood that is cut and does not fit any more is said where the design is changed, not only at the saw. */
export function CutSheetsPanel({ jobId }: { jobId: string }) {
  // It looks at the whole job: an edit is shown before it.
  const solved = useDeferredValue(useBench((state) => state.solved));
  const amiss = useMemo(() => cutInVain(solved.job.layouts ?? [], solved.cabinets).length, [solved]);
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
