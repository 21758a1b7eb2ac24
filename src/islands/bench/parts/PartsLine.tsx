import { ChevronDown, ChevronUp } from 'lucide-react';
import { weightOf } from '../../../core/build/index.js';
import { weightIn, weightUnit } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

const FEET2 = 10.7639;

/** Area (m²) and weight (kg) in the measures of the job. */
function inShort(area: number, weight: number, unit: 'mm' | 'in'): string {
  const covered = unit === 'mm' ? `${area.toFixed(1)} m²` : `${(area * FEET2).toFixed(1)} ft²`;
  return `${covered}, ${Math.round(weightIn(weight, unit))} ${weightUnit(unit)}`;
}

/** One line under the sheet: what the last act changed, and the parts in short, which opens their list. */
export function PartsLine({ solved, foldable }: { solved: SolvedCabinet; foldable: boolean }) {
  const lastAct = useBench((state) => state.lastAct);
  const shown = useBench((state) => state.partsShown);
  const show = useBench((state) => state.showParts);
  const Chevron = shown ? ChevronDown : ChevronUp;
  const steps = useBench((state) => state.past.length);
  const list = useBench((state) => state.list);
  const showList = useBench((state) => state.showList);
  const unit = useBench((state) => state.job.display.unit);
  const area = solved.parts.reduce((sum, { length, width }) => sum + length.value * width.value, 0) / 1e6;
  return (
    <div className="flex min-h-8 items-center gap-3 px-1 text-[0.9375rem]">
      <p className="min-w-0 flex-1 truncate text-ink-soft" role="status">
        {lastAct ?? 'Press a number on the drawing to change it and to see where it comes from.'}
      </p>
      {foldable && steps > 0 && !(shown && list === 'steps') && (
        <button
          type="button"
          className="act act-bare shrink-0"
          title="What each step changed, before and after"
          onClick={() => {
            showList('steps');
            show(true);
          }}
        >
          What changed
        </button>
      )}
      {foldable && (
        <button
          type="button"
          className="act act-bare shrink-0"
          aria-expanded={shown}
          title="Parts and what to buy (t)"
          onClick={() => show(!shown)}
        >
          <Chevron size={16} aria-hidden="true" />
          {solved.parts.length} parts, {inShort(area, weightOf(solved.parts).value, unit)}
        </button>
      )}
    </div>
  );
}
