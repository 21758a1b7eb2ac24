import type { PlanDoor, PlanPoint } from '../cabinet/index.js';

/** A point that moves with the door, when the door stands at an angle (degrees). */
export function turned({ hand, pivot }: Pick<PlanDoor, 'hand' | 'pivot'>, point: PlanPoint, angle: number): PlanPoint {
  const radians = (angle * Math.PI) / 180;
  const [dx, dy] = [(point.x - pivot.x) * hand, point.y - pivot.y];
  return {
    x: pivot.x + hand * (dx * Math.cos(radians) + dy * Math.sin(radians)),
    y: pivot.y - dx * Math.sin(radians) + dy * Math.cos(radians),
  };
}

/** The four corners of the door at an angle: hinge edge at the face, free edge at the face, free edge and hinge edge at the back. */
export function doorAt(door: PlanDoor, angle: number): [PlanPoint, PlanPoint, PlanPoint, PlanPoint] {
  const { hingeEdge, freeEdge, face, back } = door;
  return [
    turned(door, { x: hingeEdge, y: face }, angle),
    turned(door, { x: freeEdge, y: face }, angle),
    turned(door, { x: freeEdge, y: back }, angle),
    turned(door, { x: hingeEdge, y: back }, angle),
  ];
}

/**
 * How far the hinge edge swings beyond its own line while the door opens to its stop angle (mm). Only what lies no
 * further forward than the face counts: there stands what is beside it.
 */
export function stopSwing(door: PlanDoor): number {
  let most = 0;
  for (let angle = 0; angle <= door.stopAngle; angle += 1) {
    const corners = doorAt(door, angle);
    for (const { x, y } of [corners[0], corners[3]])
      if (y >= door.face - 1e-6) most = Math.max(most, (door.hingeEdge - x) * door.hand);
  }
  return most;
}
