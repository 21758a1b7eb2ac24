import { type Dim, length } from '../derive/index.js';
import type { Resolved } from '../job/index.js';
import type { Box } from '../layout/index.js';
import type { Groove } from '../machining/index.js';
import { makePart, type Part } from '../parts/index.js';

/** The groove that holds the back, the same on sides, bottom and full top: rear edge as reference, creep to the panel. */
export function backGroove(box: Box, { settings }: Resolved): Groove {
  return {
    kind: 'groove',
    face: 1,
    along: 'length',
    from: 'v1',
    offset: box.grooveOffset,
    width: box.grooveWidth,
    depth: settings.back.grooveDepth,
    reason: 'holds the back',
    holds: 'back',
  };
}

/**
 * A grooved back. Each captured edge lies `held in each groove` beyond the inner face of its panel; where the top is
 * stretchers the back runs up uncaptured to the top edge of the box.
 */
export function buildBack(box: Box, resolved: Resolved): Part {
  const { settings, materials } = resolved;
  const full = settings.top.kind.value === 'full';
  const lower = box.bottomTop.minus(box.backHold).as('lower edge of the back');
  const upper: Dim = full
    ? box.topUnderside.plus(box.backHold).as('upper edge of the back')
    : box.height
        .as('upper edge of the back')
        .because('the top is stretchers, so the back runs up to the top edge uncaptured');
  const width = box.insideWidth.plus(box.backHold.times(2));
  const left = materials.case.thickness.minus(box.backHold).mm;
  return makePart({
    key: 'back',
    name: 'Back',
    role: 'back',
    material: materials.back.material,
    length: upper.minus(lower),
    width,
    thickness: materials.back.thickness,
    placement: { origin: [left, box.clearDepth.mm, lower.mm], u: '+z', v: '+x', w: '+y' },
  });
}

/** Nailers behind the back, between the sides: a base cabinet has one high, a wall cabinet one high and one low. */
export function buildNailers(box: Box, { settings, materials }: Resolved, kind: 'base' | 'wall'): Part[] {
  const { material, thickness } = materials.nailer;
  const full = settings.top.kind.value === 'full';
  const highest = full ? box.topUnderside : box.height;
  const at = (key: string, name: string, z: Dim): Part =>
    makePart({
      key,
      name,
      role: 'nailer',
      material,
      length: box.insideWidth,
      width: settings.nailer.width,
      thickness,
      placement: {
        origin: [materials.case.thickness.mm, box.sideDepth.minus(box.grooveOffset).mm, z.mm],
        u: '+x',
        v: '+z',
        w: '+y',
      },
    });
  const high = at('nailer/high', 'Nailer', highest.minus(settings.nailer.width));
  return kind === 'wall' ? [high, at('nailer/low', 'Nailer', box.bottomTop.plus(length(0)))] : [high];
}
