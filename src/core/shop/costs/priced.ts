import type { Workshop } from '../../decisions/index.js';
import type { LengthStyle } from '../../ground/index.js';
import { shoppingList, type ToBuy } from '../buying/index.js';

/** What is bought by the piece for some cabinets; prices are kept under `keptAs`, whatever unit the job shows. */
export function pricedList(cabinets: Parameters<typeof shoppingList>[0], style: LengthStyle): ToBuy[] {
  return shoppingList(cabinets, style).filter(({ group }) => group === 'hardware' || group === 'fasteners');
}

/** The price something is kept with; jobs from before prices were kept in one unit have them by the name they were shown by. */
export function priceFor(
  prices: Workshop['prices'],
  { keptAs, name }: Pick<ToBuy, 'keptAs' | 'name'>,
): Workshop['prices'][number] | undefined {
  return prices.find((each) => each.name === keptAs) ?? prices.find((each) => each.name === name);
}
