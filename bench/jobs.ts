import { countedIds, type Job, newCabinet } from '../src/core/decisions/index.js';
import { newJob } from '../src/core/solve/index.js';

/** A job of so many cabinets of several kinds and widths, drawers in every fourth. */
export function manyCabinets(count: number): Job {
  return jobOf(count, (at) => 400 + (at % 9) * 50);
}

/** The same with no two alike: each has a width of its own. */
export function unlikeCabinets(count: number): Job {
  return jobOf(count, (at) => 400 + ((at * 0.618) % 1) * 500);
}

function jobOf(count: number, widthOf: (at: number) => number): Job {
  const job = newJob(`${count} cabinets`, 'metric');
  const ids = countedIds();
  for (let at = 0; at < count; at += 1) {
    const cabinet = newCabinet(job, at % 3 === 2 ? 'wall' : 'base', ids);
    cabinet.size.width = widthOf(at);
    if (at % 4 === 1)
      cabinet.face.parts = [1, 2, 3, 4].map((n) => ({
        id: `o${n}`,
        size: { rule: 'graduated' as const },
        fill: { kind: 'drawer' as const },
      }));
    job.cabinets.push(cabinet);
  }
  return job;
}
