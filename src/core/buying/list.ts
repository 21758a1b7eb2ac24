import { length } from '../derive/index.js';
import { allKinds } from '../fitted/index.js';
import type { Operation } from '../machining/index.js';
import type { Part } from '../parts/index.js';
import type { SolvedCabinet } from '../solve.js';
import { formatLengthWithUnit, KEPT_IN, type LengthStyle } from '../units/index.js';
import { bandBought, bandedLength } from './bands.js';

/** The groups of a shopping list, in the order of the shop's shelves. */
export const GROUPS = ['hardware', 'fasteners', 'edge bands', 'glue'] as const;
type Group = (typeof GROUPS)[number];

/** One thing to buy. */
export interface ToBuy {
  readonly group: Group;
  readonly name: string;
  /** The name its price is kept under, in which lengths stand in millimetres. */
  readonly keptAs: string;
  /** Pieces, or metres of a band, or places where glue goes. */
  readonly quantity: number;
  readonly unit: 'pieces' | 'm' | 'joints';
  /** In how many packs, where it is sold in packs. */
  readonly packs?: { readonly count: number; readonly of: number };
  readonly note: string;
  /** Numbers of the cabinets it is for. */
  readonly cabinets: readonly string[];
}

type Draft = Omit<ToBuy, 'cabinets' | 'packs' | 'keptAs'> & { readonly keptAs?: string };

/** Screws, dowels and pins are sold in packs of so many. */
const PACK = 100;
/** Screws of a back go so far into what it lies against, and screws come in steps of this (mm). */
const BACK_HOLD = 25;
const SCREW_STEP = 5;

/** What a list reads of a cabinet, or of trays for one that stands. */
type Bought = Pick<SolvedCabinet, 'parts' | 'fittings' | 'resolved'> & {
  readonly cabinet: { readonly number: string };
};

/** What has to be bought for some cabinets: hardware, fasteners by kind and length, bands by the metre, joints to glue. */
export function shoppingList(cabinets: readonly Bought[], style: LengthStyle): ToBuy[] {
  const found = new Map<string, ToBuy>();
  for (const solved of cabinets) {
    const kept = draftsOf(solved, KEPT_IN).map(({ name, keptAs }) => keptAs ?? name);
    draftsOf(solved, style).forEach((draft, at) => {
      const key = `${draft.group}/${draft.name}/${draft.note}`;
      const known = found.get(key);
      const { number } = solved.cabinet;
      found.set(key, {
        cabinets: known ? [...new Set([...known.cabinets, number])] : [number],
        ...draft,
        keptAs: kept[at] ?? draft.name,
        quantity: (known?.quantity ?? 0) + draft.quantity,
      });
    });
  }
  return [...found.values()]
    .map((each): ToBuy => {
      if (each.unit === 'm') return { ...each, quantity: Math.ceil(each.quantity * 10) / 10 };
      if (each.group !== 'fasteners') return each;
      return { ...each, packs: { count: Math.ceil(each.quantity / PACK), of: PACK } };
    })
    .sort((a, b) => GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group) || a.name.localeCompare(b.name));
}

/** Everything a cabinet asks for, one by one, always in the same order. */
function draftsOf(solved: Bought, style: LengthStyle): Draft[] {
  return [
    ...hardware(solved),
    ...boughtParts(solved, style),
    ...fasteners(solved, style),
    ...bands(solved, style),
    ...glue(solved),
  ];
}

/** Screws that come with the boxes of drawers are named by them, and count as fasteners. */
function hardware({ fittings }: Bought): Draft[] {
  return fittings.map(({ name, quantity, note, keptAs = name }) => ({
    group: name.startsWith('Screws') ? 'fasteners' : 'hardware',
    name,
    keptAs,
    quantity,
    unit: 'pieces',
    note,
  }));
}

/** Parts that are bought as they are, by their finished sizes. */
function boughtParts({ parts }: Bought, style: LengthStyle): Draft[] {
  const show = (mm: number) => formatLengthWithUnit(mm, style);
  return parts
    .filter(({ bought }) => bought)
    .map(({ name, material, length: long, width, thickness }) => ({
      group: 'hardware',
      name: `${name}, ready made`,
      quantity: 1,
      unit: 'pieces',
      note: `${show(long.mm)} by ${show(width.mm)} by ${show(thickness.mm)}, ${material.name}`,
    }));
}

const HOLDS: ReadonlySet<string> = new Set(['joint', 'frame', 'web', 'fixing']);

/** Screws that are driven through a part, out of a pocket, and dowels and loose tenons that stand in a face. */
function fasteners({ parts, resolved }: Bought, style: LengthStyle): Draft[] {
  const show = (mm: number) => formatLengthWithUnit(mm, style);
  const { fasteners: set } = resolved.settings;
  const screw = (part: Part) =>
    part.role === 'back'
      ? Math.ceil((part.thickness.mm + Math.min(BACK_HOLD, set.screwLength.mm)) / SCREW_STEP) * SCREW_STEP
      : set.screwLength.mm;
  const draft = (name: string, quantity: number, note: string): Draft => ({
    group: 'fasteners',
    name,
    quantity,
    unit: 'pieces',
    note,
  });
  return parts.flatMap((part) =>
    part.machining.flatMap((operation): Draft[] => {
      const fitted = allKinds.find(({ id }) => id === operation.by.kind)?.screws;
      const pilots = operation.kind === 'holes' || operation.kind === 'edge holes';
      if (fitted && pilots && operation.depth && operation.by.what !== 'hook')
        return [
          draft(
            `Screws for ${fitted}, pilot ${show(operation.diameter.mm)}`,
            operation.positions.length,
            `pan head, up to ${show(operation.depth.mm)} in`,
          ),
        ];
      if (!HOLDS.has(operation.by.kind) || operation.by.what === 'passed') return [];
      const count = 'positions' in operation ? operation.positions.length : 0;
      switch (operation.kind) {
        case 'holes':
          if (!operation.depth) return [draft(`Screws ${show(screw(part))}: construction`, count, 'countersunk')];
          return isDowel(operation)
            ? [draft(`Dowels ${show(operation.diameter.mm)}`, count, dowelNote(set, show))]
            : [];
        case 'edge holes':
          // Those of web frames stand in two edges, and are counted from both.
          return operation.by.kind === 'web'
            ? [draft(`Dowels ${show(operation.diameter.mm)}`, count / 2, dowelNote(set, show))]
            : [];
        case 'pockets':
          return [draft(`Pocket screws ${show(POCKET_SCREW.mm)}`, count, 'washer head')];
        case 'slots':
          return 'face' in operation.place && operation.by.kind === 'joint'
            ? [draft(`Loose tenons ${show(operation.thickness.mm)} by ${show(operation.length.mm)}`, count, '')]
            : [];
        default:
          return [];
      }
    }),
  );
}

/** The usual pocket screw for panels of 18 (mm). */
const POCKET_SCREW = length(32, 'pocket screw');

const isDowel = ({ by }: Operation) => by.kind === 'joint' && by.what === 'dowels';

function dowelNote(
  { dowelInFace, dowelInEnd }: SolvedCabinet['resolved']['settings']['fasteners'],
  show: (mm: number) => string,
): string {
  return `up to ${show(dowelInFace.mm + dowelInEnd.mm - 2)} long`;
}

/** Every banded edge with what is cut longer for it, by thickness and by what it has to match. */
function bands({ parts }: Bought, style: LengthStyle): Draft[] {
  return parts.flatMap((part) =>
    part.bands.map(
      (band): Draft => ({
        group: 'edge bands',
        name: `Band ${formatLengthWithUnit(band.thickness.mm, style)}, for ${part.material.name}`,
        quantity: bandBought(bandedLength(part, band) / 1000, 1, '').mm,
        unit: 'm',
        note: 'with waste',
      }),
    ),
  );
}

/** Places that are glued: dadoes, rabbets, mortises, tenons and the grooves of framed fronts and boxes. */
function glue({ parts }: Bought): Draft[] {
  const glued = parts.reduce(
    (sum, { machining }) => sum + machining.filter(({ kind, holds }) => GLUED.has(kind) && holds !== undefined).length,
    0,
  );
  return glued > 0 ? [{ group: 'glue', name: 'Wood glue', quantity: glued, unit: 'joints', note: 'glued joints' }] : [];
}

const GLUED: ReadonlySet<string> = new Set([
  'groove',
  'edge groove',
  'rabbet',
  'recess',
  'slots',
  'tenon',
  'dovetails',
]);
