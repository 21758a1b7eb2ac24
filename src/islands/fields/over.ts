import { useEffect, useState } from 'react';

/** Where what opens over the page stands: within its main part, so that nothing of a page lies outside of its landmarks. */
export function useMain(): HTMLElement | null {
  const [main, setMain] = useState<HTMLElement | null>(null);
  useEffect(() => setMain(document.querySelector('main')), []);
  return main;
}
