import type { JobHead } from '../document/index.js';
import { formatLengthWithUnit } from '../units/index.js';
import { backRules } from './backs.js';
import { carcassRules } from './carcass.js';
import type { BuiltCabinet, Finding, FindingRule, RuleContext, Severity } from './finding.js';
import { frontRules } from './fronts.js';
import { hingeRules } from './hinges.js';
import { machiningRules } from './machining.js';
import { materialRules } from './materials.js';
import { neighbourRules } from './neighbours.js';
import { shelfRules } from './shelves.js';
import { sizeRules } from './sizes.js';
import { swingRules } from './swings.js';

/** Every rule there is. A new family is one file and one line here. */
export const findingRules: readonly FindingRule[] = [
  ...sizeRules,
  ...carcassRules,
  ...backRules,
  ...frontRules,
  ...shelfRules,
  ...hingeRules,
  ...swingRules,
  ...machiningRules,
  ...materialRules,
];

/** Every rule about two cabinets side by side. */
export { neighbourRules };

const RANK: Record<Severity, number> = { stop: 0, warn: 1, note: 2 };

/** Runs every rule over one built cabinet; stops come first. */
export function checkCabinet(head: JobHead, built: BuiltCabinet): Finding[] {
  const context: RuleContext = { ...built, head, show: (mm) => formatLengthWithUnit(mm, head.display) };
  return findingRules
    .flatMap((rule) =>
      rule.check(context).map(
        (draft): Finding => ({
          rule: rule.id,
          cabinetId: built.cabinet.id,
          numbers: [],
          parts: [],
          settings: [],
          fixes: [],
          ...draft,
        }),
      ),
    )
    .sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}

/** Runs every rule over two cabinets that stand side by side. */
export function checkNeighbours(head: JobHead, left: BuiltCabinet, right: BuiltCabinet): Finding[] {
  const show = (mm: number) => formatLengthWithUnit(mm, head.display);
  return neighbourRules.flatMap((rule) =>
    rule
      .check(left, right, show)
      .map((draft): Finding => ({ rule: rule.id, numbers: [], parts: [], settings: [], fixes: [], ...draft })),
  );
}

export type { BuiltCabinet, Finding, FindingRule, Severity } from './finding.js';
export { neighbourShift } from './neighbours.js';
