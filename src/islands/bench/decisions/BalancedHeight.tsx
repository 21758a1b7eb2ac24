import { balanceOf } from '../../../core/build/index.js';
import { makeBalanced } from '../../../core/commands/index.js';
import { formatLength } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

/** A side is balanced when its first and last holes stand equally far from its ends: then left, right and turned over are one. */
export function BalancedHeight({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const balance = balanceOf(solved);
  if (!balance) return null;
  const { now, below, above } = balance;
  const balanced = Math.abs(below - above) < 0.01;
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
            <button
              key={length}
              type="button"
              className="act"
              onClick={() => act(makeBalanced(solved, balance, length))}
            >
              {formatLength(length, style)}
            </button>
          ))}
        </p>
      )}
    </div>
  );
}
