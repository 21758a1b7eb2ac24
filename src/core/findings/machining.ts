import type { HungDoor } from '../hinges/index.js';
import type { Act } from '../job/index.js';
import { type Clash, findClashes, type Holes, holesNearEdges, type Operation } from '../machining/index.js';
import { type Part, sizeOf, toCabinet } from '../parts/index.js';
import { pinLines } from '../shelves/index.js';
import { type FindingDraft, type FindingRule, type RuleContext, settingPath } from './finding.js';
import { LEAST_APART, moveHinge } from './hinges.js';

/** Material that has to stay between two cuts, and between a hole and an edge (mm). */
const LEAST_SKIN = 2;

/** Everything that is cut or bored in a part, and the ways screws take in it. */
function takenIn(part: Part, { paths }: RuleContext): readonly Operation[] {
  const ways = paths.get(part.key);
  return ways ? [...part.machining, ...ways] : part.machining;
}

/** Any two operations on a part that meet or leave too little between them, on both faces. */
const operationsMeet: FindingRule = {
  id: 'machining/operations-meet',
  check: (context) =>
    context.rows.flatMap(({ part, keys }): FindingDraft[] =>
      findClashes(takenIn(part, context), sizeOf(part), LEAST_SKIN).map((clash) => {
        const { a, b, left, u, v } = clash;
        const { show } = context;
        return {
          severity: left <= 0 ? 'stop' : 'warn',
          what: `On ${part.name.toLowerCase()} two operations ${left <= 0 ? 'meet' : `leave ${show(left)} between them`}: ${a.reason}, and ${b.reason}.`,
          why: `It is at ${show(u)} along and ${show(v)} across the part; at least ${show(LEAST_SKIN)} has to stay. Move the hinge, the divider or the joint.`,
          parts: keys,
          at: { u, v },
          fixes: waysApart(context, part, clash),
        };
      }),
    ),
};

/** Changes that are known to part the two, each tried on this part before it is offered. */
function waysApart(context: RuleContext, part: Part, clash: Clash): Act[] {
  const pins = [clash.a, clash.b].find((operation): operation is Holes => isPins(operation));
  const hinge = [clash.a, clash.b].find(({ by }) => by.kind === 'hinges');
  const acts: Act[] = [];
  if (hinge) acts.push(...hingeElsewhere(context, part, clash, hinge));
  if (pins && hinge && context.resolved.settings.hinges.snap.value !== 'grid')
    acts.push({
      label: 'Put the hinges on the pin grid',
      edits: [{ path: settingPath(context, 'hinges/snap'), value: 'grid' }],
    });
  if (pins) acts.push(...pinsElsewhere(context, part, clash, pins));
  return acts;
}

function isPins(operation: Operation): operation is Holes {
  return operation.kind === 'holes' && operation.by.kind === 'pins';
}

/** True when an operation as changed comes too near nothing else on the part. */
function settled(context: RuleContext, part: Part, was: Operation, changed: Operation): boolean {
  const others = takenIn(part, context).filter((operation) => operation !== was);
  return !findClashes([...others, changed], sizeOf(part), LEAST_SKIN).some(
    ({ a, b }) => a === changed || b === changed,
  );
}

/** The next free height for the hinge that is meant, on the grid where hinges stand on it. */
function hingeElsewhere(context: RuleContext, part: Part, { u, v }: Clash, hinge: Operation): Act[] {
  const door = context.doors.find(({ front }) => front.key === hinge.by.front);
  if (!door || !('positions' in hinge)) return [];
  const z = toCabinet(part.placement, u, v, 0)[2];
  const heights = door.places.map(({ onCase }) => onCase.mm);
  const at = heights.reduce(
    (best, height, n) => (Math.abs(height - z) < Math.abs((heights[best] ?? 0) - z) ? n : best),
    0,
  );
  const own = heights[at];
  if (own === undefined) return [];
  const per = hinge.positions.length / heights.length;
  const next = door
    .freeHeights()
    .filter((height) => Math.abs(height - own) > 1 && clearOfOthers(door, at, height))
    .sort((a, b) => Math.abs(a - own) - Math.abs(b - own))
    .find((height) => {
      const positions = hinge.positions.map((position, n) =>
        Math.floor(n / per) === at ? position.plus(height - own) : position,
      );
      return settled(context, part, hinge, { ...hinge, positions } as Operation);
    });
  return next === undefined ? [] : [moveHinge(context, door, at, next)];
}

function clearOfOthers({ places }: HungDoor, at: number, height: number): boolean {
  return places.every(({ onCase }, n) => n === at || Math.abs(onCase.mm - height) >= LEAST_APART);
}

/** The rear line shifted forward by a step, or the column kept further from the ends of its opening. */
function pinsElsewhere(context: RuleContext, part: Part, clash: Clash, pins: Holes): Act[] {
  const { grid, box, resolved, bays, show } = context;
  if (!grid || !part.at) return [];
  const { settings } = resolved;
  const acts: Act[] = [];
  const { front, rear } = pinLines(box, resolved, grid);
  const onRear = rear && Math.abs(pins.offset.mm + part.at.v.mm - rear.mm) < 0.05;
  if (onRear) {
    const shifted = { ...pins, offset: pins.offset.minus(grid.step) };
    const steps = settings.pins.rear.value === 'steps';
    const path = settingPath(context, steps ? 'pins/rearClear' : 'pins/rearSet');
    const value = (steps ? settings.pins.rearClear.mm : settings.pins.rearSet.mm) + grid.step.mm;
    if (settled(context, part, pins, shifted) && value <= 200)
      acts.push({ label: `Bring the rear line forward by ${show(grid.step.mm)}`, edits: [{ path, value }] });
  }
  if (Math.abs(pins.offset.mm + part.at.v.mm - front.mm) < 0.05) {
    const back = Array.from({ length: MOST_SHIFT }, (_, n) => n + 1).find((more) =>
      settled(context, part, pins, { ...pins, offset: pins.offset.plus(more) }),
    );
    if (back !== undefined && (!rear || rear.mm - front.mm - back >= grid.step.mm)) {
      const value = settings.pins.front.mm + back;
      const path = settingPath(context, 'pins/front');
      acts.push({ label: `Set the front line back to ${show(value)}`, edits: [{ path, value }] });
    }
  }
  const bay = bays.find(({ left, right }) => left?.key === part.key || right?.key === part.key);
  if (bay) {
    const z = toCabinet(part.placement, clash.u, clash.v, 0)[2];
    const { low, high } = bay.cell.inside.v;
    const ends = Math.ceil(Math.min(z - low.mm, high.mm - z) + grid.step.mm / 2);
    const kept = pins.positions.filter(({ mm }) => {
      const height = mm + (part.at?.u.mm ?? 0);
      const standing = bay.places.some(({ underside }) => Math.abs(underside.mm - height) < settings.pins.diameter.mm);
      return standing || (height >= low.mm + ends && height <= high.mm - ends);
    });
    if (ends > settings.pins.ends.mm && ends <= 400 && kept.length > 0 && kept.length < pins.positions.length)
      if (settled(context, part, pins, { ...pins, positions: kept }))
        acts.push({
          label: `Begin the column ${show(ends)} from the ends of its opening`,
          edits: [{ path: settingPath(context, 'pins/ends'), value: ends }],
        });
  }
  return acts;
}

/** The front line is set back no further than this to part two operations (mm). */
const MOST_SHIFT = 40;

/** A hole so near an edge that it breaks out. */
const holeNearEdge: FindingRule = {
  id: 'machining/hole-near-edge',
  check: ({ rows, show }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] =>
      holesNearEdges(part.machining, sizeOf(part), LEAST_SKIN).map(({ operation, left }) => ({
        severity: left <= 0 ? 'stop' : 'warn',
        what: `On ${part.name.toLowerCase()} a hole leaves ${show(Math.max(0, left))} to the edge: ${operation.reason}.`,
        why: 'It breaks out when it is bored.',
        parts: keys,
      })),
    ),
};

/** A pocket screw that comes out of the far face of what it is driven into. */
const screwThroughFace: FindingRule = {
  id: 'machining/screw-through-face',
  check: (context) =>
    context.parts.flatMap((part): FindingDraft[] => {
      const way = context.paths
        .get(part.key)
        ?.find(
          (operation) =>
            operation.kind === 'holes' && (operation.depth?.mm ?? 0) > part.thickness.mm - LEAST_SKIN + 1e-6,
        );
      if (way?.kind !== 'holes' || !way.depth) return [];
      const { show } = context;
      const path = settingPath(context, 'fasteners/pocketReach');
      const value = Math.floor((part.thickness.mm - LEAST_SKIN) * 2) / 2;
      return [
        {
          severity: way.depth.mm >= part.thickness.mm ? 'stop' : 'warn',
          what: `A pocket screw goes ${show(way.depth.mm)} into ${part.name.toLowerCase()}, which is ${show(part.thickness.mm)} thick.`,
          why: 'It comes through the other face, or lifts it. Take a shorter screw.',
          numbers: [way.depth, part.thickness],
          parts: [part.key],
          settings: [path],
          fixes: value >= 4 ? [{ label: `Let it reach ${show(value)}`, edits: [{ path, value }] }] : [],
        },
      ];
    }),
};

export const machiningRules: readonly FindingRule[] = [operationsMeet, holeNearEdge, screwThroughFace];
