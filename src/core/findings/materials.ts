import type { MaterialRole } from '../document/index.js';
import { pathTo, spreadOf } from '../job/index.js';
import type { FindingDraft, FindingRule } from './finding.js';

/** Readings of one batch that differ by more than this are not one thickness (mm). */
const MOST_SPREAD = 0.3;

const unevenBatch: FindingRule = {
  id: 'materials/uneven-batch',
  check({ resolved, rows, show }) {
    const seen = new Set<string>();
    return (Object.keys(resolved.materials) as MaterialRole[]).flatMap((role): FindingDraft[] => {
      const { material, thickness } = resolved.materials[role];
      if (seen.has(material.id)) return [];
      seen.add(material.id);
      const spread = spreadOf(material);
      if (spread <= MOST_SPREAD || !rows.some((row) => row.part.material.id === material.id)) return [];
      return [
        {
          severity: 'warn',
          what: `The readings of ${material.name} differ by ${show(spread)}.`,
          why: 'Parts figured from the mean will be off by up to half of that at each joint. Sort the sheets or measure again.',
          numbers: [thickness],
          settings: [pathTo.materialField(material.id, 'measured/readings')],
        },
      ];
    });
  },
};

export const materialRules: readonly FindingRule[] = [unevenBatch];
