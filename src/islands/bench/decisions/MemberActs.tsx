import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Trash2 } from 'lucide-react';
import type { SplitAxis } from '../../../core/build/index.js';

const ICON = 'grid size-7 place-items-center hover:text-pencil disabled:opacity-30';

/** Moving a member of a division among its fellows, and taking it out. */
export function MemberActs({
  name,
  axis,
  at,
  count,
  onMove,
  onRemove,
}: {
  name: string;
  axis: SplitAxis;
  at: number;
  count: number;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const rows = axis === 'rows';
  const [Back, On] = rows ? [ArrowUp, ArrowDown] : [ArrowLeft, ArrowRight];
  return (
    <>
      <button
        type="button"
        className={ICON}
        aria-label={`${name} ${rows ? 'up' : 'to the left'}`}
        disabled={at === 0}
        onClick={() => onMove(-1)}
      >
        <Back size={15} />
      </button>
      <button
        type="button"
        className={ICON}
        aria-label={`${name} ${rows ? 'down' : 'to the right'}`}
        disabled={at === count - 1}
        onClick={() => onMove(1)}
      >
        <On size={15} />
      </button>
      <button type="button" className={ICON} aria-label={`${name} away`} disabled={count === 1} onClick={onRemove}>
        <Trash2 size={15} />
      </button>
    </>
  );
}
