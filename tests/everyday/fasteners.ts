/**
 * Fasteners by joint, counted from the tables of holes as a reader of the drawings would count them. Kept beside the
 * sweep: fewer on any joint than were there before is a fault.
 */
import { readFileSync, writeFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { SolvedCabinet } from '../../src/core/solve/index.js';

const FILE = fileURLToPath(new URL('./fasteners.json', import.meta.url));

/** Names of things that are numbered or handed become one joint. */
const jointOf = (reason: string) =>
  reason
    .replace(/: .*hinge of .*/, '')
    .replace(/\b(left|right|front|rear|upper|lower|high|low)\b/g, '')
    .replace(/\d+/g, '')
    .replace(/\s+/g, ' ')
    .trim();

/** How many places are bored, slotted or pocketed for each joint of a cabinet. */
export function fastenersOf({ parts }: SolvedCabinet): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { machining } of parts)
    for (const operation of machining) {
      if (!('positions' in operation)) continue;
      if (!['joint', 'fixing', 'frame', 'box', 'web'].includes(operation.by.kind)) continue;
      const joint = `${operation.kind}, ${jointOf(operation.reason)}`;
      counts.set(joint, (counts.get(joint) ?? 0) + operation.positions.length);
    }
  return counts;
}

interface Counted {
  readonly joint: string;
  readonly before: number;
  readonly now: number;
}

export const fewer = ({ before, now }: Counted) => now < before;

/** Prints each joint that has other than it had, and keeps what there is now where asked. */
export function countFasteners(now: ReadonlyMap<string, number>, write: boolean): readonly Counted[] {
  const before = JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, number>;
  const joints = [...new Set([...Object.keys(before), ...now.keys()])].sort();
  const counted = joints.map((joint) => ({ joint, before: before[joint] ?? 0, now: now.get(joint) ?? 0 }));
  console.log(`\nfasteners: ${[...now.values()].reduce((sum, each) => sum + each, 0)} on ${now.size} joints`);
  for (const each of counted)
    if (each.now !== each.before)
      console.log(`  ${each.before} to ${each.now}: ${each.joint}${fewer(each) ? ': FEWER' : ''}`);
  if (write)
    writeFileSync(
      FILE,
      `${JSON.stringify(Object.fromEntries(counted.filter((each) => each.now > 0).map((each) => [each.joint, each.now])), null, 2)}\n`,
    );
  return counted;
}
