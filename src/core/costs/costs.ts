import { shoppingList } from '../buying/index.js';
import type { Job } from '../document/index.js';
import type { SheetLayout } from '../job/index.js';
import { setUpsOf } from '../setups/index.js';
import { boardsFor, demandOf, sequenceOf } from '../sheets/index.js';
import type { SolvedCabinet } from '../solve.js';

/** What money goes into. */
export const COST_KINDS = {
  sheets: 'Sheets',
  solid: 'Solid wood',
  bands: 'Edge band',
  hardware: 'Hardware',
  labour: 'Labour',
} as const;
export type CostKind = keyof typeof COST_KINDS;

/** What time goes into. */
export const OPERATIONS = {
  sheet: 'Sheets fetched and set up',
  setUp: 'Set-ups and test cuts',
  cut: 'Saw cuts',
  band: 'Banding',
  groove: 'Grooves, dadoes, rabbets',
  hole: 'Holes',
  part: 'Assembly',
  fitting: 'Fitting hardware',
} as const;
export type CostedOperation = keyof typeof OPERATIONS;

type Sums<K extends string> = Record<K, number>;

/** What one cabinet costs, takes in minutes, and weighs. */
export interface CabinetCost {
  readonly cabinet: string;
  readonly number: string;
  readonly name: string;
  readonly cost: Sums<CostKind>;
  readonly minutes: Sums<CostedOperation>;
  readonly total: number;
  /** Kilograms of its parts. */
  readonly weight: number;
}

export interface MaterialCost {
  readonly material: string;
  readonly name: string;
  /** So many sheets, or cubic metres of boards, or metres of band. */
  readonly quantity: number;
  readonly unit: 'sheets' | 'm³' | 'm';
  readonly each: number;
  readonly cost: number;
  readonly weight: number;
}

export interface JobCost {
  readonly cabinets: readonly CabinetCost[];
  readonly materials: readonly MaterialCost[];
  readonly cost: Sums<CostKind>;
  readonly minutes: Sums<CostedOperation>;
  readonly total: number;
  readonly weight: number;
  /** What is used and has no price yet, by name. */
  readonly unpriced: readonly string[];
}

const none = <K extends string>(keys: Readonly<Record<K, string>>): Sums<K> =>
  Object.fromEntries(Object.keys(keys).map((key) => [key, 0])) as Sums<K>;

const BAND_LOSS = 1.1;

/**
 * What a job costs and weighs, from the prices in stock and the shop's own minutes. Sheets are those of `layouts`, shared
 * out by the area of the pieces on each material; set-ups by the pieces at them; all else by what each cabinet has. What
 * is left of a sheet and kept is not taken off: it is paid for here.
 */
export function costOf(job: Job, cabinets: readonly SolvedCabinet[], layouts: readonly SheetLayout[]): JobCost {
  const { workshop, stock, materials } = job;
  const { costs } = workshop;
  const unpriced = new Set<string>();
  const own = new Map(
    cabinets.map(({ cabinet }) => [cabinet.id, { cost: none(COST_KINDS), minutes: none(OPERATIONS), weight: 0 }]),
  );
  const of = (cabinet: string) =>
    own.get(cabinet) as { cost: Sums<CostKind>; minutes: Sums<CostedOperation>; weight: number };
  /** Gives each cabinet its share of something, by weights. */
  const share = (shares: ReadonlyMap<string, number>, give: (cabinet: string, part: number) => void) => {
    const all = [...shares.values()].reduce((sum, each) => sum + each, 0);
    for (const [cabinet, each] of shares) if (all > 0) give(cabinet, each / all);
  };
  const byMaterial = new Map<string, MaterialCost>();
  const weights = new Map<string, number>();
  for (const { cabinet, rows } of cabinets)
    for (const { part, quantity } of rows) {
      const weight = (quantity * part.length.mm * part.width.mm * part.thickness.mm * part.material.density) / 1e9;
      of(cabinet.id).weight += weight;
      weights.set(part.material.id, (weights.get(part.material.id) ?? 0) + weight);
    }

  for (const demand of demandOf(cabinets)) {
    const { material } = demand;
    const layout = layouts.find(({ id }) => id === material.id);
    const sheets = layout?.sheets ?? [];
    const price = (from: string | null) =>
      from === null ? (material.price ?? 0) : (stock.sheets.find(({ id }) => id === from)?.price ?? 0);
    const spent = sheets.reduce((sum, sheet) => sum + (sheet.offcut ? 0 : price(sheet.from)), 0);
    const whole = sheets.filter(({ offcut }) => !offcut);
    if (whole.some(({ from }) => price(from) <= 0)) unpriced.add(material.name);
    const areas = new Map<string, number>();
    for (const { cabinet, length, width } of demand.pieces)
      areas.set(cabinet, (areas.get(cabinet) ?? 0) + length * width);
    const { keepLength, keepWidth } = workshop.cutting;
    const cuts = layout
      ? sheets.reduce(
          (sum, sheet) =>
            sum +
            (sequenceOf(sheet, layout, { length: keepLength, width: keepWidth })?.cuts.length ??
              2 * sheet.placements.length),
          0,
        )
      : 0;
    share(areas, (cabinet, part) => {
      of(cabinet).cost.sheets += spent * part;
      of(cabinet).minutes.sheet += sheets.length * costs.sheet * part;
      of(cabinet).minutes.cut += cuts * costs.cut * part;
    });
    byMaterial.set(material.id, {
      material: material.id,
      name: material.name,
      quantity: whole.length,
      unit: 'sheets',
      each: whole.length > 0 ? spent / whole.length : (material.price ?? 0),
      cost: spent,
      weight: weights.get(material.id) ?? 0,
    });
  }

  for (const { material, boards, gross, price } of boardsFor(job, cabinets)) {
    if (boards.price <= 0) unpriced.add(material.name);
    const volumes = new Map<string, number>();
    let cuts = 0;
    for (const { cabinet, rows } of cabinets)
      for (const { part, quantity } of rows) {
        if (part.material.id !== material.id || part.bought) continue;
        volumes.set(cabinet.id, (volumes.get(cabinet.id) ?? 0) + quantity * part.cutLength.mm * part.cutWidth.mm);
        // Rough and to size, along and across.
        cuts += 4 * quantity;
      }
    share(volumes, (cabinet, part) => {
      of(cabinet).cost.solid += price * part;
      of(cabinet).minutes.cut += cuts * costs.cut * part;
    });
    byMaterial.set(material.id, {
      material: material.id,
      name: material.name,
      quantity: gross,
      unit: 'm³',
      each: boards.price,
      cost: price,
      weight: weights.get(material.id) ?? 0,
    });
  }

  const bandMetres = new Map<string, { metres: number; price: number }>();
  for (const { cabinet, rows } of cabinets) {
    const { cost, minutes } = of(cabinet.id);
    for (const { part, quantity } of rows) {
      if (part.bought) continue;
      minutes.part += costs.part * quantity;
      for (const { edge, thickness } of part.bands) {
        const metres = (quantity * (edge.startsWith('u') ? part.width.mm : part.length.mm)) / 1000;
        const band = bandFor(stock.bands, part.material.id, thickness.mm);
        const name = band?.name ?? `Band for ${part.material.name}`;
        if (!band || band.price <= 0) unpriced.add(name);
        const known = bandMetres.get(name) ?? { metres: 0, price: band?.price ?? 0 };
        known.metres += metres * BAND_LOSS;
        bandMetres.set(name, known);
        cost.bands += metres * BAND_LOSS * (band?.price ?? 0);
        minutes.band += metres * costs.band;
      }
      for (const operation of part.machining) {
        if (operation.kind === 'groove' || operation.kind === 'rabbet' || operation.kind === 'edge groove') {
          const along = operation.kind === 'groove' && operation.along === 'width' ? part.width.mm : part.length.mm;
          minutes.groove += (quantity * along * costs.groove) / 1000;
        } else if ('positions' in operation)
          minutes.hole += quantity * Math.max(1, operation.positions.length) * costs.hole;
      }
    }
    const solved = cabinets.filter((each) => each.cabinet.id === cabinet.id);
    for (const { group, name, quantity, unit } of shoppingList(solved, job.display)) {
      if (group !== 'hardware' && group !== 'fasteners') continue;
      const price = workshop.prices.find((each) => each.name === name)?.price ?? 0;
      if (price <= 0) unpriced.add(name);
      cost.hardware += price * quantity;
      if (group === 'hardware' && unit === 'pieces') minutes.fitting += quantity * costs.fitting;
    }
  }
  for (const [name, { metres, price }] of bandMetres)
    byMaterial.set(name, {
      material: name,
      name,
      quantity: metres,
      unit: 'm',
      each: price,
      cost: metres * price,
      weight: 0,
    });

  for (const { pieces } of setUpsOf(cabinets, layouts)) {
    const counts = new Map<string, number>();
    for (const { cabinet, quantity } of pieces) counts.set(cabinet, (counts.get(cabinet) ?? 0) + quantity);
    share(counts, (cabinet, part) => {
      of(cabinet).minutes.setUp += costs.setUp * part;
    });
  }

  const list = cabinets.map(({ cabinet }): CabinetCost => {
    const { cost, minutes, weight } = of(cabinet.id);
    cost.labour = (sum(minutes) / 60) * costs.hour;
    return { cabinet: cabinet.id, number: cabinet.number, name: cabinet.name, cost, minutes, total: sum(cost), weight };
  });
  const added = <K extends string>(keys: Readonly<Record<K, string>>, pick: (each: CabinetCost) => Sums<K>): Sums<K> =>
    Object.fromEntries(
      Object.keys(keys).map((key) => [key, list.reduce((all, each) => all + pick(each)[key as K], 0)]),
    ) as Sums<K>;
  const cost = added(COST_KINDS, (each) => each.cost);
  return {
    cabinets: list,
    materials: [...byMaterial.values()].sort((a, b) => b.cost - a.cost || (a.name < b.name ? -1 : 1)),
    cost,
    minutes: added(OPERATIONS, (each) => each.minutes),
    total: sum(cost),
    weight: list.reduce((all, each) => all + each.weight, 0),
    unpriced: [...unpriced].filter((name) => materials.length > 0 && name !== '').sort(),
  };
}

const sum = (sums: Readonly<Record<string, number>>) => Object.values(sums).reduce((all, each) => all + each, 0);

/** The band that matches a material and is as thick as is wanted, where the shop has one. */
function bandFor(bands: Job['stock']['bands'], material: string, thickness: number) {
  return bands.find((band) => band.materials.includes(material) && Math.abs(band.thickness - thickness) < 0.05);
}
