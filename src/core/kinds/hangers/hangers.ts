import { weightOf } from '../../build/index.js';
import type { Occupied } from '../../cabinet/index.js';
import type { Dim } from '../../ground/index.js';
import { type Operation, type Part, SAME_PLANE } from '../../part/index.js';
import { contentsOf } from '../carried.js';
import { clearMove, movedUp, pairOfScrews } from '../paired.js';
import { type Against, fromSheet, pilotIn } from '../profile.js';
import type { HangerContext } from './context.js';
import type { HangerProfile } from './profile.js';

/** What a wall cabinet hangs by, as plain data. */
export interface FittedHangers {
  /** Weight of box, fronts and boxes, and of what may be put in (kg). */
  readonly weight: Dim;
  readonly contents: Dim;
  readonly profile: HangerProfile | undefined;
  readonly against: readonly Against[];
  /** How many the load wants, two at least, and how many uprights there are to carry one. */
  readonly wanted: number;
  readonly room: number;
  /** Keys of what carries one. */
  readonly carriers: readonly string[];
  /** Middle of the screws, above the underside of the box and behind its front edge. */
  readonly up: Dim | undefined;
  readonly behind: Dim | undefined;
}

export interface Hangers {
  readonly fitted: FittedHangers;
  readonly operations: readonly (readonly [key: string, operation: Operation])[];
  readonly occupied: readonly Occupied[];
}

/** Hangers move down or up by these to stand clear of what is cut (mm). */
const MOVES = [0, -8, -16, 8, -24, -32, -40, -56];

/** Hangers in the upper corners, and on partitions between where two do not carry it. */
export function hangUp(context: HangerContext, profiles: readonly HangerProfile[]): Hangers | undefined {
  const { cabinet, parts, box, resolved } = context;
  const { hangers } = resolved.settings;
  if (cabinet.kind !== 'wall' || hangers.fitted.value !== 'hangers') return undefined;
  const weight = weightOf(parts).as('weight of the box with its fronts');
  const contents = contentsOf(context);
  const whole = weight.plus(contents).value;
  const reaches = ({ extent }: Part) => extent.max[2] >= box.topUnderside.value - SAME_PLANE;
  const sides = ['left', 'right'].flatMap((hand) => parts.find(({ key }) => key === `side/${hand}`) ?? []);
  const partitions = parts.filter((part) => part.role === 'partition' && reaches(part));
  const room = sides.length + partitions.length;
  const count = ({ load }: HangerProfile) => Math.max(2, Math.ceil(whole / load - 1e-9));
  const { profile, against } = choose(profiles, hangers.choice.value, (each) => count(each) <= room, whole);
  const wanted = profile ? count(profile) : 2;
  const said = { weight, contents, profile, against, wanted, room };
  if (!profile)
    return { fitted: { carriers: [], ...said, up: undefined, behind: undefined }, operations: [], occupied: [] };
  // The sides first, then partitions from the middle outwards.
  const middle = box.width.value / 2;
  const inner = [...partitions].sort((a, b) => Math.abs(a.extent.min[0] - middle) - Math.abs(b.extent.min[0] - middle));
  const carriers = [...sides, ...inner].slice(0, wanted).map((part) => ({
    part,
    hand: part.key === 'side/right' ? ('right' as const) : ('left' as const),
  }));
  const usual = box.topUnderside.minus(fromSheet(profile, 'down', 'hanger below the top')).as('middle of the hangers');
  const behind = box.clearDepth
    .minus(fromSheet(profile, 'beforeBack', 'hanger in front of the back'))
    .as('hangers behind the front edge');
  const screws = {
    behind,
    apart: fromSheet(profile, 'apart', 'screws of the hanger apart'),
    diameter: fromSheet(profile, 'pilot/diameter', 'pilot hole'),
    depth: fromSheet(profile, 'pilot/depth', 'pilot depth'),
  };
  const up = movedUp(usual, clearMove(carriers, { up: usual, ...screws }, MOVES), 'middle of the hangers');
  return {
    fitted: { up, ...said, carriers: carriers.map(({ part }) => part.key), behind },
    operations: carriers.map(({ part, hand }) => [
      part.key,
      pairOfScrews(part, hand, {
        up,
        ...screws,
        depth: pilotIn(screws.depth, part.thickness),
        reason: `hanger: ${profile.name}`,
        by: { kind: 'hangers' },
        use: 'wall hangers',
      }),
    ]),
    occupied: carriers.map(({ part, hand }) => roomOf(part, hand, profile, context)),
  };
}

/** Of what carries it, in stock first, the lightest; else the strongest, and a finding says that it is too weak. */
function choose(
  profiles: readonly HangerProfile[],
  decided: string,
  carries: (profile: HangerProfile) => boolean,
  whole: number,
): { profile: HangerProfile | undefined; against: Against[] } {
  const asked = decided === 'none' ? profiles : profiles.filter(({ id }) => id === decided);
  const [profile] = [...asked].sort(
    (a, b) =>
      Number(carries(b)) - Number(carries(a)) ||
      (carries(a) ? Number(b.stock) - Number(a.stock) || a.load - b.load : b.load - a.load),
  );
  const against = profiles
    .filter((each) => each !== profile)
    .map((each): Against => {
      const { id, name } = each;
      if (!asked.includes(each)) return { profile: id, name, why: 'another one was decided', unasked: true };
      if (!carries(each))
        return { profile: id, name, why: `carries ${each.load} kg, and ${Math.round(whole)} may hang` };
      return { profile: id, name, why: each.stock ? 'carries it, and is stronger' : 'carries it, but is not in stock' };
    });
  return { profile, against };
}

function roomOf(part: Part, hand: 'left' | 'right', { body, name }: HangerProfile, { box }: HangerContext): Occupied {
  const inner = hand === 'left' ? part.extent.max[0] : part.extent.min[0];
  const [low, high] = hand === 'left' ? [inner, inner + body.out] : [inner - body.out, inner];
  const [top, back] = [box.topUnderside.value, box.clearDepth.value];
  return { by: 'hangers', name, extent: { min: [low, back - body.deep, top - body.high], max: [high, back, top] } };
}
