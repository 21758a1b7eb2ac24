import type { Fitting } from '../../build/index.js';
import type { AnyPath, JobHead } from '../../decisions/index.js';
import { type Dim, length, type Span } from '../../ground/index.js';
import { type Part, partKeys, withMore } from '../../part/index.js';
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
  readonly path: AnyPath;
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

type TrayContext = Parameters<typeof makeTrays>[2];

function trayIn(standing: StandingRoom, sides: StandingSides, context: TrayContext): StandingTray {
  const { name, up } = standing;
  const { head, resolved, show } = context;
  const spacers = {
    left: measuredSpacer(sides.left, 'left', head, resolved),
    right: measuredSpacer(sides.right, 'right', head, resolved),
  };
  const room = trayRoom(standing, sides.path, spacers, resolved);
  const { chosen, against } = chooseRunners(room, runnerProfilesOf(head), asked(sides.runner, resolved), show);
  const none = { name, spacers, against, setback: EDGE, holes: [], parts: [], buy: [] };
  if (!chosen) return { chosen: undefined, ...none, plan: undefined, line: undefined, underside: undefined };
  const { profile, length: run, plan, contents, load } = chosen;
  const line = up.low.plus(families[profile.family].line(profile)).as('screw line of the runner');
  const start = room.begins.plus(fromSheet(profile, 'setback', 'runner behind the doors')).as('front of the runner');
  const made = (['left', 'right'] as const).flatMap((hand) => {
    const spacer = spacers[hand];
    return spacer ? [spacerParts(room, hand, spacer, { start, run, line })] : [];
  });
  const holes = holesAlong(profile, profile.holes, run.value, 0);
  return {
    name,
    spacers,
    chosen: { profile, length: run, contents, load },
    against,
    plan,
    line,
    underside: made.length > 0 ? stripHeight(line, up).low.as('underside of the spacers') : undefined,
    setback: start,
    holes,
    parts: trayParts(room, chosen, made, { line, start, holes }, resolved),
    buy: together([...runnersToBuy(chosen, show), ...spacerScrews(made.length, run)]),
  };
}

/** What was measured, as a room for a tray: narrowed by its spacers, behind the doors. */
function trayRoom(
  { id, name, across, up, depth }: StandingRoom,
  path: StandingSides['path'],
  { left, right }: StandingTray['spacers'],
  { settings }: RunnerResolved,
): DrawerRoom {
  const low = left ? across.low.plus(left.thickness).as('face of the left spacer') : across.low;
  const high = right ? across.high.minus(right.thickness).as('face of the right spacer') : across.high;
  const narrowed = [left, right].reduce<Dim>(
    (size, spacer) => (spacer ? size.minus(spacer.thickness) : size),
    across.size,
  );
  const begins = EDGE.plus(settings.drawers.doorClearance).as('behind the doors');
  return {
    id,
    kind: 'tray',
    front: undefined,
    inside: { h: across, v: up },
    name,
    across: { low, high, size: narrowed.as('opening for the runners') },
    up,
    packing: {
      left: left?.thickness ?? length(0, 'packing, left'),
      right: right?.thickness ?? length(0, 'packing, right'),
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
}

/** The standards with the runner that was decided for this cabinet, where one was. */
function asked(runner: string, resolved: RunnerResolved): RunnerResolved {
  if (runner === 'none') return resolved;
  const { drawers } = resolved.settings;
  return {
    ...resolved,
    settings: { ...resolved.settings, drawers: { ...drawers, choice: { ...drawers.choice, value: runner } } },
  };
}

/** The box and its spacers, bored for the runners. */
function trayParts(
  room: DrawerRoom,
  { profile, length: run, plan }: Chosen,
  made: readonly (readonly Part[])[],
  { line, start, holes }: { readonly line: Dim; readonly start: Dim; readonly holes: readonly Dim[] },
  resolved: RunnerResolved,
): Part[] {
  const box = buildBox(room, plan, resolved);
  const front = partKeys.ofBox.of({ opening: room.id, what: 'front' });
  const inSpacers = made.flatMap((layers) => {
    const carrier = layers.at(-1);
    if (!carrier) return [];
    const places = holes
      .map((hole) => start.plus(hole).as('hole behind the front edge of the cabinet'))
      .filter(({ value: mm }) => mm >= carrier.extent.min[1] + FROM_SPACER_END);
    return [[carrier.key, bored(carrier, 1, line, places, { profile, front })] as const];
  });
  const cut = byPart([...inSpacers, ...families[profile.family].onBox(profile, box, run)]);
  return [...box.all, ...made.flat()].map((part) => {
    const more = cut.get(part.key);
    return withMore(part, more);
  });
}

function spacerScrews(sides: number, run: Dim): Fitting[] {
  if (sides === 0) return [];
  return [
    {
      name: 'Screws: spacers',
      group: 'fasteners',
      quantity: sides * (run.value > LONG ? 5 : 4),
      note: 'up to spacer and side less 3',
    },
  ];
}

/** Longer spacers have a screw in the middle as well (mm). */
const LONG = 450;
