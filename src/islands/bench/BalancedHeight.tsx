import { balancedHeights } from '../../core/shelves/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { formatLength } from '../../core/units/index.js';
import { useBench } from './context.js';

/** A side is balanced when its first and last holes stand equally far from its ends: then left, right and turned over are one. */
export function BalancedHeight({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { grid, parts, cabinet, resolved } = solved;
  const side = parts.find((part) => part.key === 'side/left');
  if (!grid || !side) return null;
  const now = side.length.mm;
  const { below, above } = balancedHeights(now, resolved.settings.pins.first.mm, grid.step.mm);
  const balanced = Math.abs(below - above) < 0.01;
  const { height } = cabinet.size;
  const path =
    height.from === 'overall' ? `cabinets/${cabinet.id}/size/height/mm` : `cabinets/${cabinet.id}/size/height/finished`;
  const overall = height.from === 'overall' ? height.mm : height.finished;
  const choose = (length: number) => act({ label: 'Balanced side', edits: [{ path, value: overall + length - now }] });
  return (
    <div className="mt-1 border-t border-dashed border-rule pt-1.5">
      <p className="leading-snug">
        {balanced
          ? `The sides are balanced at ${formatLength(now, style)}: their holes are the same from both ends.`
          : `The sides are ${formatLength(now, style)} long. Balanced, with the first hole as far from one end as from the other, they would be:`}
      </p>
      {!balanced && (
        <p className="mt-1 flex gap-1.5">
          {[below, above].map((length) => (
            <button key={length} type="button" className="act" onClick={() => choose(length)}>
              {formatLength(length, style)}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
