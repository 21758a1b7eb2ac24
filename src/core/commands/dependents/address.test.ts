import assert from 'node:assert/strict';
import { test } from 'node:test';
import fc from 'fast-check';
import { buildableDecisions, jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import type { EditPath } from '../../decisions/index.js';
import { Dim } from '../../ground/index.js';
import { type SolvedCabinet, solve } from '../../solve/index.js';
import { withEdits } from '../changes/index.js';
import { addressOf, numberAt } from './index.js';

/** Every number of a result that has a name, found without knowing how addresses are made. */
function named(solved: SolvedCabinet): Dim[] {
  const { parts, box, fronts, face, interiors, bays, fitted, resolved } = solved;
  const seen = new Set<unknown>();
  const found: Dim[] = [];
  const look = (value: unknown): void => {
    if (typeof value !== 'object' || value === null || seen.has(value)) return;
    seen.add(value);
    if (value instanceof Dim && value.label !== '') found.push(value);
    for (const each of value instanceof Map ? value.values() : Object.values(value)) look(each);
  };
  look([parts, box, fronts, face, interiors, bays, fitted, resolved]);
  return found;
}

test('every number of a result has an address, and it leads back to that very number', () => {
  let checked = 0;
  fc.assert(
    fc.property(buildableDecisions, (decisions) => {
      const solved = solveWith(decisions);
      const all = named(solved);
      for (let at = 0; at < all.length; at += 37) {
        const dim = all[at] as Dim;
        const address = addressOf(solved, dim);
        assert.ok(address !== undefined, `"${dim.label}" has none`);
        const again = numberAt(solved, address);
        assert.equal(again?.label, dim.label, address);
        assert.equal(again?.value, dim.value, address);
        checked += 1;
      }
    }),
    { numRuns: 12 },
  );
  assert.ok(checked > 300, `${checked}`);
});

test('an address is plain text: it leads to the same number after the cabinet was figured anew, and nowhere once that is gone', () => {
  const share = { rule: 'share' as const, weight: 1 };
  const job = jobWith({
    width: 600,
    height: 720,
    parts: [
      { id: 'o1', size: { rule: 'fixed', mm: 140 }, fill: { kind: 'drawer' } },
      { id: 'o2', size: share, fill: { kind: 'pair' } },
    ],
  });
  const [before] = solve(job).cabinets;
  const [after] = solve(withEdits(job, [{ path: 'cabinets/c1/size/width' as EditPath, value: 700 }])).cabinets;
  const [without] = solve(
    withEdits(job, [{ path: 'cabinets/c1/face/parts/o2/fill' as EditPath, value: { kind: 'open' } }]),
  ).cabinets;
  assert.ok(before && after && without);
  for (const { key, length } of before.parts) {
    const address = JSON.parse(JSON.stringify(addressOf(before, length))) as string;
    assert.equal(numberAt(after, address)?.value, after.parts.find((part) => part.key === key)?.length.value, key);
  }
  const [door] = before.fitted.hinges;
  const onDoor = door?.places[0]?.onDoor;
  assert.ok(onDoor);
  const address = addressOf(before, onDoor) as string;
  assert.equal(numberAt(after, address)?.label, onDoor.label);
  assert.equal(numberAt(without, address), undefined);
  for (const odd of [
    '',
    '/',
    'parts',
    'parts/@side~left',
    'parts/@x/length',
    'constructor/name',
    'box/__proto__',
    '%%',
    '=',
    '@',
  ])
    assert.equal(numberAt(before, odd), undefined, odd);
});
