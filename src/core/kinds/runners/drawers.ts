import type { Box, Fitting } from '../../build/index.js';
import type { Slide } from '../../cabinet/index.js';
import type { AnyPath } from '../../decisions/index.js';
import { type Dim, formatLengthWithUnit, KEPT_IN } from '../../ground/index.js';
import { type Extent, type Operation, type Part, partKeys } from '../../part/index.js';
import { type BoxParts, buildBox } from './box.js';
import { type Against, type Chosen, chooseRunners, onBrackets, runnerFamily } from './choose.js';
import type { RunnerContext } from './context.js';
import { fixFace } from './face.js';
import { families } from './families/index.js';
import type { DrawerContents } from './fills.js';
import { innerRooms } from './inner.js';
import { type OnCase, onCase } from './onCase.js';
import type { BoxPlan } from './plan.js';
import type { RunnerProfile } from './profile.js';
import { type DrawerRoom, drawerRooms } from './room.js';
import { runnersAndGuides, runsOn, woodenPlan } from './wooden.js';

/** A drawer as it is fitted, as plain data. */
export interface FittedDrawer {
  readonly opening: string;
  readonly front: string;
  readonly name: string;
  /** What is said to go in, and where its fill is decided. */
  readonly contents?: DrawerContents;
  readonly path: AnyPath;
  /** How far its runners are raised, where that is decided. */
  readonly raised?: Dim;
  /** The runner opening, and how far runners are packed out. */
  readonly across: Dim;
  readonly packing: { readonly left: Dim; readonly right: Dim };
  /** On rear brackets instead of packing. */
  readonly brackets?: true;
  /** Behind doors or in an open bay, without a face of its own: a drawer, or a tray. */
  readonly inner?: 'inner' | 'tray';
  /** What brings its runners clear of doors and hinges. */
  readonly spacers?: DrawerRoom['spacers'];
  /** From the plane the fronts close against to what is nearest at the rear, and what that is. */
  readonly depth: Dim;
  readonly rearBy: string;
  /** Absent where it runs wood on wood, or nothing fits. */
  readonly runner?: Pick<Chosen, 'profile' | 'length' | 'contents' | 'load'> & Pick<OnCase, 'line' | 'start' | 'held'>;
  readonly against: readonly Against[];
  /** Where its runners stand, as blocks. */
  readonly bodies?: readonly Extent[];
  /** Absent where nothing fits. */
  readonly plan?: BoxPlan;
  /** Keys of its box's parts. */
  readonly parts: readonly string[];
  /** True where an upright carries its runners at either end, or something lies under a wooden one. */
  readonly carried: boolean;
}

/** Wood on wood is pulled so much of its length before it tips. */
const WITHOUT_STOP = 0.75;

/** How far a drawer comes out (mm): by its runner, else as far as it does not tip. */
function travelOf({ runner, plan }: Pick<FittedDrawer, 'runner' | 'plan'>): number {
  return runner?.length.value ?? (plan ? plan.length.value * WITHOUT_STOP : 0);
}

/** Every drawer and tray that comes out, with its face. */
export function slidesOf(drawers: readonly FittedDrawer[]): Slide[] {
  return drawers
    .filter(({ plan }) => plan !== undefined)
    .map((drawer) => {
      const { opening, name, front, inner, parts } = drawer;
      const way = { kind: 'slide', by: 'runners', of: opening, name, parts, travel: travelOf(drawer) } as const;
      return { ...way, ...(inner ? {} : { front }) };
    });
}

interface MadeDrawer {
  readonly fitted: FittedDrawer;
  readonly parts: readonly Part[];
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly screwLines: readonly (readonly [key: string, operation: Operation])[];
  readonly buy: readonly Fitting[];
}

/** A box on runners for every drawer front. */
export function fitDrawers(context: RunnerContext, profiles: readonly RunnerProfile[]): MadeDrawer[] {
  const { cells, fronts, parts, box, resolved, head } = context;
  const { drawers } = resolved.settings;
  const behindFronts =
    drawers.fitted.value === 'none' ? [] : drawerRooms(cells, fronts, parts, box, resolved, resolved.given.zones);
  const pulls = context.fitted.pulls;
  const show = (mm: number) => formatLengthWithUnit(mm, head.display);
  return [...behindFronts, ...innerRooms(context)].map((room): MadeDrawer => {
    const said = {
      opening: room.id,
      front: room.front?.key ?? partKeys.ofBox.of({ opening: room.id, what: 'front' }),
      name: room.name,
      ...(room.contents ? { contents: room.contents } : {}),
      path: room.path,
      ...(room.raised ? { raised: room.raised } : {}),
      across: room.across.size,
      packing: room.packing,
      ...(room.kind === 'front' ? {} : { inner: room.kind }),
      ...(room.spacers ? { spacers: room.spacers } : {}),
      depth: room.rear.minus(room.plane).as('depth behind the fronts'),
      rearBy: room.rearBy,
    };
    if (runnerFamily(room, drawers) === 'wooden') {
      const plan = woodenPlan(room, resolved);
      const made = buildBox(room, plan, resolved, pulls);
      const face = fixFace(room, made, pulls, resolved);
      const under = runsOn(room, parts, plan.length);
      return {
        fitted: { plan, ...said, against: [], parts: keysOf(made), carried: under !== undefined },
        parts: [...made.all, ...(under ? runnersAndGuides(room, under, plan, parts, resolved) : [])],
        operations: face.operations,
        screwLines: [...made.screwLines, ...face.screwLines],
        buy: [],
      };
    }
    const { chosen, against } = chooseRunners(room, profiles, resolved, show);
    const carried = room.uprights.left !== undefined && room.uprights.right !== undefined;
    if (!chosen)
      return { fitted: { against, ...said, parts: [], carried }, parts: [], operations: [], screwLines: [], buy: [] };
    const { profile, length, plan, contents, load } = chosen;
    const made = buildBox(room, plan, resolved, pulls);
    const face = fixFace(room, made, pulls, resolved);
    const brackets = onBrackets(room, drawers);
    const fixed = onCase(room, chosen, resolved, context.screwLines, parts);
    const added = families[profile.family].added?.(profile, { room, box: made, plan, run: length, parts, resolved });
    return {
      fitted: {
        against,
        ...said,
        ...(room.spacers ? { spacers: told(room.spacers, fixed.underside, context.box) } : {}),
        ...(brackets ? { brackets: true as const } : {}),
        bodies: families[profile.family].bodies(profile, {
          from: fixed.start.value,
          ...{ room, box: made, plan },
          to: fixed.start.value + length.value,
        }),
        runner: { profile, length, contents, load, line: fixed.line, start: fixed.start, held: fixed.held },
        plan,
        parts: [
          ...keysOf(made),
          ...(added?.parts ?? []).filter(({ role }) => role === 'drawer box').map(({ key }) => key),
        ],
        carried,
      },
      parts: [...made.all, ...fixed.packing, ...(added?.parts ?? [])],
      operations: [
        ...(added?.operations ?? []),
        ...fixed.operations,
        ...families[profile.family].onBox(profile, made, length),
        ...face.operations,
      ],
      screwLines: [...made.screwLines, ...face.screwLines],
      buy: [
        ...runnersToBuy(chosen, show),
        ...(brackets ? [{ name: 'Runners: rear brackets, pair', quantity: 1, note: profile.maker }] : []),
      ],
    };
  });
}

/** Spacers with the height their sticks are cut to, from the floor of the cabinet. */
function told(spacers: NonNullable<DrawerRoom['spacers']>, underside: Dim, { bottomTop }: Box) {
  const height = underside.minus(bottomTop).as('underside of the spacer above the floor of the cabinet');
  const { left, right } = spacers;
  return {
    ...(left ? { left: { ...left, underside: height } } : {}),
    ...(right ? { right: { ...right, underside: height } } : {}),
  };
}

/** A pair of runners, and what comes with them. */
export function runnersToBuy(
  { profile, length }: Pick<Chosen, 'profile' | 'length'>,
  show: (mm: number) => string,
): Fitting[] {
  const note = profile.maker;
  const extras = families[profile.family].extras?.(profile) ?? [];
  const name = (long: string) => `Runners, pair: ${profile.name}, ${long}`;
  return [
    { name: name(show(length.value)), keptAs: name(formatLengthWithUnit(length.value, KEPT_IN)), quantity: 1, note },
    ...extras.map(({ name, quantity }) => ({ name: `Runners: ${name}`, quantity, note })),
  ];
}

const keysOf = ({ all }: BoxParts) => all.map(({ key }) => key);

/** The same things to buy together. */
export function together(all: readonly Fitting[]): Fitting[] {
  const counted = new Map<string, Fitting>();
  for (const each of all) {
    const key = `${each.name} ${each.note}`;
    counted.set(key, { ...each, quantity: (counted.get(key)?.quantity ?? 0) + each.quantity });
  }
  return [...counted.values()];
}
