import { endShows } from '../../build/index.js';
import type { FindingDraft, FindingRule, RuleContext } from '../../cabinet/index.js';
import { type MaterialRole, pathTo, spreadOf } from '../../decisions/index.js';
import { capital, within } from '../../ground/index.js';
import type { Part } from '../../part/index.js';

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

/** So many parts are named one by one. */
const NAMED = 4;

function named(parts: readonly Part[]): string {
  const names = parts.slice(0, NAMED).map(({ name }) => within(name));
  const more = parts.length - names.length;
  return `${names.join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
}

/** Parts by their sheet material, of those for which something holds. */
function byMaterial(parts: readonly Part[]): [Part['material'], Part[]][] {
  const found = new Map<Part['material'], Part[]>();
  for (const part of parts) found.set(part.material, [...(found.get(part.material) ?? []), part]);
  return [...found];
}

/** A sheet with one good face, in parts of which both are seen. */
const oneGoodFace: FindingRule = {
  id: 'materials/one-good-face',
  check(context) {
    const both = context.parts.filter(
      (part) =>
        part.material.goodFaces === 1 && part.material.form === 'sheet' && !part.bought && showsBoth(part, context),
    );
    return byMaterial(both).map(
      ([material, parts]): FindingDraft => ({
        severity: 'note',
        what: `${material.name} has one good face; of ${named(parts)} both are seen.`,
        why: 'A door shows its inside when it is open, a partition either side, an exposed end the inside of the cabinet as well. Turn the good face to where it is seen most, or take a sheet with two good faces for them.',
        parts: parts.map(({ key }) => key),
        settings: [pathTo.materialField(material.id, 'goodFaces')],
      }),
    );
  },
};

/** True for what is seen from both sides: fronts that open, what stands between two rooms, an end that is seen. */
function showsBoth({ role, hand, piece }: Part, { resolved }: RuleContext): boolean {
  switch (role) {
    case 'door':
      return piece === undefined || piece.kind === 'slab' || piece.kind === 'panel';
    case 'partition':
      return true;
    case 'side':
      return hand !== undefined && endShows(hand, resolved);
    default:
      return false;
  }
}

/** Glue on a face that came with its finish. */
const glueOnFinish: FindingRule = {
  id: 'materials/glue-on-finish',
  check({ parts }) {
    const byKey = new Map(parts.map((part) => [part.key, part]));
    return parts.flatMap((part): FindingDraft[] => {
      const to = part.gluedTo === undefined ? undefined : byKey.get(part.gluedTo);
      if (!to) return [];
      const finished = [to, part].find(({ material }) => material.prefinished === true);
      if (!finished) return [];
      return [
        {
          severity: 'warn',
          what: `${capital(within(part.name))} is glued to the face of ${within(to.name)}, and ${finished.material.name} comes with its finish.`,
          why: 'Glue holds raw wood to raw wood. Sand the finish off where the glue goes, or screw it as well.',
          parts: [part.key, to.key],
          settings: [pathTo.materialField(finished.material.id, 'prefinished')],
        },
      ];
    });
  },
};

export const materialRules: readonly FindingRule[] = [unevenBatch, oneGoodFace, glueOnFinish];
