import { useEffect, useState } from 'react';
import type { Finding } from '../../core/cabinet/index.js';
import { checker, type SolvedCabinet } from '../../core/solve/index.js';

/** Checking goes on for so long before the page is given a turn (ms). */
const TURN_MS = 8;

/**
 * What is found in cabinets, looked for after the page was drawn and a little at a time; undefined until all of them were
 * looked through.
 */
export function useFoundLater(cabinets: readonly SolvedCabinet[]): readonly (readonly Finding[])[] | undefined {
  const [done, setDone] = useState<{ readonly of: readonly SolvedCabinet[]; readonly found: (readonly Finding[])[] }>();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const found: (readonly Finding[])[] = [];
    const check = checker();
    const go = () => {
      const until = performance.now() + TURN_MS;
      while (found.length < cabinets.length && performance.now() < until)
        found.push(check(cabinets[found.length] as SolvedCabinet));
      if (found.length < cabinets.length) timer = setTimeout(go);
      else setDone({ of: cabinets, found });
    };
    timer = setTimeout(go);
    return () => clearTimeout(timer);
  }, [cabinets]);
  return done?.of === cabinets ? done.found : undefined;
}
