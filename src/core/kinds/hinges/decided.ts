import type { DecidedHeights } from '../../cabinet/index.js';
import type { HingeContext } from './context.js';
import { hingesAt, hingesAtPath } from './heights.js';
import type { HungDoor } from './hung.js';

/** The heights that are decided for hinges, with how many hinges the doors of each opening have. */
export function decidedHeights({ cells }: Pick<HingeContext, 'cells'>, hung: readonly HungDoor[]): DecidedHeights[] {
  return cells.flatMap((cell): DecidedHeights[] => {
    const decided = hingesAt(cell);
    if (!decided) return [];
    const doors = hung.filter(({ front }) => front.openingId === cell.opening.id);
    const count = Math.max(0, ...doors.map(({ places }) => places.length));
    if (count === 0) return [];
    return [
      {
        what: 'hinge',
        name: cell.name,
        room: Math.max(...doors.map(({ front }) => front.v.size.value)),
        list: hingesAtPath(cell),
        decided,
        count,
      },
    ];
  });
}
