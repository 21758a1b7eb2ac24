import type { Dim } from '../../core/derive/index.js';
import { type DrawerBox, drawerBoxes } from '../../core/drawers/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';

function boxOf(solved: SolvedCabinet, openingId: string): DrawerBox | undefined {
  return solved.face.ok
    ? drawerBoxes(solved.face.cells, solved.resolved).find((box) => box.openingId === openingId)
    : undefined;
}

/** The box behind the selected drawer front, on side-mounted runners: how wide it may be. */
export function DrawerPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const style = useBench((state) => state.job.display);
  const openTape = useBench((state) => state.openTape);
  const front = solved.fronts.find(
    ({ kind, parts }) => kind === 'drawer' && parts.some((part) => part.key === selected),
  );
  const box = front && boxOf(solved, front.openingId);
  if (!front || !box) return null;
  const row = (name: string, pick: (box: DrawerBox) => Dim) => (
    <p className="flex items-center justify-between">
      <span>{name}</span>
      <button
        type="button"
        className="min-h-7 font-semibold hover:text-pencil"
        onClick={() =>
          openTape((each) => {
            const again = boxOf(each, front.openingId);
            return again && pick(again);
          })
        }
      >
        <Length mm={pick(box).mm} style={style} />
      </button>
    </p>
  );
  return (
    <section aria-label="Drawer behind this front" className="sheet p-3">
      <h2 className="caps">Drawer behind this front</h2>
      {row('Opening for the runners', (each) => each.runnerOpening)}
      {row('Box width, outside', (each) => each.width)}
      {row('Front and back, between the sides', (each) => each.frontLength)}
      <p className="text-[0.8125rem] leading-snug text-ink-soft">
        For side-mounted runners; the runner maker's sheet wins.
      </p>
    </section>
  );
}
