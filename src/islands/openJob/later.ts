import { useEffect, useState } from 'react';
import type { Finding } from '../../core/cabinet/index.js';
import { check, isChecked, type SolvedCabinet } from '../../core/solve/index.js';

/** Checking goes on for so long before the page is given a turn (ms). */
const TURN_MS = 8;

/**
 * What is found in cabinets, looked for after the page was drawn and a little at a time; undefined until all of them were
 * looked through.
 */
export function useFoundLater(cabinets: readonly SolvedCabinet[]): readonly (readonly Finding[])[] | undefined {
  const [done, setDone] = useState<readonly SolvedCabinet[]>();
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    const go = () => {
      const until = performance.now() + TURN_MS;
      let next = cabinets.find((each) => !isChecked(each));
      for (; next && performance.now() < until; next = cabinets.find((each) => !isChecked(each))) check(next);
      if (next) timer = setTimeout(go);
      else setDone(cabinets);
    };
    timer = setTimeout(go);
    return () => clearTimeout(timer);
  }, [cabinets]);
  return done === cabinets ? cabinets.map(check) : undefined;
}
