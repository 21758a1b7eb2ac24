import { type Dim, plain } from '../derive/index.js';
import type { ResolvedSettings } from '../document/index.js';
import type { Material } from '../job/index.js';

/**
 * How far a solid panel moves across its grain: width × coefficient × moisture change in per cent. Undefined for sheet.
 */
export function shrinkage(width: Dim, material: Material, settings: ResolvedSettings): Dim | undefined {
  if (material.form !== 'solid' || material.movement === 0) return undefined;
  const coefficient = plain(material.movement, `movement of ${material.name} per cent`, {
    kind: 'nominal',
    note: 'of the species and cut',
    path: `materials/${material.id}/movement`,
  });
  return width
    .times(coefficient)
    .times(settings.movement.moistureChange)
    .as(`movement of ${material.name} across ${width.label}`);
}

/** What is left on a glued-up solid panel for trimming, on its length and on its width; sheet is cut to its finished size. */
export function leftForTrimming(
  material: Material,
  { web }: ResolvedSettings,
): { allowance?: { readonly length: Dim; readonly width: Dim } } {
  return material.form === 'solid' ? { allowance: { length: web.allowance, width: web.allowance } } : {};
}
