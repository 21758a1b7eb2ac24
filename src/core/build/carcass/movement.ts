import type { Material, Resolved, ResolvedSettings } from '../../decisions/index.js';
import { type Dim, plain } from '../../ground/index.js';

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

/**
 * A sheet panel that stops at the back of solid sides, front to rear: shorter by what they shrink, or it would push the
 * back off when they do. A solid panel shrinks with them.
 */
export function clearOfShrinking(depth: Dim, material: Material, { box, resolved }: Moving): Dim {
  const shrink = shrinkage(box.sideDepth, resolved.materials.side.material, resolved.settings);
  if (!shrink || material.form === 'solid') return depth;
  return depth.minus(shrink).because('the solid sides shrink and it does not');
}

interface Moving {
  readonly box: { readonly sideDepth: Dim };
  readonly resolved: Resolved;
}

/** What is left on a glued-up solid panel for trimming, on its length and on its width; sheet is cut to its finished size. */
export function leftForTrimming(
  material: Material,
  { web }: ResolvedSettings,
): { allowance?: { readonly length: Dim; readonly width: Dim } } {
  return material.form === 'solid' ? { allowance: { length: web.allowance, width: web.allowance } } : {};
}
