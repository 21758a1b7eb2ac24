/** Where what opens over the page stands: within its main part, so that nothing of a page lies outside of its landmarks. */
export function overMain(): HTMLElement | null {
  return typeof document === 'undefined' ? null : document.querySelector('main');
}
