import { createContext, useContext, useEffect, useState } from 'react';

export type Rest = typeof import('./rest.js');

/** What stands beside the drawing, once it is there. */
export const RestContext = createContext<Rest | undefined>(undefined);
export const useRest = () => useContext(RestContext);

/** Fetches it when the sheet was drawn; what cannot be fetched is asked for again. */
export function useComing(): Rest | undefined {
  const [rest, setRest] = useState<Rest>();
  useEffect(() => {
    let left = false;
    let timer: ReturnType<typeof setTimeout>;
    const fetch = () => {
      import('./rest.js').then(
        (come) => {
          if (!left) setRest(come);
        },
        () => {
          if (!left) timer = setTimeout(fetch, AGAIN_MS);
        },
      );
    };
    // The frame after the next has the drawing on it.
    const frame = requestAnimationFrame(() => requestAnimationFrame(fetch));
    return () => {
      left = true;
      clearTimeout(timer);
      cancelAnimationFrame(frame);
    };
  }, []);
  return rest;
}

const AGAIN_MS = 1500;
