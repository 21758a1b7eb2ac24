import { SHELF_LOADS } from '../build/index.js';
import type { FitContext, ResultsOf } from '../cabinet/index.js';
import type { Resolved } from '../decisions/index.js';
import { type Dim, quantity, sumOf } from '../ground/index.js';
import type { Part } from '../part/index.js';
import type { runners } from './runners/index.js';

/** What drawers may hold, and what lies on shelves and on the bottom. */
export function contentsOf({
  parts,
  fitted,
  resolved,
}: Pick<FitContext<Resolved, ResultsOf<readonly [typeof runners]>>, 'parts' | 'fitted' | 'resolved'>): Dim {
  const drawers = fitted.runners.flatMap(({ runner }) => (runner ? [runner.contents] : []));
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
