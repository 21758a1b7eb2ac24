import { type ProposedAct, settingPath } from '../../decisions/index.js';
import { type Clash, type Operation, type Part, toCabinet } from '../../part/index.js';
import { freeHeightsOf } from './hang.js';
import type { HungDoor } from './hung.js';
import type { HingeRuleContext } from './rule.js';
import { LEAST_APART, moveHinge } from './rules.js';

/** Another height for the hinge, or the pin grid for all of them. */
export function hingeApart(
  context: HingeRuleContext,
  part: Part,
  clash: Clash,
  hinge: Operation,
  settles: (changed: Operation) => boolean,
): ProposedAct[] {
  const acts = hingeElsewhere(context, part, clash, hinge, settles);
  const pins = [clash.a, clash.b].some(({ by }) => by.kind === 'pins');
  if (pins && context.resolved.settings.hinges.snap.value !== 'grid')
    acts.push({
      label: 'Put the hinges on the pin grid',
      edits: [{ path: settingPath(context, 'hinges/snap'), value: 'grid' }],
    });
  return acts;
}

/** The next free height for the hinge that is meant, on the grid where hinges stand on it. */
function hingeElsewhere(
  context: HingeRuleContext,
  part: Part,
  { u, v }: Clash,
  hinge: Operation,
  settles: (changed: Operation) => boolean,
): ProposedAct[] {
  const door = context.fitted.hinges.find(({ front }) => front.key === hinge.by.front);
  if (!door || !('positions' in hinge)) return [];
  const z = toCabinet(part.placement, u, v, 0)[2];
  const heights = door.places.map(({ onCase }) => onCase.value);
  const at = heights.reduce(
    (best, height, n) => (Math.abs(height - z) < Math.abs((heights[best] ?? 0) - z) ? n : best),
    0,
  );
  const own = heights[at];
  if (own === undefined) return [];
  const per = hinge.positions.length / heights.length;
  const next = freeHeightsOf(door, context)
    .filter((height) => Math.abs(height - own) > 1 && clearOfOthers(door, at, height))
    .sort((a, b) => Math.abs(a - own) - Math.abs(b - own))
    .find((height) => {
      const positions = hinge.positions.map((position, n) =>
        Math.floor(n / per) === at ? position.plus(height - own) : position,
      );
      return settles({ ...hinge, positions } as Operation);
    });
  return next === undefined ? [] : [moveHinge(context, door, at, next)];
}

function clearOfOthers({ places }: HungDoor, at: number, height: number): boolean {
  return places.every(({ onCase }, n) => n === at || Math.abs(onCase.value - height) >= LEAST_APART);
}
