import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { type ProposedAct, settingPath } from '../../decisions/index.js';
import { gather } from '../../ground/index.js';
import {
  AS_MUCH,
  type Clash,
  CONSTRUCTION,
  clearOf,
  findClashes,
  holesNearEdges,
  type Operation,
  type Part,
  sizeOf,
  soldFrom,
} from '../../part/index.js';

/** Material that has to stay between two cuts, and between a hole and an edge (mm). */
const skinOf = ({ resolved }: Pick<RuleContext, 'resolved'>) => resolved.settings.fasteners.skin.value;

/** Everything that is cut or bored in a part, and the lines screws take in it. */
function takenIn(part: Part, { screwLines }: RuleContext): readonly Operation[] {
  const lines = screwLines.get(part.key);
  return lines ? [...part.machining, ...lines] : part.machining;
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
function waysApart(context: RuleContext, part: Part, clash: Clash): ProposedAct[] {
  return context.partings.flatMap(({ id, apart }) => {
    const own = [clash.a, clash.b].find(({ by }) => by.kind === id);
    return own && apart ? apart(context as never, part, clash, own, settling(context, part, own)) : [];
  });
}

/** Whether an operation, changed one way or another, comes too near nothing else on the part. */
function settling(context: RuleContext, part: Part, was: Operation): (changed: Operation) => boolean {
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

/** A pocket screw that comes out of the far face of what it is driven into, or near it. */
const screwThroughFace: FindingRule = {
  id: 'machining/screw-through-face',
  check(context) {
    const { fasteners, parts, show } = context;
    const pocketed = gather(fasteners, ({ fastens }) =>
      fastens.kind === 'pocket screw' && !fastens.inEdge ? [fastens] : [],
    );
    return [...new Set(pocketed.map(({ into }) => into))].flatMap((key): FindingDraft[] => {
      const part = parts.find((each) => each.key === key);
      if (!part) return [];
      const most = part.thickness.value - skinOf(context);
      const through = pocketed.find(({ into, reach }) => into === key && reach.value > most + 1e-6);
      if (!through) return [];
      const { reach } = through;
      const path = settingPath(context, 'fasteners/pocketReach');
      const value = Math.floor(most * 2) / 2;
      return [
        {
          severity: reach.value >= part.thickness.value ? 'stop' : 'warn',
          what: `A pocket screw goes ${show(reach.value)} into ${part.name.toLowerCase()}, which is ${show(part.thickness.value)} thick.`,
          why: 'It comes through the other face, or lifts it. Take a shorter screw.',
          numbers: [reach, part.thickness],
          parts: [part.key],
          settings: [path],
          fixes: value >= 4 ? [{ label: `Let it reach ${show(value)}`, edits: [{ path, value }] }] : [],
        },
      ];
    });
  },
};

/** Screws that go too little way into an end or an edge to hold. */
const screwHoldsLittle: FindingRule = {
  id: 'machining/screw-holds-little',
  check(context) {
    const { fasteners, parts, show } = context;
    const { hold, screwLength, screwStep } = context.resolved.settings.fasteners;
    const short = gather(fasteners, ({ fastens }) =>
      fastens.inEdge &&
      fastens.kind === 'screw' &&
      fastens.use === CONSTRUCTION &&
      fastens.reach.value < hold.value - AS_MUCH
        ? [fastens]
        : [],
    );
    const [worst] = [...short].sort((a, b) => a.reach.value - b.reach.value);
    if (!worst) return [];
    const into = parts.filter(({ key }) => short.some((row) => row.into === key));
    const narrow = worst.size.length.value < screwLength.value;
    const path = settingPath(context, 'fasteners/screwLength');
    const value = soldFrom(worst.size.length.plus(hold).minus(worst.reach), screwStep).value;
    return [
      {
        severity: 'stop',
        what: `Screws ${show(worst.size.length.value)} long hold only ${show(Math.max(0, worst.reach.value))} in ${[...new Set(into.map(({ name }) => name.toLowerCase()))].join(', ')}.`,
        why: `In an end or an edge they want ${show(hold.value)}. ${narrow ? 'Longer ones would come out of it: make it wider, or join it otherwise.' : 'Take longer ones.'}`,
        numbers: [worst.reach, hold],
        parts: into.map(({ key }) => key),
        settings: [path, settingPath(context, 'fasteners/hold')],
        fixes: narrow ? [] : [{ label: `Take screws of ${show(value)}`, edits: [{ path, value }] }],
      },
    ];
  },
};

export const machiningRules: readonly FindingRule[] = [
  operationsMeet,
  holeNearEdge,
  screwThroughFace,
  screwHoldsLittle,
];
