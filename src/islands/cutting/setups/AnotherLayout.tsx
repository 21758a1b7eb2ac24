import { useState } from 'react';
import { fencesSet } from '../../../core/shop/index.js';
import { useCutting } from '../context.js';
import { sheetsWorker } from '../sheetsWorker.js';

/** Looked for so long at each material (s). */
const SECONDS = 1;

interface Counted {
  readonly fences: number;
  readonly sheets: number;
}

/** How often the fence is set with the layouts that were accepted, and what another layout would save. */
export function AnotherLayout({ jobId }: { jobId: string }) {
  const { job } = useCutting();
  const [other, setOther] = useState<Counted | 'looking' | 'failed' | null>(null);
  const layouts = job.layouts ?? [];
  if (layouts.length === 0) return null;
  const own: Counted = {
    fences: layouts.reduce((sum, layout) => sum + fencesSet(layout), 0),
    sheets: layouts.reduce((sum, { sheets }) => sum + sheets.length, 0),
  };
  const look = async () => {
    setOther('looking');
    try {
      const { layouts: _accepted, ...open } = job;
      const found = (await sheetsWorker().fewestFences(open, SECONDS)).filter(({ id }) =>
        layouts.some((layout) => layout.id === id),
      );
      setOther({
        fences: found.reduce((sum, layout) => sum + fencesSet(layout), 0),
        sheets: found.reduce((sum, { sheets }) => sum + sheets.length, 0),
      });
    } catch {
      setOther('failed');
    }
  };
  return (
    <span className="flex flex-wrap items-center gap-2" data-fences={own.fences}>
      Sheet by sheet the fence is set {own.fences} times.
      {other === null || other === 'failed' ? (
        <button type="button" className="act print:hidden" onClick={() => void look()}>
          What would another layout save?
        </button>
      ) : other === 'looking' ? (
        <span role="status">Looking…</span>
      ) : (
        <span role="status" data-other={other.fences}>
          {saving(own, other)}{' '}
          {other.fences < own.fences && (
            <a className="underline print:hidden" href={`/jobs/${jobId}/sheets`}>
              Lay out for fewest fence positions
            </a>
          )}
        </span>
      )}
      {other === 'failed' && <span className="text-finding">That could not be figured.</span>}
    </span>
  );
}

function saving(own: Counted, other: Counted): string {
  const sheets =
    other.sheets === own.sheets
      ? 'on as many sheets'
      : `on ${Math.abs(other.sheets - own.sheets)} ${other.sheets > own.sheets ? 'more' : 'fewer'}`;
  return other.fences < own.fences
    ? `Strips laid out for fewest fence positions set it ${other.fences} times, ${own.fences - other.fences} fewer, ${sheets}.`
    : `Strips laid out for fewest fence positions save nothing: ${other.fences} times, ${sheets}.`;
}
