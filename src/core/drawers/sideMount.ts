import { type Dim, smallest } from '../derive/index.js';
import type { Resolved } from '../document/index.js';
import type { Cell } from '../layout/index.js';

/** The box a drawer on side-mounted runners may have behind its front. */
export interface DrawerBox {
  readonly openingId: string;
  /** The smaller of the opening between frame members or dividers and the room between the faces runners are fixed to. */
  readonly runnerOpening: Dim;
  /** Outside width of the box. */
  readonly width: Dim;
  /** Length of its front and back, which stand between the sides. */
  readonly frontLength: Dim;
}

/** Box width = opening − 2 · runner thickness − play; front and back between the sides = width − 2 · side. */
export function drawerBoxes(cells: readonly Cell[], { settings }: Resolved): DrawerBox[] {
  const { runnerThickness, runnerPlay, boxSide } = settings.drawers;
  return cells
    .filter((cell) => cell.fill.kind === 'drawer')
    .map((cell) => {
      const [opening, room] = [cell.clear.h.size, cell.inside.h.size];
      const runnerOpening = (opening === room ? opening : smallest(opening, room)).as('opening for the runners');
      const width = runnerOpening.minus(runnerThickness.times(2)).minus(runnerPlay).as('drawer box width');
      return {
        openingId: cell.opening.id,
        runnerOpening,
        width,
        frontLength: width.minus(boxSide.times(2)).as('drawer box front length'),
      };
    });
}
