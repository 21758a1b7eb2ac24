import { findClashes, holesNearEdges } from '../machining/index.js';
import type { FindingDraft, FindingRule } from './finding.js';

/** Material that has to stay between two cuts, and between a hole and an edge (mm). */
const LEAST_SKIN = 2;

/** Any two operations on a part that meet or leave too little between them, on both faces. */
const operationsMeet: FindingRule = {
  id: 'machining/operations-meet',
  check: ({ rows, show }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] => {
      const size = { length: part.length.mm, width: part.width.mm, thickness: part.thickness.mm };
      return findClashes(part.machining, size, LEAST_SKIN).map(({ a, b, left, u, v }) => ({
        severity: left <= 0 ? 'stop' : 'warn',
        what: `On ${part.name.toLowerCase()} two operations ${left <= 0 ? 'meet' : `leave ${show(left)} between them`}: ${a.reason}, and ${b.reason}.`,
        why: `It is at ${show(u)} along and ${show(v)} across the part; at least ${show(LEAST_SKIN)} has to stay. Move the hinge, the divider or the joint.`,
        parts: keys,
      }));
    }),
};

/** A hole so near an edge that it breaks out. */
const holeNearEdge: FindingRule = {
  id: 'machining/hole-near-edge',
  check: ({ rows, show }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] => {
      const size = { length: part.length.mm, width: part.width.mm, thickness: part.thickness.mm };
      return holesNearEdges(part.machining, size, LEAST_SKIN).map(({ operation, left }) => ({
        severity: left <= 0 ? 'stop' : 'warn',
        what: `On ${part.name.toLowerCase()} a hole leaves ${show(Math.max(0, left))} to the edge: ${operation.reason}.`,
        why: 'It breaks out when it is bored.',
        parts: keys,
      }));
    }),
};

export const machiningRules: readonly FindingRule[] = [operationsMeet, holeNearEdge];
