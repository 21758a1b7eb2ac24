import { holeHeight } from '../../../build/index.js';
import { pathOf } from '../../../decisions/index.js';
import { within } from '../../../ground/index.js';
import { drawerFill, mayRise, runnersOf } from '../../../kinds/index.js';
import type { SolvedCabinet } from '../../../solve/index.js';
import { type Line, lineOf } from './line.js';

/** So far inwards of a runner its line can be taken hold of (mm). */
const BESIDE = 30;
/** Lines of runners nearer than this are one line (mm). */
const SAME = 0.05;

/** The screw line of each runner beside a box: raised with the drawer that runs on it. Seen from the front. */
export function runnerLines(solved: SolvedCabinet): Line[] {
  return linesSeen(solved, ({ min, max }, hand) =>
    hand === 'left' ? { from: min[0], to: max[0] + BESIDE } : { from: min[0] - BESIDE, to: max[0] },
  );
}

/** The same from the side, along the runner. */
export function runnerSectionLines(solved: SolvedCabinet): Line[] {
  return linesSeen(solved, ({ min, max }, hand) => (hand === 'left' ? undefined : { from: min[1], to: max[1] }));
}

type Seen = (
  extent: ReturnType<typeof runnersOf>[number]['extent'],
  hand: 'left' | 'right',
) => Pick<Line, 'from' | 'to'> | undefined;

function linesSeen(solved: SolvedCabinet, seen: Seen): Line[] {
  const { fitted, grid, resolved } = solved;
  const heights = grid ? Array.from({ length: grid.count }, (_, k) => holeHeight(grid, k)) : [];
  return fitted.runners.flatMap((drawer): Line[] => {
    const { runner, raised, name, path } = drawer;
    if (!runner) return [];
    const at = runner.line.value;
    const now = raised?.value ?? 0;
    const most = now + mayRise(drawer, resolved.settings);
    const others = fitted.runners.flatMap((other) =>
      other !== drawer && other.runner && Math.abs(other.runner.line.value - at) > SAME
        ? [{ mm: now + other.runner.line.value - at, why: `lines up with ${within(other.name)}` }]
        : [],
    );
    const reasons = [
      { mm: 0, why: 'as low as it goes' },
      ...others,
      ...heights.map((height) => ({ mm: now + height - at, why: 'on the grid of holes' })),
    ].filter(({ mm }) => mm >= 0 && mm <= most);
    return runnersOf(drawer).flatMap(({ key, hand, extent }): Line[] => {
      const run = hand === 'under' ? undefined : seen(extent, hand);
      if (!run) return [];
      return [
        lineOf(
          {
            label: `Runners of ${within(name)} raised`,
            mm: now,
            path: pathOf(solved.cabinet, drawerFill.at(path, 'raised')),
            least: 0,
            most,
            reasons,
          },
          'v',
          at,
          { id: key, ...run, shows: key },
        ),
      ];
    });
  });
}
