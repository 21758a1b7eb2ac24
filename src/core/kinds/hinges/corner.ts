import { frontName } from '../../build/index.js';
import type { Named, PlanDoor } from '../../cabinet/index.js';
import { capital, length } from '../../ground/index.js';
import { doorAt, stopSwing } from '../../motions/index.js';
import {
  type DimensionItem,
  type Drawing,
  type DrawingItem,
  type DrawingPoint,
  dimension,
  regionBetween,
} from '../../part/index.js';
import { familyOf } from './families/index.js';
import { turnOf } from './hang.js';
import type { HungDoor } from './hung.js';
import type { HingedCabinet } from './rule.js';

/** How much of the upright and of the door is shown behind and beside the corner (mm). */
const DEEP = 50;
const WIDE = 66;
/** The open door is shown this far from its hinge edge (mm). */
const OPEN = 42;
/** The swing path is drawn in steps of this (degrees). */
const ARC_STEP = 3;

/**
 * The hinge corner in plan at true scale: the upright, the door closed, the door where its hinge stops it, and the way
 * its edges take between. The hinge edge is at the left and the front below, whichever way the door is hung.
 */
export function drawHingeCorner(solved: Named<HingedCabinet>, door: HungDoor, jobName: string): Drawing | undefined {
  const plan = turnOf(door, solved.box)?.plan;
  const { carrier, chosen, wish } = door;
  if (!plan || !carrier || !chosen) return undefined;
  const upright = carrier.extent;
  // Corner coordinates: h from the edge of the opening into it, v to the rear from the face of the closed door.
  const flip = plan.hand;
  const at = (x: number, y: number): DrawingPoint => ({ h: (x - door.plane) * flip, v: y - plan.face });
  const points = (angle: number) => doorAt(plan, angle).map(({ x, y }) => at(x, y));
  const [outer, inner] = flip === 1 ? [upright.min[0], upright.max[0]] : [upright.max[0], upright.min[0]];
  const doorEnd = plan.hingeEdge + flip * WIDE;
  const open = cropped(plan, door.stopAngle).map(({ x, y }) => at(x, y));
  const items: DrawingItem[] = [
    region('case', at(outer, upright.min[1]), at(inner, Math.min(upright.max[1], plan.back + DEEP)), carrier.key),
    {
      kind: 'shape',
      tint: 'void',
      weight: 'hidden',
      points: open,
      shows: door.front.key,
    },
    region('front', at(plan.hingeEdge, plan.face), at(doorEnd, plan.back), door.front.key),
    ...swingPath(plan, at),
    ...familyOf(chosen.profile).corner(chosen, plan, door, at),
    {
      kind: 'hole',
      at: at(plan.pivot.x, plan.pivot.y),
      diameter: chosen.kind === 'leaf' ? chosen.profile.leaf.knuckle : 3,
      weight: 'visible',
    },
  ];
  const all = [...items.flatMap(cornersOf), ...points(0).slice(0, 1)];
  const min = { h: Math.min(...all.map(({ h }) => h)) - 4, v: Math.min(...all.map(({ v }) => v)) - 4 };
  const max = { h: Math.max(...all.map(({ h }) => h)) + 4, v: Math.max(...all.map(({ v }) => v)) + 4 };
  return {
    title: {
      job: jobName,
      cabinet: `${solved.cabinet.number} ${capital(frontName(door.front))}`,
      view: `Plan, shut and at ${door.stopAngle}°`,
    },
    min,
    max,
    items,
    dimensions: cornerDimensions(solved, door, plan, wish.overlay.value),
  };
}

function region(tint: 'case' | 'front', a: DrawingPoint, b: DrawingPoint, shows: string): DrawingItem {
  return regionBetween(a, b, { tint, weight: 'outline', shows, cut: true });
}

function cornersOf(item: DrawingItem): readonly DrawingPoint[] {
  if (item.kind === 'region') return [item.from, item.to];
  if (item.kind === 'shape' || item.kind === 'line') return item.points;
  return [];
}

/** The open door as far as the corner is shown. */
function cropped(plan: PlanDoor, angle: number) {
  return doorAt({ ...plan, freeEdge: plan.hingeEdge + plan.hand * OPEN }, angle);
}

/** The ways of the hinge edge at the face and at the back. */
function swingPath(plan: PlanDoor, at: (x: number, y: number) => DrawingPoint): DrawingItem[] {
  const angles = Array.from({ length: Math.floor(plan.stopAngle / ARC_STEP) + 1 }, (_, n) => n * ARC_STEP);
  if (angles.at(-1) !== plan.stopAngle) angles.push(plan.stopAngle);
  return ([0, 3] as const).map((corner) => ({
    kind: 'line',
    weight: 'swing',
    points: angles.map((angle) => {
      const { x, y } = doorAt(plan, angle)[corner];
      return at(x, y);
    }),
  }));
}

function cornerDimensions(solved: HingedCabinet, door: HungDoor, plan: PlanDoor, overlay: number): DimensionItem[] {
  const { chosen, wish } = door;
  const thickness = length(plan.back - plan.face, 'door thickness');
  const items: DimensionItem[] = [
    { ...dimension('corner-thickness', 'right', 0, 0, plan.back - plan.face, thickness), caption: 'door' },
  ];
  const add = (caption: string, item: DimensionItem) => items.push({ ...item, caption });
  const edge = -overlay;
  if (Math.abs(overlay) > 0.01)
    add(
      overlay > 0 ? 'overlay' : 'inside the opening',
      dimension('corner-overlay', 'top', 0, Math.min(edge, 0), Math.max(edge, 0), wish.overlay),
    );
  if (chosen) items.push(...familyOf(chosen.profile).cornerDimensions(chosen, plan, door));
  if (wish.gap.value > 0.01 && wish.carcass === 'frameless')
    add('free', dimension('corner-gap', 'bottom', 0, edge - wish.gap.value, edge, wish.gap));
  const swing = stopSwing(plan);
  const asked = chosen && familyOf(chosen.profile).leastGap(chosen, solved.box.frontThickness.value);
  if (swing > 0.05) {
    const past = length(swing, 'the edge swings past its own line').because(
      `turning about one point; the maker's table asks ${(asked ?? swing).toFixed(1)} mm`,
    );
    add('swing', dimension('corner-swing', 'top', 0, edge - swing, edge, past));
  }
  return items;
}
