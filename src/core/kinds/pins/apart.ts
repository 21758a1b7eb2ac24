import { pinLines } from '../../build/index.js';
import { type ProposedAct, settingPath } from '../../decisions/index.js';
import { type Clash, edgeOf, type Operation, type Part, toCabinet } from '../../part/index.js';
import type { PinRuleContext } from './context.js';

/** The rear line shifted forward by a step, or the column kept further from the ends of its opening. */
export function pinsApart(
  context: PinRuleContext,
  part: Part,
  clash: Clash,
  pins: Operation,
  settles: (changed: Operation) => boolean,
): ProposedAct[] {
  if (pins.kind !== 'holes') return [];
  const { grid, box, resolved, bays, show } = context;
  if (!grid || !part.receives) return [];
  const [start, edge] = [edgeOf(part, 'u0').value, edgeOf(part, 'v0').value];
  const { settings } = resolved;
  const acts: ProposedAct[] = [];
  const bay = bays.find(({ left, right }) => left?.key === part.key || right?.key === part.key);
  const { front, rear } = pinLines(box, resolved, grid, bay?.stopsAt);
  const onRear = rear && Math.abs(pins.offset.value + edge - rear.value) < 0.05;
  if (onRear) {
    const shifted = { ...pins, offset: pins.offset.minus(grid.step) };
    const steps = settings.pins.rear.value === 'steps';
    const path = settingPath(context, steps ? 'pins/rearClear' : 'pins/rearSet');
    const value = (steps ? settings.pins.rearClear.value : settings.pins.rearSet.value) + grid.step.value;
    if (settles(shifted) && value <= 200)
      acts.push({ label: `Bring the rear line forward by ${show(grid.step.value)}`, edits: [{ path, value }] });
  }
  if (Math.abs(pins.offset.value + edge - front.value) < 0.05) {
    const back = Array.from({ length: MOST_SHIFT }, (_, n) => n + 1).find((more) =>
      settles({ ...pins, offset: pins.offset.plus(more) }),
    );
    if (back !== undefined && (!rear || rear.value - front.value - back >= grid.step.value)) {
      const value = settings.pins.front.value + back;
      const path = settingPath(context, 'pins/front');
      acts.push({ label: `Set the front line back to ${show(value)}`, edits: [{ path, value }] });
    }
  }
  if (bay) {
    const z = toCabinet(part.placement, clash.u, clash.v, 0)[2];
    const { low, high } = bay.room.inside.v;
    const ends = Math.ceil(Math.min(z - low.value, high.value - z) + grid.step.value / 2);
    const kept = pins.positions.filter(({ value: mm }) => {
      const height = mm + start;
      const standing = bay.places.some(
        ({ underside }) => Math.abs(underside.value - height) < settings.pins.diameter.value,
      );
      return standing || (height >= low.value + ends && height <= high.value - ends);
    });
    if (ends > settings.pins.ends.value && ends <= 400 && kept.length > 0 && kept.length < pins.positions.length)
      if (settles({ ...pins, positions: kept }))
        acts.push({
          label: `Begin the column ${show(ends)} from the ends of its opening`,
          edits: [{ path: settingPath(context, 'pins/ends'), value: ends }],
        });
  }
  return acts;
}

/** The front line is set back no further than this to part two operations (mm). */
const MOST_SHIFT = 40;
