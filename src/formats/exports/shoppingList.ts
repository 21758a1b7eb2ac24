import { type Export, inBytes, solvedTelling } from './export.js';

/** What to buy for the whole job as CSV. */
export const shopping: Export = {
  id: 'shopping.csv',
  label: 'What to buy, CSV',
  file: (name) => `${name}-what-to-buy.csv`,
  type: 'text/csv; charset=utf-8',
  inUnits: true,
  async write(job, style, tell) {
    const { shoppingListCsv } = await import('../csv.js');
    return inBytes(shoppingListCsv(await solvedTelling(job, tell), style));
  },
};
