/**
 * How many findings of each rule come out of the first frozen cabinets, and how many fixes are offered for them, against
 * a table. A fix whose edit leads nowhere is withheld in silence; here its number falls.
 */
import assert from 'node:assert/strict';
import { test } from 'node:test';
import { documentOf, readCorpus, readDocument } from '../../../tests/frozen/corpus.js';
import { fixesFor, solve } from '../solve.js';

const CABINETS = 150;

/** Findings, fixes its rule proposes, fixes that settle it and are offered. Change a row only with the rule itself. */
const TABLE: Record<string, readonly [findings: number, proposed: number, offered: number]> = {
  'carcass/back-edge-shows': [11, 11, 11],
  'carcass/back-not-held': [3, 3, 3],
  'carcass/bottom-cannot-go-under': [30, 30, 30],
  'carcass/bottom-in-withdrawal': [16, 16, 16],
  'carcass/cut-too-deep': [52, 0, 0],
  'carcass/frame-beyond-box': [11, 6, 6],
  'carcass/held-by-nothing': [5, 0, 0],
  'carcass/nailers-meet': [1, 0, 0],
  'carcass/negative-packing': [50, 50, 44],
  'carcass/no-order-of-assembly': [1, 0, 0],
  'carcass/partition-under-nothing': [29, 58, 58],
  'carcass/racks': [33, 14, 7],
  'carcass/screw-in-air': [23, 0, 0],
  'carcass/solid-wood-moves': [44, 0, 0],
  'carcass/two-in-one-place': [63, 0, 0],
  'carcass/visible-fasteners': [10, 20, 20],
  'carcass/wall-without-nailer': [28, 56, 44],
  'carcass/web-frame-too-small': [3, 0, 0],
  'drawers/nothing-behind': [56, 168, 168],
  'fronts/deeper-than-frame': [2, 2, 2],
  'fronts/drawer-beside-wall': [3, 3, 3],
  'fronts/grain-blank-too-large': [1, 1, 1],
  'fronts/mitre-without-tenon': [10, 0, 0],
  'fronts/pull-too-long': [91, 0, 0],
  'fronts/rebate-in-tenon': [5, 0, 0],
  'fronts/swing-meets': [70, 0, 0],
  'fronts/too-close': [9, 0, 0],
  'fronts/too-small-for-frame': [130, 130, 130],
  'hinges/against-shelf': [8, 0, 0],
  'hinges/door-too-small': [102, 0, 0],
  'hinges/gap-too-small': [42, 42, 40],
  'hinges/opens-too-far': [55, 55, 55],
  'interiors/tall-without-shelf': [16, 0, 0],
  'machining/hole-near-edge': [10, 0, 0],
  'machining/nearly-through': [34, 0, 0],
  'machining/operations-meet': [263, 31, 31],
  'shelves/no-hole': [27, 5, 2],
  'shelves/sags': [19, 16, 14],
  'sheets/narrow-rip': [47, 0, 0],
  'sizes/opening-gone': [4, 0, 0],
  'sizes/outside-usual': [21, 0, 0],
  'sizes/part-exceeds-sheet': [18, 0, 0],
  'sizes/part-vanishes': [178, 0, 0],
  'sizes/stack-does-not-close': [47, 0, 0],
};

test('each rule offers the fixes it should, and as many', () => {
  const corpus = readCorpus();
  const counted: Record<string, [number, number, number]> = {};
  for (let at = 0; at < CABINETS; at += 1) {
    const solved = solve(readDocument(documentOf(corpus, at)));
    for (const { id, rule, proposed } of solved.findings) {
      counted[rule] ??= [0, 0, 0];
      const row = counted[rule];
      row[0] += 1;
      row[1] += proposed.length;
      row[2] += fixesFor(solved, id).length;
    }
  }
  assert.deepEqual(counted, TABLE);
});
