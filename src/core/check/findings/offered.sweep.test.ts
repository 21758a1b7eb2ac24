/**
 * How many findings of each rule come out of the first frozen cabinets, and how many fixes are offered for them, against
 * a table. A fix whose edit leads nowhere is withheld in silence; here its number falls.
 */

import assert from 'node:assert/strict';
import { test } from 'node:test';
import { documentOf, readCorpus, readDocument } from '../../../../tests/frozen/corpus.js';
import { checkJob, fixesFor, proposedFor, solve } from '../../solve/index.js';

const CABINETS = 150;

/** Findings, fixes its rule proposes, fixes that settle it and are offered. Change a row only with the rule itself. */
const TABLE: Record<string, readonly [findings: number, proposed: number, offered: number]> = {
  'carcass/back-edge-shows': [11, 11, 11],
  'carcass/back-not-held': [3, 3, 3],
  'carcass/bottom-cannot-go-under': [30, 30, 30],
  'carcass/bottom-in-withdrawal': [16, 16, 16],
  'carcass/cut-too-deep': [52, 0, 0],
  'carcass/frame-beyond-box': [5, 0, 0],
  'carcass/negative-packing': [35, 35, 29],
  'carcass/partition-under-nothing': [29, 58, 58],
  'carcass/racks': [33, 14, 7],
  'carcass/screw-in-air': [7, 0, 0],
  'carcass/solid-wood-moves': [44, 0, 0],
  'carcass/two-in-one-place': [51, 0, 0],
  'carcass/visible-fasteners': [10, 20, 20],
  'carcass/wall-without-nailer': [16, 32, 32],
  'carcass/web-frame-too-small': [3, 0, 0],
  'drawers/nothing-behind': [56, 168, 168],
  'fronts/deeper-than-frame': [1, 1, 1],
  'fronts/drawer-beside-wall': [3, 3, 3],
  'fronts/mitre-without-tenon': [10, 0, 0],
  'fronts/pull-too-long': [91, 0, 0],
  'fronts/rebate-in-tenon': [5, 0, 0],
  'fronts/swing-meets': [71, 49, 11],
  'fronts/too-close': [9, 0, 0],
  'fronts/too-small-for-frame': [130, 130, 130],
  'hinges/against-shelf': [15, 3, 0],
  'hinges/door-too-small': [105, 0, 0],
  'hinges/gap-too-small': [42, 42, 42],
  'hinges/opens-too-far': [18, 18, 18],
  'interiors/no-floor': [21, 21, 21],
  'interiors/tall-without-shelf': [16, 0, 0],
  'machining/hole-near-edge': [10, 0, 0],
  'machining/nearly-through': [34, 0, 0],
  'machining/operations-meet': [182, 3, 3],
  'sheets/narrow-rip': [46, 0, 0],
  'shelves/no-hole': [27, 5, 2],
  'shelves/sags': [19, 16, 14],
  'sizes/opening-gone': [4, 0, 0],
  'sizes/outside-usual': [21, 0, 0],
  'sizes/part-exceeds-sheet': [1, 0, 0],
  'sizes/part-vanishes': [182, 0, 0],
  'sizes/stack-does-not-close': [47, 0, 0],
};

test('each rule offers the fixes it should, and as many', () => {
  const corpus = readCorpus();
  const counted: Record<string, [number, number, number]> = {};
  for (let at = 0; at < CABINETS; at += 1) {
    const solved = solve(readDocument(documentOf(corpus, at)));
    for (const finding of checkJob(solved)) {
      const { id, rule } = finding;
      const proposed = proposedFor(solved, id);
      counted[rule] ??= [0, 0, 0];
      const row = counted[rule];
      row[0] += 1;
      row[1] += proposed.length;
      row[2] += fixesFor(solved, id).length;
    }
  }
  assert.deepEqual(counted, TABLE);
});
