import type {
  AnyKind,
  BuiltCabinet,
  Finding,
  FindingDraft,
  FindingRule,
  Named,
  RuleContext,
  Severity,
} from '../../cabinet/index.js';
import { type Act, actOf, type Cabinet, pathOf } from '../../decisions/index.js';
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

/** What a rule said of cabinets that are decided alike, before it is told of one of them. */
export interface Said {
  readonly rule: string;
  readonly draft: FindingDraft;
  /** Which of those of its rule it is. */
  readonly at: number;
}

/** A finding with what its rule proposes. */
export interface Proposed {
  readonly finding: Finding;
  /** Made when somebody asks. */
  fixes(): readonly Act[];
}

/** Runs every rule over a built cabinet, whichever it is; stops come first. */
export function checkDesign(built: BuiltCabinet, kinds: readonly AnyKind[]): Said[] {
  const context = contextOf(built, kinds);
  const all = (rule: string, drafts: readonly FindingDraft[]): Said[] =>
    drafts.map((draft, at) => ({ rule, draft, at }));
  const said = gather(rulesOf(kinds), (rule) => all(rule.id, rule.check(context)));
  const named = new Set<string>();
  const name = (findings: readonly Said[]) => {
    for (const {
      draft: { severity, parts = [] },
    } of findings)
      if (severity === 'stop') for (const key of parts) named.add(key);
    return findings;
  };
  name(said);
  const found = [...said];
  const meetings = meetingsOf(built.parts, context.fasteners);
  // Each of these leaves alone what those before it named.
  for (const rule of generalRules) found.push(...name(all(rule.id, rule.check(context, named, meetings))));
  return found.sort((a, b) => RANK[a.draft.severity] - RANK[b.draft.severity]);
}

/** What refuses the act that brought a cabinet there; the few rules that do are asked with each act, the others later. */
export function refusalOf(built: Named, kinds: readonly AnyKind[]): Finding | undefined {
  const context = contextOf(built, kinds);
  for (const { id, check } of rulesOf(kinds).filter(({ refuses }) => refuses)) {
    const [draft] = check(context);
    if (draft?.refuses) return told(built.cabinet, { rule: id, draft, at: 0 }).finding;
  }
  return undefined;
}

const findingId = keyForm(':within/*rule/:number');
/** The cabinet, or the two, that a finding of this id was found in. */
export const cabinetOf = (id: string): string | undefined => findingId.read(id)?.within;

/** What was said of cabinets decided alike, told of one of them. */
export function told(cabinet: Pick<Cabinet, 'id'>, { rule, draft, at }: Said, within = cabinet.id): Proposed {
  const { fixes = [], settings = [], ...said } = draft;
  return {
    finding: {
      numbers: [],
      parts: [],
      ...said,
      settings: settings.map((path) => pathOf(cabinet, path)),
      id: findingId.of({ within, rule, number: at + 1 }),
      rule,
      cabinetId: cabinet.id,
    },
    fixes: () => (typeof fixes === 'function' ? fixes() : fixes).map((fix) => actOf(cabinet, fix)),
  };
}

/** Runs every rule over two cabinets that stand side by side. */
export function checkNeighbours(left: Named, right: Named, kinds: readonly AnyKind[]): Proposed[] {
  const show = (mm: number) => formatLengthWithUnit(mm, left.head.display);
  // A cabinet has two neighbours: both are in the name of what is found between it and one of them.
  const between = `${left.cabinet.id}+${right.cabinet.id}`;
  return [...standingNeighbourRules, ...kinds.flatMap(({ neighbourRules = [] }) => neighbourRules)].flatMap((rule) =>
    rule
      .check(left as never, right as never, show)
      .map(({ cabinetId, ...draft }, at) => told({ id: cabinetId }, { rule: rule.id, draft, at }, between)),
  );
}
