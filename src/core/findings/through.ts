import { type Operation, spacesOf } from '../machining/index.js';
import { type Part, sizeOf } from '../parts/index.js';
import { meeting } from '../solids/index.js';
import { TOLERANCE_MM } from '../units/index.js';
import { type FindingDraft, type FindingRule, setChoice, settingPath } from './finding.js';

/** Behind what is bored into a face so much has to stay, or it is through; and so much, or it may come through (mm). */
const THROUGH = 1;
const THIN = 2;

/** What goes into a face and has a depth; pins and sunk cuts have rules of their own. */
function boredDepth(operation: Operation): number | undefined {
  if (operation.by.kind === 'pins') return undefined;
  if (operation.kind === 'holes') return operation.depth?.mm;
  if ((operation.kind === 'slots' || operation.kind === 'mortises') && 'face' in operation.place)
    return operation.depth.mm;
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
        if (depth === undefined || part.thickness.mm - depth >= THIN - TOLERANCE_MM) continue;
        if (!worst || depth > worst.depth) worst = { operation, depth };
      }
      if (!worst) return [];
      const left = part.thickness.mm - worst.depth;
      return [
        {
          severity: left < THROUGH - TOLERANCE_MM ? 'stop' : 'warn',
          what: `What is bored ${show(worst.depth)} deep in ${part.name.toLowerCase()} ${left <= 0 ? 'comes out at its other face' : `leaves ${show(left)} of it`}: ${worst.operation.reason}.`,
          why: `It is ${show(part.thickness.mm)} thick, and the point of the drill or the push of the screw breaks the other face. Bore less deep, or make it of thicker stock.`,
          numbers: [part.thickness],
          parts: keys,
        },
      ];
    }),
};

/** Wood that stays between cuts in the two faces of one panel, and what sheet that is thinner than its name may lack (mm). */
const BETWEEN_CUTS = 6;
const SCANT = 0.5;

const isSunk = ({ kind }: Operation) => kind === 'groove' || kind === 'rabbet' || kind === 'recess';

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
  const cuts = part.machining
    .filter(isSunk)
    .flatMap((operation) =>
      spacesOf(operation, sizeOf(part)).map((space) => ({ operation, low: space.low, high: space.high })),
    );
  let least: { left: number; a: Operation; b: Operation } | undefined;
  for (const front of cuts) {
    if (front.low[2] > TOLERANCE_MM) continue;
    for (const rear of cuts) {
      if (rear.high[2] < part.thickness.mm - TOLERANCE_MM || rear === front) continue;
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

/** An opening that its surroundings leave no room for. */
const openingGone: FindingRule = {
  id: 'sizes/opening-gone',
  check: ({ face, show }) =>
    face.ok
      ? face.cells.flatMap((cell): FindingDraft[] => {
          const gone = [cell.clear.h.size, cell.clear.v.size, cell.inside.h.size, cell.inside.v.size].filter(
            ({ mm }) => mm <= TOLERANCE_MM,
          );
          const [first] = gone;
          if (!first) return [];
          return [
            {
              severity: 'stop',
              what: `${cell.name.charAt(0).toUpperCase()}${cell.name.slice(1)} has an opening of ${show(first.mm)}.`,
              why: 'Decided sizes and what stands between the openings leave it nothing. Let one of the sizes go, or make it smaller.',
              numbers: gone,
              settings: [cell.path],
            },
          ];
        })
      : [],
};

/** A back that does not go into what is cut for it, or is not held there. */
const backDoesNotFit: FindingRule = {
  id: 'carcass/back-does-not-fit',
  check(context) {
    const { box, resolved, show } = context;
    const { back } = resolved.settings;
    const { thickness } = resolved.materials.back;
    if (back.kind.value !== 'grooved') return [];
    const findings: FindingDraft[] = [];
    if (thickness.mm > box.grooveWidth.mm + TOLERANCE_MM)
      findings.push({
        severity: 'stop',
        what: `The back is ${show(thickness.mm)} thick and its groove ${show(box.grooveWidth.mm)} wide.`,
        why: 'It does not go in. Cut the groove to fit the panel, or take another cutter.',
        numbers: [thickness, box.grooveWidth],
        parts: ['back'],
        settings: [settingPath(context, 'back/cut'), settingPath(context, 'back/cutter')],
        fixes: [setChoice(context, 'Cut the groove to fit the panel', 'back/cut', 'panel')],
      });
    if (box.backHold.mm <= LEAST_HOLD) {
      const path = settingPath(context, 'back/ease');
      findings.push({
        severity: 'stop',
        what: `The back enters its grooves by ${show(box.backHold.mm)}.`,
        why: `The grooves are ${show(back.grooveDepth.mm)} deep and the ease takes ${show(back.ease.mm)} of that at each edge; nothing holds the back. Ease it less, or cut deeper.`,
        numbers: [back.grooveDepth, back.ease],
        parts: ['back'],
        settings: [path],
        fixes: back.grooveDepth.mm > 3 ? [{ label: `Ease it by ${show(0.5)}`, edits: [{ path, value: 0.5 }] }] : [],
      });
    }
    return findings;
  },
};

/** A back held by less than this falls out (mm). */
const LEAST_HOLD = 1;

/** An inset front thicker than the frame it closes into: it reaches what stands behind the frame. */
const frontBehindFrame: FindingRule = {
  id: 'fronts/deeper-than-frame',
  check(context) {
    const { box, resolved, fronts, parts, show } = context;
    const { settings, materials } = resolved;
    if (settings.frame.fitted.value !== 'fitted' || settings.fronts.fit.value !== 'inset') return [];
    const over = box.frontThickness.mm - materials.frame.thickness.mm;
    if (over <= TOLERANCE_MM) return [];
    const behind = parts.filter(({ role }) => role !== 'door' && role !== 'drawer front' && role !== 'frame');
    const struck = fronts.filter((front) =>
      front.parts.some((part) => behind.some((other) => meeting(part.extent, other.extent))),
    );
    if (struck.length === 0) return [];
    return [
      {
        severity: 'stop',
        what: `Inset fronts are ${show(box.frontThickness.mm)} thick and the frame ${show(materials.frame.thickness.mm)}.`,
        why: `They stand ${show(over)} behind the frame, where shelves and stretchers come up to its back. Make the fronts thinner or the frame of thicker stock.`,
        numbers: [box.frontThickness, materials.frame.thickness],
        parts: struck.flatMap(({ parts }) => parts.map(({ key }) => key)),
        settings: [settingPath(context, 'fronts/fit')],
        fixes: [setChoice(context, 'Lay the fronts over the frame', 'fronts/fit', 'overlay')],
      },
    ];
  },
};

export const throughRules: readonly FindingRule[] = [
  nearlyThrough,
  opposedCuts,
  openingGone,
  backDoesNotFit,
  frontBehindFrame,
];
