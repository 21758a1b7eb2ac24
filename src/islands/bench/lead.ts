/**
 * Leads to the field where a decision is made: opens the fold that holds it and puts the cursor there. A house or job
 * setting leads to the field that overrides it here.
 */
export function leadTo(path: string): void {
  const leaf = path.replace(/^(house|standards)\/(all|base|wall)\//, '').replace(/^cabinets\/[^/]+\/settings\//, '');
  const names = [path, leaf, leaf.replace(/\/nominal$/, '/measured/readings')];
  const field = names
    .map((name) => document.querySelector<HTMLElement>(`[data-path="${CSS.escape(name)}"]`))
    .find(Boolean);
  const fold = field?.closest('details');
  if (fold) fold.open = true;
  field?.scrollIntoView({ block: 'center' });
  field?.focus();
}
