import { subjectOf } from '../../../core/decisions/index.js';
import type { BenchStore } from '../store.js';

/**
 * Leads to the field where a decision is made: opens the fold that holds it and puts the cursor there. A house or job
 * setting leads to the field that overrides it here.
 */
export function leadTo(store: BenchStore, path: string): void {
  const subject = subjectOf(path);
  const leaf = subject.kind === 'setting' ? subject.setting : path;
  const names = [path, leaf, path.replace(/\/(nominal|movement)$/, '/measured/readings')];
  store.getState().showDecisions(true);
  // The decisions, and then the fold, draw what they hold after what called for them.
  requestAnimationFrame(() => {
    const fold = [...document.querySelectorAll<HTMLElement>('details[data-holds]')].find((each) =>
      each.dataset.holds?.split(' ').includes(leaf),
    );
    const title =
      subject.kind === 'material' ? 'Materials' : subject.kind === 'face' ? 'Face and openings' : fold?.dataset.fold;
    if (title) store.getState().setFold(title, true);
    requestAnimationFrame(() => {
      const field = names
        .map((name) => document.querySelector<HTMLElement>(`[data-path="${CSS.escape(name)}"]`))
        .find(Boolean);
      field?.scrollIntoView({ block: 'center' });
      (field?.querySelector<HTMLElement>('input:checked') ?? field)?.focus();
    });
  });
}
