import type {
  AnyKind,
  BuiltCabinet,
  Finding,
  FindingDraft,
  FindingRule,
  RuleContext,
  Severity,
} from '../../cabinet/index.js';
import { formatLengthWithUnit, gather } from '../../ground/index.js';
import { fastenersOf, keyForm } from '../../part/index.js';
import { meetingsOf } from '../assembly/index.js';
import { backRules } from './backs.js';
import { carcassRules } from './carcass.js';
import { cutRules } from './cuts.js';
import { decidedRules } from './decided.js';
import { decidedPartRules } from './decidedParts.js';
import { framedFrontRules } from './framedFronts.js';
import { frameRules } from './frames.js';
import { frontRules } from './fronts.js';
import { generalRules } from './general.js';
import { interiorRules } from './interiors.js';
import { machiningRules } from './machining.js';
import { materialRules } from './materials.js';
import type { FindingsMemo, Proposed, Wanted } from './memo.js';
import { sheetRules } from './sheets.js';
import { shelfRules } from './shelves.js';
import { sizeRules } from './sizes.js';
import { standingNeighbourRules, standingRules } from './standing.js';
import { zoneRules } from './zones.js';

/** Every rule about the construction; those about what is fitted stand in their kinds. A new family is one file and one line here. */
const constructionRules: readonly FindingRule[] = [
  ...sizeRules,
  ...sheetRules,
  ...carcassRules,
  ...cutRules,
  ...frameRules,
  ...backRules,
  ...frontRules,
  ...framedFrontRules,
  ...interiorRules,
  ...standingRules,
  ...zoneRules,
  ...shelfRules,
  ...machiningRules,
  ...materialRules,
  ...decidedRules,
  ...decidedPartRules,
];

const known = new WeakMap<readonly AnyKind[], readonly FindingRule[]>();

/** Every rule there is, about the construction and about each kind of fitted thing. */
export function rulesOf(kinds: readonly AnyKind[]): readonly FindingRule[] {
  let rules = known.get(kinds);
  if (!rules) {
    rules = [...constructionRules, ...kinds.flatMap((kind) => kind.rules ?? [])];
    known.set(kinds, rules);
  }
  return rules;
}

const RANK: Record<Severity, number> = { stop: 0, warn: 1, note: 2 };

const contextOf = (built: BuiltCabinet, kinds: readonly AnyKind[]): RuleContext => ({
  partings: kinds,
  ...built,
  fasteners: fastenersOf(built.parts),
  show: (mm) => formatLengthWithUnit(mm, built.head.display),
});

/** Runs every rule over one built cabinet, but for those that had nothing to say of one decided alike; stops come first. */
export function checkCabinet(built: BuiltCabinet, kinds: readonly AnyKind[], memo?: FindingsMemo): Proposed[] {
  const by = (wanted: Wanted) => runRules(built, kinds, wanted);
  return memo ? memo.found(built, by) : by(() => true);
}

/** What refuses the act that brought a cabinet there; the few rules that do are asked with each act, the others later. */
export function refusalOf(built: BuiltCabinet, kinds: readonly AnyKind[]): Finding | undefined {
  const context = contextOf(built, kinds);
  for (const rule of rulesOf(kinds).filter(({ refuses }) => refuses)) {
    const [draft] = rule.check(context);
    if (draft?.refuses) return findingFrom(draft, rule.id, built.cabinet.id, 0).finding;
  }
  return undefined;
}

function runRules(built: BuiltCabinet, kinds: readonly AnyKind[], wanted: Wanted): Proposed[] {
  const context = contextOf(built, kinds);
  const all = (id: string, drafts: readonly FindingDraft[]) =>
    drafts.map((draft, at) => findingFrom(draft, id, built.cabinet.id, at));
  const said = gather(rulesOf(kinds), (rule) => (wanted(rule) ? all(rule.id, rule.check(context)) : []));
  const named = new Set<string>();
  const name = (findings: readonly Proposed[]) => {
    for (const {
      finding: { severity, parts },
    } of findings)
      if (severity === 'stop') for (const key of parts) named.add(key);
    return findings;
  };
  name(said);
  const found = [...said];
  const general = generalRules.filter(wanted);
  if (general.length > 0) {
    const meetings = meetingsOf(built.parts, context.fasteners);
    // Each of these leaves alone what those before it named.
    for (const rule of general) found.push(...name(all(rule.id, rule.check(context, named, meetings))));
  }
  return found.sort((a, b) => RANK[a.finding.severity] - RANK[b.finding.severity]);
}

const findingId = keyForm(':within/*rule/:number');
/** The cabinet, or the two, that a finding of this id was found in. */
export const cabinetOf = (id: string): string | undefined => findingId.read(id)?.within;

/** A finding from what its rule said. */
function findingFrom(
  { fixes = [], ...draft }: FindingDraft,
  rule: string,
  cabinetId: string,
  at: number,
  within = cabinetId,
): Proposed {
  return {
    finding: {
      numbers: [],
      parts: [],
      settings: [],
      ...draft,
      id: findingId.of({ within, rule, number: at + 1 }),
      rule,
      cabinetId,
    },
    fixes,
  };
}

/** Runs every rule over two cabinets that stand side by side. */
export function checkNeighbours(left: BuiltCabinet, right: BuiltCabinet, kinds: readonly AnyKind[]): Proposed[] {
  const show = (mm: number) => formatLengthWithUnit(mm, left.head.display);
  // A cabinet has two neighbours: both are in the name of what is found between it and one of them.
  const between = `${left.cabinet.id}+${right.cabinet.id}`;
  return [...standingNeighbourRules, ...kinds.flatMap(({ neighbourRules = [] }) => neighbourRules)].flatMap((rule) =>
    rule
      .check(left as never, right as never, show)
      .map(({ cabinetId, ...draft }, at) => findingFrom(draft, rule.id, cabinetId, at, between)),
  );
}

export { FindingsMemo, type Proposed } from './memo.js';
