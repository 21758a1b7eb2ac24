import type { Fitting } from '../../build/index.js';
import type { EditPath, JobHead } from '../../decisions/index.js';
import { type Dim, length, type Span } from '../../ground/index.js';
import type { Part } from '../../part/index.js';
import { byPart } from '../byPart.js';
import { fromSheet } from '../profile.js';
import { buildBox } from './box.js';
import { type Against, type Chosen, chooseRunners } from './choose.js';
import { runnersToBuy, together } from './drawers.js';
import { families } from './families/index.js';
import { holesAlong, stripHeight } from './lines.js';
import { bored } from './onCase.js';
import type { BoxPlan } from './plan.js';
import { runnerProfilesOf } from './profile.js';
import type { DrawerRoom } from './room.js';
import type { RunnerResolved } from './settings.js';
import { FROM_SPACER_END, measuredSpacer, type Spacer, spacerParts } from './spacers.js';

/** Where a tray is to go in a cabinet that stands: its room, measured. */
export interface StandingRoom {
  readonly id: string;
  readonly name: string;
  readonly across: Span;
  readonly up: Span;
  readonly depth: Dim;
}

/** What was measured at its sides, and the runner that was decided. */
export interface StandingSides {
  readonly left: Dim;
  readonly right: Dim;
  readonly runner: string;
  readonly path: EditPath;
}

/** A tray for a standing cabinet. */
export interface StandingTray {
  readonly name: string;
  readonly spacers: { readonly left: Spacer | undefined; readonly right: Spacer | undefined };
  readonly chosen: Pick<Chosen, 'profile' | 'length' | 'contents' | 'load'> | undefined;
  readonly against: readonly Against[];
  readonly plan: BoxPlan | undefined;
  /** Height of the runners' screw line, and of the underside of the spacers, above the floor measured from. */
  readonly line: Dim | undefined;
  readonly underside: Dim | undefined;
  /** Front end of the runners behind the front edge, and their holes from there. */
  readonly setback: Dim;
  readonly holes: readonly Dim[];
  readonly parts: readonly Part[];
  readonly buy: readonly Fitting[];
}

/** Trays on runners in rooms that were measured, on spacers where something stands out at a side. */
export function makeTrays(
  rooms: readonly StandingRoom[],
  sides: StandingSides,
  context: { readonly head: JobHead; readonly resolved: RunnerResolved; readonly show: (mm: number) => string },
): StandingTray[] {
  return rooms.map((room) => trayIn(room, sides, context));
}

const EDGE = length(0, 'front edge of the cabinet');

function trayIn(
  { id, name, across, up, depth }: StandingRoom,
  { left, right, runner, path }: StandingSides,
  { head, resolved, show }: Parameters<typeof makeTrays>[2],
): StandingTray {
  const { doorClearance } = resolved.settings.drawers;
  const spacers = {
    left: measuredSpacer(left, 'left', head, resolved),
    right: measuredSpacer(right, 'right', head, resolved),
  };
  const low = spacers.left ? across.low.plus(spacers.left.thickness).as('face of the left spacer') : across.low;
  const high = spacers.right ? across.high.minus(spacers.right.thickness).as('face of the right spacer') : across.high;
  const narrowed = [spacers.left, spacers.right].reduce<Dim>(
    (size, spacer) => (spacer ? size.minus(spacer.thickness) : size),
    across.size,
  );
  const begins = EDGE.plus(doorClearance).as('behind the doors');
  const room: DrawerRoom = {
    id,
    kind: 'tray',
    front: undefined,
    inside: { h: across, v: up },
    name,
    across: { low, high, size: narrowed.as('opening for the runners') },
    up,
    packing: {
      left: spacers.left?.thickness ?? length(0, 'packing, left'),
      right: spacers.right?.thickness ?? length(0, 'packing, right'),
    },
    uprights: { left: undefined, right: undefined },
    plane: begins,
    begins,
    rear: depth,
    rearBy: 'rear of the cabinet',
    contents: undefined,
    raised: undefined,
    path,
  };
  const { drawers } = resolved.settings;
  const asked =
    runner === 'none'
      ? resolved
      : {
          ...resolved,
          settings: { ...resolved.settings, drawers: { ...drawers, choice: { ...drawers.choice, value: runner } } },
        };
  const { chosen, against } = chooseRunners(room, runnerProfilesOf(head), asked, show);
  const none = { name, spacers, against, setback: EDGE, holes: [], parts: [], buy: [] };
  if (!chosen) return { chosen: undefined, ...none, plan: undefined, line: undefined, underside: undefined };
  const { profile, length: run, plan, contents, load } = chosen;
  const box = buildBox(room, plan, resolved);
  const line = up.low.plus(families[profile.family].line(profile)).as('screw line of the runner');
  const start = begins.plus(fromSheet(profile, 'setback', 'runner behind the doors')).as('front of the runner');
  const strip = stripHeight(line, up);
  const made = (['left', 'right'] as const).flatMap((hand) => {
    const spacer = spacers[hand];
    return spacer ? [spacerParts(room, hand, spacer, { start, run, line })] : [];
  });
  const holes = holesAlong(profile, profile.holes, run.value, 0);
  const operations = [
    ...made.flatMap((layers) => {
      const carrier = layers.at(-1);
      if (!carrier) return [];
      const places = holes
        .map((hole) => start.plus(hole).as('hole behind the front edge of the cabinet'))
        .filter(({ value: mm }) => mm >= carrier.extent.min[1] + FROM_SPACER_END);
      return [[carrier.key, bored(carrier, 1, line, places, { profile, front: `drawer/${id}/box/front` })] as const];
    }),
    ...families[profile.family].onBox(profile, box, run),
  ];
  const cut = byPart(operations);
  const parts = [...box.all, ...made.flat()].map((part) => {
    const more = cut.get(part.key);
    return more ? { ...part, machining: [...part.machining, ...more] } : part;
  });
  return {
    name,
    spacers,
    chosen: { profile, length: run, contents, load },
    against,
    plan,
    line,
    underside: made.length > 0 ? strip.low.as('underside of the spacers') : undefined,
    setback: start,
    holes,
    parts,
    buy: together([
      ...runnersToBuy(chosen, show),
      ...(made.length > 0
        ? [
            {
              name: 'Screws: spacers',
              group: 'fasteners' as const,
              quantity: made.length * (run.value > LONG ? 5 : 4),
              note: 'up to spacer and side less 3',
            },
          ]
        : []),
    ]),
  };
}

/** Longer spacers have a screw in the middle as well (mm). */
const LONG = 450;
