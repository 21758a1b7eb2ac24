import { shoppingList, type ToBuy } from '../buying/index.js';
import type { LengthStyle } from '../units/index.js';

/** Prices are kept by names in which lengths stand in millimetres, whatever unit the job shows. */
const PRICED_IN: LengthStyle = { unit: 'mm', mmStep: 0.1, graduation: 16 };

/** What is bought by the piece for some cabinets, by the names prices are kept under. */
export function pricedList(cabinets: Parameters<typeof shoppingList>[0]): ToBuy[] {
  return shoppingList(cabinets, PRICED_IN).filter(({ group }) => group === 'hardware' || group === 'fasteners');
}
