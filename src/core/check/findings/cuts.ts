import type { FindingDraft, FindingRule } from '../../cabinet/index.js';
import { type Dim, gather, TOLERANCE_MM } from '../../ground/index.js';
import {
  type Groove,
  type Operation,
  type Part,
  type Rabbet,
  type Recess,
  sizeOf,
  spacesOf,
} from '../../part/index.js';

type Sunk = Groove | Rabbet | Recess;

function isSunk(operation: Operation): operation is Sunk {
  return operation.kind === 'groove' || operation.kind === 'rabbet' || operation.kind === 'recess';
}

/** A dado, groove or recess takes at most half of what it is cut in; a rabbet may take more, but never all of it. */
const cutTooDeep: FindingRule = {
  id: 'carcass/cut-too-deep',
  check: ({ parts, show }) =>
    parts.flatMap((part): FindingDraft[] => {
      const through = (depth: Dim) => depth.value >= part.thickness.value - TOLERANCE_MM;
      const tooDeep = ({ kind, depth }: Sunk) =>
        through(depth) || (kind !== 'rabbet' && depth.value > part.thickness.value / 2 + TOLERANCE_MM);
      let cut: Sunk | undefined;
      for (const operation of part.machining)
        if (isSunk(operation) && tooDeep(operation))
          if (!cut || operation.depth.value > cut.depth.value) cut = operation;
      if (!cut) return [];
      const { kind, depth } = cut;
      return [
        {
          severity: through(depth) ? 'stop' : 'warn',
          what: `A ${kind} ${show(depth.value)} deep is cut in ${part.name.toLowerCase()}, which is ${show(part.thickness.value)} thick.`,
          why:
            kind !== 'rabbet'
              ? `More than half the thickness is gone there, and the part will break along the ${kind}.`
              : 'Nothing of the part is left behind the rabbet. Make the rabbet shallower or the part thicker.',
          numbers: [depth, part.thickness],
          parts: [part.key],
        },
      ];
    }),
};

/** Behind what is bored into a face so much has to stay, or it is through; and so much, or it may come through (mm). */
const THROUGH = 1;
const THIN = 2;

/** What goes into a face and has a depth; pins and sunk cuts have rules of their own. */
function boredDepth(operation: Operation): number | undefined {
  if (operation.by.kind === 'pins') return undefined;
  if (operation.kind === 'holes') return operation.depth?.value;
  if ((operation.kind === 'slots' || operation.kind === 'mortises') && 'face' in operation.place)
    return operation.depth.value;
  return undefined;
}

/** A hole, slot or mortise that comes out, or nearly, at the other face of its panel. */
const nearlyThrough: FindingRule = {
  id: 'machining/nearly-through',
  check: ({ rows, show }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] => {
      let worst: { operation: Operation; depth: number } | undefined;
      for (const operation of part.machining) {
        const depth = boredDepth(operation);
        if (depth === undefined || part.thickness.value - depth >= THIN - TOLERANCE_MM) continue;
        if (!worst || depth > worst.depth) worst = { operation, depth };
      }
      if (!worst) return [];
      const left = part.thickness.value - worst.depth;
      return [
        {
          severity: left < THROUGH - TOLERANCE_MM ? 'stop' : 'warn',
          what: `What is bored ${show(worst.depth)} deep in ${part.name.toLowerCase()} ${left <= 0 ? 'comes out at its other face' : `leaves ${show(left)} of it`}: ${worst.operation.reason}.`,
          why: `It is ${show(part.thickness.value)} thick, and the point of the drill or the push of the screw breaks the other face. Bore less deep, or make it of thicker stock.`,
          numbers: [part.thickness],
          parts: keys,
        },
      ];
    }),
};

/** Wood that stays between cuts in the two faces of one panel, and what sheet that is thinner than its name may lack (mm). */
const BETWEEN_CUTS = 6;
const SCANT = 0.5;

/** Dadoes, grooves or recesses in both faces of a panel with too little between their floors. */
const opposedCuts: FindingRule = {
  id: 'machining/opposed-cuts',
  check: ({ rows, show }) =>
    rows.flatMap(({ part, keys }): FindingDraft[] => {
      const least = leastBetween(part);
      if (!least || least.left >= BETWEEN_CUTS - SCANT) return [];
      const { left, a, b } = least;
      return [
        {
          severity: left < BETWEEN_CUTS / 2 ? 'stop' : 'warn',
          what: `In ${part.name.toLowerCase()} two cuts from both faces leave ${show(Math.max(0, left))} between them: ${a.reason}, and ${b.reason}.`,
          why: `At least ${show(BETWEEN_CUTS)} has to stay, or the panel breaks there. Cut them less deep, move one, or dowel one of the two.`,
          parts: keys,
        },
      ];
    }),
};

function leastBetween(part: Part): { left: number; a: Operation; b: Operation } | undefined {
  const cuts = gather(part.machining.filter(isSunk), (operation) =>
    spacesOf(operation, sizeOf(part)).map((space) => ({ operation, low: space.low, high: space.high })),
  );
  let least: { left: number; a: Operation; b: Operation } | undefined;
  for (const front of cuts) {
    if (front.low[2] > TOLERANCE_MM) continue;
    for (const rear of cuts) {
      if (rear.high[2] < part.thickness.value - TOLERANCE_MM || rear === front) continue;
      const over = [0, 1].every(
        (k) =>
          Math.min(front.high[k as 0], rear.high[k as 0]) - Math.max(front.low[k as 0], rear.low[k as 0]) >
          TOLERANCE_MM,
      );
      const left = rear.low[2] - front.high[2];
      if (over && (!least || left < least.left)) least = { left, a: front.operation, b: rear.operation };
    }
  }
  return least;
}

export const cutRules: readonly FindingRule[] = [cutTooDeep, nearlyThrough, opposedCuts];
