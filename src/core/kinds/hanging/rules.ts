import type { FindingDraft } from '../../cabinet/index.js';
import { settingPath } from '../../decisions/index.js';
import { capital, within } from '../../ground/index.js';
import type { HangingRule } from './rule.js';

/** An end of a rail with nothing to be screwed to. */
const nothingCarries: HangingRule = {
  id: 'hanging/nothing-carries',
  check: ({ resolved, fitted }) =>
    fitted.hanging.flatMap(({ name, left, right }): FindingDraft[] => {
      if (left && right) return [];
      const ends = [...(left ? [] : ['left']), ...(right ? [] : ['right'])];
      return [
        {
          severity: 'stop',
          what: `The rail of ${within(name)} has nothing to be screwed to at the ${ends.join(' and the ')}.`,
          why: 'No side or partition ends there. Put a partition between the columns, or let the room be for something else.',
          settings: [settingPath({ resolved }, 'dividers/partitions')],
          fixes: [
            {
              label: 'Put partitions between the columns',
              edits: [{ path: settingPath({ resolved }, 'dividers/partitions'), value: 'partition' }],
            },
          ],
        },
      ];
    }),
};

/** What hangs on a rail stands out of the room. */
const tooShallow: HangingRule = {
  id: 'hanging/too-shallow',
  check: ({ fitted, resolved, show }) => {
    const { hangs } = resolved.settings.hanging;
    return fitted.hanging
      .filter(({ depth }) => depth.value < hangs.value)
      .map(({ name, depth }) => ({
        severity: 'warn',
        what: `${capital(name)} is ${show(depth.value)} deep; what hangs in it wants ${show(hangs.value)}.`,
        why: 'Sleeves catch in the doors. Make the cabinet deeper, or hang less wide things there and say so.',
        numbers: [depth, hangs],
        settings: [settingPath({ resolved }, 'hanging/hangs')],
      }));
  },
};

export const hangingRules: readonly HangingRule[] = [nothingCarries, tooShallow];
