import type { SolvedCabinet, SolvedJob } from '../../solve/index.js';

/** What an act did to the parts. */
export interface Consequences {
  readonly changed: number;
  readonly added: number;
  readonly gone: number;
}

/** What differs between two results of one job. Cabinets that were not solved again are not looked at. */
export function consequencesOf(before: SolvedJob, after: SolvedJob): Consequences {
  const was = new Map(before.cabinets.map((each) => [each.cabinet.id, each]));
  const total = { changed: 0, added: 0, gone: 0 };
  const count = (old: SolvedCabinet | undefined, now: SolvedCabinet | undefined) => {
    const sizes = new Map(old?.parts.map((part) => [part.key, part]));
    for (const part of now?.parts ?? []) {
      const known = sizes.get(part.key);
      sizes.delete(part.key);
      if (!known) total.added += 1;
      else if (
        differ(known.cutLength.value, part.cutLength.value) ||
        differ(known.cutWidth.value, part.cutWidth.value) ||
        differ(known.thickness.value, part.thickness.value)
      )
        total.changed += 1;
    }
    total.gone += sizes.size;
  };
  for (const now of after.cabinets) {
    const old = was.get(now.cabinet.id);
    was.delete(now.cabinet.id);
    if (old !== now) count(old, now);
  }
  for (const old of was.values()) count(old, undefined);
  return total;
}

/** Sizes nearer than this are one size (mm). */
const SAME = 0.0005;
const differ = (a: number, b: number) => Math.abs(a - b) >= SAME;

/** "Width of 1: 7 parts changed size": one line on what an act did. */
export function consequenceLine(label: string, { changed, added, gone }: Consequences): string {
  const count = (n: number, what: string) => (n > 0 ? [`${n} ${n === 1 ? 'part' : 'parts'} ${what}`] : []);
  const words = [...count(changed, 'changed size'), ...count(added, 'added'), ...count(gone, 'gone')];
  return `${label}: ${words.length > 0 ? words.join(', ') : 'no part changed size'}`;
}
