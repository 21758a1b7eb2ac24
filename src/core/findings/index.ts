import type { JobHead } from '../job/index.js';
import { formatLengthWithUnit } from '../units/index.js';
import { carcassRules } from './carcass.js';
import type { BuiltCabinet, Finding, FindingRule, RuleContext, Severity } from './finding.js';
import { frontRules } from './fronts.js';
import { hingeRules } from './hinges.js';
import { machiningRules } from './machining.js';
import { materialRules } from './materials.js';
import { shelfRules } from './shelves.js';
import { sizeRules } from './sizes.js';

/** Every rule there is. A new family is one file and one line here. */
export const findingRules: readonly FindingRule[] = [
  ...sizeRules,
  ...carcassRules,
  ...frontRules,
  ...shelfRules,
  ...hingeRules,
  ...machiningRules,
  ...materialRules,
];

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

export type { BuiltCabinet, Finding, FindingRule, Severity } from './finding.js';
