import { formatLengthWithUnit, KEPT_IN, type LengthStyle } from '../../ground/index.js';
import { type FastenerKind, type Fastens, fastenersOf } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
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
    .sort(
      (a, b) =>
        GROUPS.indexOf(a.group) - GROUPS.indexOf(b.group) || a.keptAs.localeCompare(b.keptAs, 'en', { numeric: true }),
    );
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

function hardware({ fittings }: Bought): Draft[] {
  return fittings.map(
    ({ name, quantity, note, group, keptAs = name }): Draft => ({
      group: group ?? 'hardware',
      name,
      keptAs,
      quantity,
      unit: 'pieces',
      note,
    }),
  );
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
      note: `${show(long.value)} by ${show(width.value)} by ${show(thickness.value)}, ${material.name}`,
    }));
}

/** Every fastener where its head lies, or where it leaves the part it stands in. */
function fasteners({ parts }: Bought, style: LengthStyle): Draft[] {
  const show = (mm: number) => formatLengthWithUnit(mm, style);
  return fastenersOf(parts).map(
    ({ fastens, operation }): Draft => ({
      group: 'fasteners',
      quantity: operation.positions.length,
      unit: 'pieces',
      ...said[fastens.kind](fastens, show),
    }),
  );
}

/** What each kind of fastener is called on a list. */
const said: Readonly<
  Record<FastenerKind, (fastens: Fastens, show: (mm: number) => string) => Pick<Draft, 'name' | 'note' | 'keptAs'>>
> = {
  screw: ({ size, use, headed }, show) => ({
    name: `Screws ${show(size.length.value)}: ${use}`,
    note: headed ?? 'countersunk',
  }),
  'pocket screw': ({ size }, show) => ({
    name: `Pocket screws ${show(size.length.value)}`,
    // The same screw is called 1 1/4 in and 32 mm.
    keptAs: `Pocket screws ${formatLengthWithUnit(Math.round(size.length.value), KEPT_IN)}`,
    note: 'washer head',
  }),
  dowel: ({ size }, show) => ({
    name: `Dowels ${show(size.diameter?.value ?? 0)}`,
    note: `up to ${show(size.length.value)} long`,
  }),
  'loose tenon': ({ size }, show) => ({
    name: `Loose tenons ${show(size.thickness?.value ?? 0)} by ${show(size.length.value)}`,
    note: '',
  }),
  'hardware screw': ({ size, use }, show) => ({
    name: `Screws for ${use}, pilot ${show(size.diameter?.value ?? 0)}`,
    note: `pan head, up to ${show(size.length.value)} in`,
  }),
};

/** Every banded edge with what is cut longer for it, by thickness and by what it has to match. */
function bands({ parts }: Bought, style: LengthStyle): Draft[] {
  return parts.flatMap((part) =>
    part.bands.map(
      (band): Draft => ({
        group: 'edge bands',
        name: `Band ${formatLengthWithUnit(band.thickness.value, style)}, for ${part.material.name}`,
        quantity: bandBought(bandedLength(part, band) / 1000, 1, '').value,
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
