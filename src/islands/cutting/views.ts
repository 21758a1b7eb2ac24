/** The pages of a job on its way from parts to the saw, in the order of work. */
export const CUTTING_VIEWS = {
  stock: 'Stock',
  sheets: 'Sheets',
  setups: 'Set-ups',
  labels: 'Labels',
  costs: 'Cost and weight',
} as const;
export type CuttingView = keyof typeof CUTTING_VIEWS;

export function isCuttingView(word: string): word is CuttingView {
  return Object.hasOwn(CUTTING_VIEWS, word);
}
