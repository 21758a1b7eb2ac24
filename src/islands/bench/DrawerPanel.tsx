import type { Dim } from '../../core/derive/index.js';
import type { FittedDrawer } from '../../core/fitted/runners/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { formatLengthWithUnit } from '../../core/units/index.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';

/** The drawer a part belongs to: its front, its box, its packing. */
function drawerOf({ fitted, fronts }: SolvedCabinet, selected: string | null): FittedDrawer | undefined {
  if (selected === null) return undefined;
  return fitted.runners.find(({ opening, front, parts }) => {
    const own = fronts.find(({ key }) => key === front);
    return (
      own?.parts.some(({ key }) => key === selected) ||
      parts.includes(selected) ||
      selected.startsWith(`drawer/${opening}/packing/`)
    );
  });
}

/** The drawer that is selected: its box from opening to inside, its runners, and why no other length or kind. */
export function DrawerPanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const style = useBench((state) => state.job.display);
  const openTape = useBench((state) => state.openTape);
  const drawer = drawerOf(solved, selected);
  if (!drawer) return null;
  const { plan, runner, packing, against } = drawer;
  const show = (mm: number) => formatLengthWithUnit(mm, style);
  const row = (name: string, pick: (drawer: FittedDrawer) => Dim | undefined) => {
    const dim = pick(drawer);
    if (!dim) return null;
    return (
      <p className="flex items-center justify-between gap-2">
        <span>{name}</span>
        <button
          type="button"
          className="min-h-7 font-semibold hover:text-pencil"
          onClick={() =>
            openTape((each) => {
              const again = each.fitted.runners.find(({ opening }) => opening === drawer.opening);
              return again && pick(again);
            })
          }
        >
          {dim.measure === 'mm' ? <Length mm={dim.mm} style={style} /> : `${dim.mm.toFixed(1)} ${dim.measure}`}
        </button>
      </p>
    );
  };
  const family = solved.resolved.settings.drawers.family.value;
  const told = against.filter(({ why }) => !why.startsWith('belongs') && !why.startsWith('another'));
  return (
    <section aria-label="Drawer behind this front" className="sheet p-3">
      <h2 className="caps">{drawer.name}</h2>
      {runner ? (
        <p className="font-semibold leading-snug">
          {runner.profile.name}, {show(runner.length.mm)}
          <span className="block text-[0.8125rem] font-normal text-ink-soft">{runner.profile.maker}</span>
        </p>
      ) : (
        <p className="leading-snug">{plan ? 'Wood on wood, on what lies under it' : 'No runner in the library fits'}</p>
      )}
      {row('Opening for the runners', (each) => each.across)}
      {packing.left.mm > 0 && row('Packed out, left', (each) => each.packing.left)}
      {packing.right.mm > 0 && row('Packed out, right', (each) => each.packing.right)}
      {row('Box width, outside', (each) => each.plan?.outside)}
      {row('Box width, inside', (each) => each.plan?.inside)}
      {row('Box height', (each) => each.plan?.height)}
      {row('Free above the box', (each) => each.plan?.free)}
      {row('Box length', (each) => each.plan?.length)}
      {row(`Depth to the ${drawer.rearBy}`, (each) => each.depth)}
      {row('Contents at most', (each) => each.runner?.contents)}
      {row('The pair carries', (each) => each.runner?.load)}
      {told.length > 0 && (
        <details className="text-[0.8125rem] leading-snug">
          <summary className="min-h-7 cursor-pointer">Why not another ({told.length})</summary>
          <ul className="flex max-h-48 flex-col gap-1 overflow-auto">
            {told.map(({ profile, name, length, why }) => (
              <li key={`${profile}/${length ?? ''}`}>
                <b>{length === undefined ? name : `${name}, ${show(length)}`}</b>: {why}
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="text-[0.8125rem] leading-snug text-ink-soft">
        {family === 'wooden'
          ? 'Fit the box dry, and plane its sides to the season.'
          : 'The runner maker’s own sheet always wins over these figures.'}
      </p>
    </section>
  );
}
