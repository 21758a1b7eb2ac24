import type { BenchStore } from './store.js';

/**
 * Leads to the field where a decision is made: opens the fold that holds it and puts the cursor there. A house or job
 * setting leads to the field that overrides it here.
 */
export function leadTo(store: BenchStore, path: string): void {
  const leaf = path.replace(/^(house|standards)\/(schools\/)?[^/]+\//, '').replace(/^cabinets\/[^/]+\/settings\//, '');
  const fold = [...document.querySelectorAll<HTMLElement>('details[data-holds]')].find((each) =>
    each.dataset.holds?.split(' ').includes(leaf),
  );
  const title = path.startsWith('materials/')
    ? 'Materials'
    : path.includes('/face/')
      ? 'Face and openings'
      : fold?.dataset.fold;
  if (title) store.getState().setFold(title, true);
  const names = [path, leaf, path.replace(/\/(nominal|movement)$/, '/measured/readings')];
  // The fold draws what it holds after this event.
  requestAnimationFrame(() => {
    const field = names
      .map((name) => document.querySelector<HTMLElement>(`[data-path="${CSS.escape(name)}"]`))
      .find(Boolean);
    field?.scrollIntoView({ block: 'center' });
    (field?.querySelector<HTMLElement>('input:checked') ?? field)?.focus();
  });
}
