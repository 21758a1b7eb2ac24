import type { FindingDraft, RuleContext } from '../../cabinet/index.js';
import { gather, within } from '../../ground/index.js';
import { type Hollowed, hollowedOf, meeting, type Part, sharedVolume } from '../../part/index.js';
import { type Meetings, stuckOf, unheld } from '../assembly/index.js';

/** A rule for what nobody thought of: it looks after all others and leaves alone what a stop of theirs names. */
interface GeneralRule {
  readonly id: string;
  check(context: RuleContext, named: ReadonlySet<string>, meetings: Meetings): FindingDraft[];
}

/** Parts may share this much, for rounding (mm³). */
const LEAST_SHARED = 5;

/** Shapes are made once for the parts that come into question. */
function shapes(): (part: Part) => Hollowed {
  const made = new Map<string, Hollowed>();
  return (part) => {
    let shape = made.get(part.key);
    if (!shape) {
      shape = hollowedOf(part);
      made.set(part.key, shape);
    }
    return shape;
  };
}

/** Two parts in one place, whatever brought them there. */
const twoInOnePlace: GeneralRule = {
  id: 'carcass/two-in-one-place',
  check({ parts, show }, named, { overlapping }) {
    const shape = shapes();
    return gather(overlapping, ([first, second]): FindingDraft[] => {
      const [a, b] = [parts[first] as Part, parts[second] as Part];
      if (named.has(a.key) || named.has(b.key)) return [];
      const room = meeting(a.extent, b.extent);
      if (!room || sharedVolume(shape(a), shape(b)) <= LEAST_SHARED) return [];
      const [x, y, z] = room.max.map((high, k) => show(high - room.min[k as 0])) as [string, string, string];
      return [
        {
          severity: 'stop',
          what: `${a.name} and ${within(b.name)} stand in one place, ${x} wide, ${y} deep and ${z} high.`,
          why: 'Two parts cannot fill the same space, and nothing is cut out of either to make room. Change the sizes or the construction of one of them.',
          parts: [a.key, b.key],
        },
      ];
    });
  },
};

/** Screws that leave their part where no wood is to hold them, or too near the edge of what is there. */
const screwInAir: GeneralRule = {
  id: 'carcass/screw-in-air',
  check(_context, named, { connections }) {
    const lost = new Map<Part, string>();
    for (const { from, into, leaving } of connections)
      if (!into && !lost.has(from) && !named.has(from.key)) lost.set(from, leaving.operation.reason);
    return [...lost].map(([part, reason]) => ({
      severity: 'stop',
      what: `Screws in ${within(part.name)} meet no wood: ${reason}.`,
      why: 'What they should hold does not lie behind them, or ends there. Change the joint, or the sizes of what is joined.',
      parts: [part.key],
    }));
  },
};

/** What hangs, lies on pins or is pressed on clips needs no fastener of the box. */
function restsOnFittings({ role, opening, placement }: Part, { resolved }: RuleContext): boolean {
  if (role === 'door' || role === 'drawer front' || role === 'drawer box' || role === 'cell') return true;
  if (role === 'shelf' && opening !== undefined) return true;
  // Runners and guides of wood are glued and pinned.
  if (role === 'packing' && placement.w[1] === 'z') return true;
  return role === 'plinth' && resolved.settings.toe.kind.value === 'legs';
}

/** Parts that nothing holds. */
const heldByNothing: GeneralRule = {
  id: 'carcass/held-by-nothing',
  check(context, named, meetings) {
    return unheld(context.parts, meetings)
      .filter((part) => !named.has(part.key) && !restsOnFittings(part, context))
      .map(({ name, key }) => ({
        severity: 'stop',
        what: `Nothing holds ${within(name)}.`,
        why: 'No screw, dowel or tenon finds wood in it, and it is let into nothing. Change its size or what it is joined to.',
        parts: [key],
      }));
  },
};

/** Parts that no order of assembly brings together. */
const noOrder: GeneralRule = {
  id: 'carcass/no-order-of-assembly',
  check({ parts, show }, named, { connections }) {
    if (named.size > 0) return [];
    const stuck = stuckOf(parts, connections);
    if (!stuck) return [];
    const name = (key: string) => within(parts.find((part) => part.key === key)?.name ?? key);
    const { screws } = stuck;
    return [
      {
        severity: 'stop',
        what: screws
          ? `The screws of ${name(screws.from)} into ${name(screws.into)} cannot be driven: ${name(screws.before)} stands ${show(screws.room)} before their heads.`
          : `${stuck.parts.slice(0, -1).map(name).join(', ')} and ${name(stuck.parts.at(-1) ?? '')} cannot be put together.`,
        why: screws
          ? 'Whatever is put in first, a driver has no room when their turn comes. Take another joint there, or make the opening wider.'
          : 'Each is let into the others, so that none of them can be the last. Take another joint for one of them.',
        parts: screws ? [screws.from, screws.into, screws.before] : stuck.parts,
      },
    ];
  },
};

export const generalRules: readonly GeneralRule[] = [twoInOnePlace, screwInAir, heldByNothing, noOrder];
