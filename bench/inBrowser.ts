/** What `chromium.ts` measures in a page. */
import { workOf } from './work.js';

declare global {
  interface Window {
    solving(times: number): number[];
  }
}

window.solving = (times) => {
  const [one] = workOf();
  const once = () => {
    const begun = performance.now();
    one?.run();
    return performance.now() - begun;
  };
  for (let at = 0; at < 300; at += 1) once();
  return Array.from({ length: times }, once);
};
