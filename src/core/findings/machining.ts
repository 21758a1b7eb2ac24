import { gather } from '../gather.js';
import type { Act } from '../job/index.js';
import { type Clash, clearOf, findClashes, holesNearEdges, type Operation } from '../machining/index.js';
import { type Part, sizeOf } from '../parts/index.js';
import { type FindingDraft, type FindingRule, type RuleContext, settingPath } from './finding.js';

/** Material that has to stay between two cuts, and between a hole and an edge (mm). */
const skinOf = ({ resolved }: Pick<RuleContext, 'resolved'>) => resolved.settings.fasteners.skin.mm;

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
      findClashes(takenIn(part, context), sizeOf(part), skinOf(context)).map((clash) => {
        const { a, b, left, u, v } = clash;
        const { show } = context;
        return {
          severity: left <= 0 ? 'stop' : 'warn',
          what: `On ${part.name.toLowerCase()} two operations ${left <= 0 ? 'meet' : `leave ${show(left)} between them`}: ${a.reason}, and ${b.reason}.`,
          why: `It is at ${show(u)} along and ${show(v)} across the part; at least ${show(skinOf(context))} has to stay. Move the hinge, the divider or the joint.`,
          parts: keys,
          at: { u, v },
          fixes: waysApart(context, part, clash),
        };
      }),
    ),
};

/** Changes that are known to part the two: each kind knows what it can do about its own. */
function waysApart(context: RuleContext, part: Part, clash: Clash): Act[] {
  return context.kinds.flatMap((kind) => {
    const own = [clash.a, clash.b].find(({ by }) => by.kind === kind.id);
    return own && kind.waysApart ? kind.waysApart(context, part, clash, own) : [];
  });
}

/** Whether an operation, changed one way or another, comes too near nothing else on the part. */
export function settling(context: RuleContext, part: Part, was: Operation): (changed: Operation) => boolean {
  const others = takenIn(part, context).filter((operation) => operation !== was);
  return clearOf(others, sizeOf(part), skinOf(context));
}

/** A hole so near an edge that it breaks out. */
const holeNearEdge: FindingRule = {
  id: 'machining/hole-near-edge',
  check: ({ rows, show, resolved }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] =>
      holesNearEdges(part.machining, sizeOf(part), skinOf({ resolved })).map(({ operation, left }) => ({
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
            operation.kind === 'holes' && (operation.depth?.mm ?? 0) > part.thickness.mm - skinOf(context) + 1e-6,
        );
      if (way?.kind !== 'holes' || !way.depth) return [];
      const { show } = context;
      const path = settingPath(context, 'fasteners/pocketReach');
      const value = Math.floor((part.thickness.mm - skinOf(context)) * 2) / 2;
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

/** A size of one unit is met by the like size of the other: 25 by 1 in, and the reverse (mm). */
const AS_MUCH = 0.5;

/** Screws whose way in an end or an edge is too short to hold. */
const screwHoldsLittle: FindingRule = {
  id: 'machining/screw-holds-little',
  check(context) {
    const { hold, screwLength } = context.resolved.settings.fasteners;
    const path = settingPath(context, 'fasteners/screwLength');
    const short = context.parts.flatMap((part) =>
      gather(context.paths.get(part.key) ?? [], (way) =>
        way.kind === 'edge holes' && HOLDING.has(way.by.kind) && way.depth.mm < hold.mm - AS_MUCH
          ? [{ part, way }]
          : [],
      ),
    );
    const [worst] = [...short].sort((a, b) => a.way.depth.mm - b.way.depth.mm);
    if (!worst) return [];
    const { show } = context;
    const value = Math.ceil((screwLength.mm + hold.mm - worst.way.depth.mm) / 5) * 5;
    return [
      {
        severity: 'stop',
        what: `Screws ${show(screwLength.mm)} long hold only ${show(Math.max(0, worst.way.depth.mm))} in ${[...new Set(short.map(({ part }) => part.name.toLowerCase()))].join(', ')}.`,
        why: `In an end or an edge they want ${show(hold.mm)}. Take longer ones.`,
        numbers: [worst.way.depth, hold],
        parts: [...new Set(short.map(({ part }) => part.key))],
        settings: [path, settingPath(context, 'fasteners/hold')],
        fixes: [{ label: `Take screws of ${show(value)}`, edits: [{ path, value }] }],
      },
    ];
  },
};

/** Whose screws hold the box. */
const HOLDING: ReadonlySet<string> = new Set(['joint', 'fixing']);

export const machiningRules: readonly FindingRule[] = [
  operationsMeet,
  holeNearEdge,
  screwThroughFace,
  screwHoldsLittle,
];
