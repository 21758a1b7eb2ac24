import type { Act } from '../job/index.js';
import { loadedShelf, longestSpan, shelfSag, smallestStrip } from '../shelves/index.js';
import type { FindingDraft, FindingRule } from './finding.js';

/** A shelf that hangs more than it may under its load, with the smallest strip that would hold it. */
const sags: FindingRule = {
  id: 'shelves/sags',
  check({ cabinet, rows, resolved, show }) {
    return rows.flatMap(({ part, keys }): FindingDraft[] => {
      const shelf = loadedShelf(part, resolved);
      if (!shelf || shelf.span.mm <= 0 || shelf.depth.mm <= 0) return [];
      const sag = shelfSag(shelf);
      if (sag.passes) return [];
      const { stripThickness } = resolved.settings.shelves;
      const height =
        part.role === 'shelf' ? smallestStrip(shelf, stripThickness, resolved.materials.frame.material) : undefined;
      const strip: Act[] =
        height === undefined
          ? []
          : [
              {
                label: `Glue a strip ${show(height)} high to the front`,
                edits: [{ path: `cabinets/${cabinet.id}/settings/shelves/stripHeight`, value: height }],
              },
            ];
      return [
        {
          severity: 'warn',
          what: `${part.name} sags ${show(sag.lasting.mm)} in time under ${shelf.load}; ${show(sag.allowed.mm)} is allowed.`,
          why: `At this thickness it carries that load up to ${show(longestSpan(shelf))}. ${height === undefined ? 'A partition, or a thicker shelf, shortens the sag.' : 'A strip, a thicker shelf or a partition shortens the sag.'}`,
          numbers: [sag.lasting, sag.allowed],
          parts: keys,
          settings: [`cabinets/${cabinet.id}/settings/shelves/load`],
          fixes: strip,
        },
      ];
    });
  },
};

export const shelfRules: readonly FindingRule[] = [sags];
