import type { Export } from './export.js';

/** What to buy for the whole job as CSV. */
export const shopping: Export = {
  id: 'shopping.csv',
  label: 'What to buy, CSV',
  file: (name) => `${name}-what-to-buy.csv`,
  type: 'text/csv; charset=utf-8',
  inUnits: true,
  async write(job, style) {
    const [{ shoppingListCsv }, { solve }] = await Promise.all([
      import('../csv.js'),
      import('../../core/solve/index.js'),
    ]);
    return shoppingListCsv(solve(job), style);
  },
};
