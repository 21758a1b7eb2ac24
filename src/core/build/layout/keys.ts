import { keyForm } from '../../part/index.js';

const forms = { opening: keyForm('opening/:id'), gap: keyForm('gap/:id') };

/** The keys openings and the gaps after them are selected by; they are no parts. */
export const openingKey = (id: string) => forms.opening.of({ id });
export const gapKey = (after: string) => forms.gap.of({ id: after });

/** What such a key stands for; undefined for the keys of parts. */
export function namedByKey(key: string | null): { readonly kind: 'opening' | 'gap'; readonly id: string } | undefined {
  for (const kind of ['opening', 'gap'] as const) {
    const found = forms[kind].read(key);
    if (found) return { kind, id: found.id };
  }
  return undefined;
}
