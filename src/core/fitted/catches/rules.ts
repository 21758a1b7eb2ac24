import { type FindingDraft, type FindingRule, keysOf, settingPath } from '../../findings/index.js';
import { frontName } from '../../fronts/index.js';
import { capital } from '../../words.js';

/** A catch with nothing to be screwed to. */
const nothingCarries: FindingRule = {
  id: 'catches/nothing-carries',
  check: ({ cabinet, fitted: { catches }, fronts }) =>
    catches.flatMap(({ frontKey, carrier }): FindingDraft[] => {
      const front = fronts.find(({ key }) => key === frontKey);
      if (carrier !== undefined || !front) return [];
      const path = settingPath({ cabinet }, 'catches/doors');
      return [
        {
          severity: 'warn',
          what: `${capital(frontName(front))} has no upright or shelf its catch could be screwed to.`,
          why: 'It is not bored. A shelf or a partition would carry it; damped or snap hinges need none.',
          parts: keysOf(front),
          settings: [path],
          fixes: [{ label: 'Fit no catches', edits: [{ path, value: 'none' }] }],
        },
      ];
    }),
};

export const catchRules: readonly FindingRule[] = [nothingCarries];
