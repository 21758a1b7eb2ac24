import { frontName, keysOf } from '../../build/index.js';
import type { FindingDraft } from '../../cabinet/index.js';
import { settingPath } from '../../decisions/index.js';
import { TOLERANCE_MM } from '../../ground/index.js';
import { pullProfilesOf } from './profile.js';
import type { PullRule } from './rule.js';

/** A pull the library does not have. */
const pullMissing: PullRule = {
  id: 'fronts/pull-missing',
  check(context) {
    const { fronts, resolved } = context;
    const { pulls } = resolved.settings;
    const library = pullProfilesOf(context.head);
    return (['doors', 'drawers'] as const).flatMap((which): FindingDraft[] => {
      const { value } = pulls[which];
      const used = fronts.some(({ kind }) => kind === (which === 'doors' ? 'door' : 'drawer'));
      if (!used || value === 'none' || library.some(({ id }) => id === value)) return [];
      const path = settingPath(context, `pulls/${which}`);
      return [
        {
          severity: 'warn',
          what: `The pull "${value}" on the ${which} is not in the library.`,
          why: 'Its holes cannot be placed. Choose one the library has, or bring the library it stands in.',
          settings: [path],
          fixes: [
            ...library.slice(0, 2).map(({ id, name }) => ({ label: `Take the ${name}`, edits: [{ path, value: id }] })),
            { label: 'Bore none', edits: [{ path, value: 'none' }] },
          ],
        },
      ];
    });
  },
};

/** A pull that reaches beyond its front. */
const pullTooLong: PullRule = {
  id: 'fronts/pull-too-long',
  check: ({ fronts, fitted: { pulls }, resolved, show }) =>
    pulls.flatMap(({ frontKey, profile, extent }): FindingDraft[] => {
      const front = fronts.find(({ key }) => key === frontKey);
      if (!front) return [];
      const over = Math.max(
        front.h.low.value - extent.min[0],
        extent.max[0] - front.h.high.value,
        front.v.low.value - extent.min[2],
        extent.max[2] - front.v.high.value,
      );
      if (over <= TOLERANCE_MM) return [];
      return [
        {
          severity: 'warn',
          what: `The ${profile.name} stands ${show(over)} over the edge of ${frontName(front)}.`,
          why: 'It is longer than the front has room for, or too near the corner. Take a shorter one or move it.',
          numbers: [front.h.size, front.v.size],
          parts: keysOf(front),
          settings: [settingPath({ resolved }, `pulls/${front.like === 'door' ? 'doors' : 'drawers'}`)],
        },
      ];
    }),
};

export const pullRules: readonly PullRule[] = [pullMissing, pullTooLong];
