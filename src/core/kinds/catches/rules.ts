import { frontName, keysOf } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { settingPath } from '../../decisions/index.js';
import { capital } from '../../ground/index.js';
import type { CatchRule } from './rule.js';

/** A catch with nothing to be screwed to. */
const nothingCarries: CatchRule = {
  id: 'catches/nothing-carries',
  check: ({ resolved, fitted: { catches }, fronts }) =>
    catches.flatMap(({ frontKey, carrier }): FindingDraft[] => {
      const front = fronts.find(({ key }) => key === frontKey);
      if (carrier !== undefined || !front) return [];
      const path = settingPath({ resolved }, 'catches/doors');
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

export const catchRules: readonly CatchRule[] = [nothingCarries];
