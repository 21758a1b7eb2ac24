import { type Dim, quantity, sumOf } from '../derive/index.js';
import type { Part } from '../parts/index.js';
import { SHELF_LOADS } from '../shelves/index.js';
import type { FitContext } from './kind.js';
import type { FittedDrawer } from './runners/index.js';

/** What drawers may hold, and what lies on shelves and on the bottom. */
export function contentsOf({ parts, fitted, resolved }: FitContext): Dim {
  const drawers = ((fitted.runners ?? []) as readonly FittedDrawer[]).flatMap(({ runner }) =>
    runner ? [runner.contents] : [],
  );
  const load = quantity(SHELF_LOADS[resolved.settings.shelves.load.value], 'kg/m', 'kg per metre of shelf');
  const carries = (part: Part) =>
    (part.role === 'shelf' && part.piece?.kind !== 'strip') ||
    part.piece?.kind === 'fixed shelf' ||
    part.role === 'bottom';
  const shelves = parts
    .filter(carries)
    .map(({ length: long }) => long.times(load).over(quantity(1000, 'mm/m', 'mm in a metre')));
  return sumOf([...drawers, ...shelves].length > 0 ? [...drawers, ...shelves] : [quantity(0, 'kg', 'nothing')]).as(
    'what may be put in',
  );
}
