/** The keys openings and the gaps after them are selected by; they are no parts. */
export const openingKey = (id: string) => `opening/${id}`;
export const gapKey = (after: string) => `gap/${after}`;

/** What such a key stands for; undefined for the keys of parts. */
export function namedByKey(key: string | null): { readonly kind: 'opening' | 'gap'; readonly id: string } | undefined {
  const found = /^(opening|gap)\/([a-zA-Z0-9_-]+)$/.exec(key ?? '');
  return found ? { kind: found[1] as 'opening' | 'gap', id: found[2] as string } : undefined;
}
