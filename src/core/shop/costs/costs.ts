import { weightOf } from '../../build/index.js';
import { type Job, keptFrom, type SheetLayout, workshopGroups } from '../../decisions/index.js';
import { type Dim, type Measure, plain, quantity, sumOf } from '../../ground/index.js';
import { cutList } from '../../part/index.js';
import type { SolvedCabinet } from '../../solve/index.js';
import { bandBought, bandedLength, bandFor } from '../buying/index.js';
import { setUpsOf } from '../setups/index.js';
import { boardsFor, demandOf, sequenceOf } from '../sheets/index.js';
import {
  type CabinetCost,
  COST_KINDS,
  type CostedOperation,
  type CostKind,
  type JobCost,
  type MaterialCost,
  OPERATIONS,
  type Sums,
} from './figures.js';
import { pricedList, priceFor } from './priced.js';

/** The terms numbers are added up from, for one cabinet. */
type Terms = { readonly [K in CostKind | CostedOperation | 'weight']: Dim[] };

/**
 * What a job costs and weighs, from the prices in stock and the shop's own minutes. Sheets are those of `layouts`, shared
 * out by the area of the pieces on each material; set-ups by the pieces at them; all else by what each cabinet has. What
 * is left of a sheet and kept is not taken off: it is paid for here.
 */
export function costOf(job: Job, cabinets: readonly SolvedCabinet[], layouts: readonly SheetLayout[]): JobCost {
  const reckoning = new Reckoning(job, cabinets, layouts);
  reckoning.sheets();
  reckoning.solid();
  for (const solved of cabinets) {
    reckoning.parts(solved);
    reckoning.hardware(solved);
  }
  reckoning.bandsTogether();
  reckoning.setUps();
  return reckoning.whole();
}

const money = (value: number, label: string, path?: string) =>
  quantity(value, 'money', label, { kind: 'house', note: 'price', ...(path ? { path } : {}) });

/** Edges with one band: how long together (m), how many, and what a metre costs. */
interface Banded {
  metres: number;
  edges: number;
  readonly price: number;
}

const costOfBand = (name: string, { metres, edges, price }: Banded): Dim =>
  bandBought(metres, edges, name)
    .times(quantity(price, 'money/m', `price of ${name}`, { kind: 'house' }))
    .as(name);

class Reckoning {
  private readonly terms = new Map<string, Terms>();
  private readonly materials = new Map<string, MaterialCost>();
  private readonly banded = new Map<string, Banded>();
  private readonly unpriced = new Set<string>();
  private readonly standard: Readonly<Record<CostedOperation | 'hour', Dim>>;

  constructor(
    private readonly job: Job,
    private readonly cabinets: readonly SolvedCabinet[],
    private readonly layouts: readonly SheetLayout[],
  ) {
    const { figures } = workshopGroups.costs;
    const { costs } = job.workshop;
    const standard = (key: CostedOperation | 'hour', measure: Measure) =>
      quantity(costs[key], measure, figures[key].label, { kind: 'house', path: `workshop/costs/${key}` });
    this.standard = {
      hour: standard('hour', 'money/h'),
      sheet: standard('sheet', 'min'),
      setUp: standard('setUp', 'min'),
      cut: standard('cut', 'min'),
      band: standard('band', 'min/m'),
      groove: standard('groove', 'min/m'),
      hole: standard('hole', 'min'),
      part: standard('part', 'min'),
      fitting: standard('fitting', 'min'),
    };
    const keys = [...Object.keys(COST_KINDS), ...Object.keys(OPERATIONS), 'weight'];
    for (const { cabinet } of cabinets)
      this.terms.set(cabinet.id, Object.fromEntries(keys.map((key) => [key, []])) as unknown as Terms);
  }

  private add(cabinet: string, key: keyof Terms, term: Dim): void {
    if (term.value !== 0) this.terms.get(cabinet)?.[key].push(term);
  }

  /** Gives each cabinet its share of what a material costs and takes, by the area of its pieces (m²). */
  private shareOut(
    material: string,
    areas: ReadonlyMap<string, number>,
    what: Partial<Record<CostKind | CostedOperation, Dim>>,
  ): void {
    const all = [...areas.values()].reduce((sum, each) => sum + each, 0);
    const whole = quantity(all, 'm2', `area of ${material} in the job`);
    for (const [cabinet, area] of areas) {
      if (all <= 0) continue;
      const share = quantity(area, 'm2', `area of ${material} in this cabinet`).over(whole);
      for (const [key, each] of Object.entries(what) as [CostKind | CostedOperation, Dim][])
        this.add(cabinet, key, each.times(share).as(`${material}, its share`));
    }
  }

  sheets(): void {
    const { stock, workshop } = this.job;
    const keep = keptFrom(workshop);
    for (const { material, pieces } of demandOf(this.cabinets)) {
      const layout = this.layouts.find(({ id }) => id === material.id);
      const sheets = layout?.sheets ?? [];
      const whole = sheets.filter(({ offcut }) => !offcut);
      const counts = new Map<string | null, number>();
      for (const { from } of whole) counts.set(from, (counts.get(from) ?? 0) + 1);
      const spent = sumOr(
        'money',
        [...counts].map(([from, count]) => {
          const row = stock.sheets.find(({ id }) => id === from);
          const price = row?.price ?? material.price ?? 0;
          if (price <= 0) this.unpriced.add(material.name);
          return money(
            price,
            `price of a sheet of ${material.name}`,
            row ? undefined : `materials/${material.id}/price`,
          ).times(plain(count, 'sheets'));
        }),
      ).as(`sheets of ${material.name}`);
      const areas = new Map<string, number>();
      for (const { cabinet, length, width } of pieces)
        areas.set(cabinet, (areas.get(cabinet) ?? 0) + (length * width) / 1e6);
      // A routed piece is cut round once.
      const cutsOf = (sheet: SheetLayout['sheets'][number]) =>
        (layout && sequenceOf(sheet, layout, keep)?.cuts.length) ?? sheet.placements.length;
      const cuts = sheets.reduce((sum, sheet) => sum + cutsOf(sheet), 0);
      this.shareOut(material.name, areas, {
        sheets: spent,
        sheet: this.standard.sheet.times(plain(sheets.length, `sheets of ${material.name}`)),
        cut: this.standard.cut.times(plain(cuts, `cuts in ${material.name}`)),
      });
      this.materials.set(material.id, {
        material: material.id,
        name: material.name,
        quantity: whole.length,
        unit: 'sheets',
        cost: spent,
        weight: 0,
      });
    }
  }

  solid(): void {
    for (const { material, boards, gross, net } of boardsFor(this.job, this.cabinets)) {
      if (boards.price <= 0) this.unpriced.add(material.name);
      const spent = quantity(net, 'm3', `rough pieces of ${material.name}`)
        .times(plain(1 + boards.waste, 'one and the waste'))
        .times(
          quantity(boards.price, 'money/m3', `price of ${material.name}`, {
            kind: 'house',
            path: `stock/boards/${boards.id}/price`,
          }),
        )
        .as(`boards of ${material.name}`);
      const areas = new Map<string, number>();
      let cuts = 0;
      for (const { cabinet, rows } of this.cabinets)
        for (const { part, quantity: count } of rows) {
          if (part.material.id !== material.id || part.bought) continue;
          areas.set(
            cabinet.id,
            (areas.get(cabinet.id) ?? 0) + (count * part.cutLength.value * part.cutWidth.value) / 1e6,
          );
          // Rough and to size, along and across.
          cuts += 4 * count;
        }
      this.shareOut(material.name, areas, {
        solid: spent,
        cut: this.standard.cut.times(plain(cuts, `cuts in ${material.name}`)),
      });
      this.materials.set(material.id, {
        material: material.id,
        name: material.name,
        quantity: gross,
        unit: 'm³',
        cost: spent,
        weight: 0,
      });
    }
  }

  /** Weight, banding, grooves, holes and assembly of a cabinet, from its parts. */
  parts({ cabinet, rows, parts }: SolvedCabinet): void {
    const { stock } = this.job;
    let [count, grooved, holes] = [0, 0, 0];
    const banded = new Map<string, Banded>();
    for (const { part, quantity: times } of rows) {
      if (part.bought) continue;
      count += times;
      for (const { edge, thickness } of part.bands) {
        const band = bandFor(stock.bands, part.material.id, thickness.value);
        const name = band?.name ?? `Band for ${part.material.name}`;
        if (!band || band.price <= 0) this.unpriced.add(name);
        const known = banded.get(name) ?? { metres: 0, edges: 0, price: band?.price ?? 0 };
        known.metres += (times * bandedLength(part, { edge })) / 1000;
        known.edges += times;
        banded.set(name, known);
      }
      for (const operation of part.machining) {
        if (operation.kind === 'groove' || operation.kind === 'rabbet' || operation.kind === 'edge groove')
          grooved +=
            (times *
              (operation.kind === 'groove' && operation.along === 'width' ? part.width.value : part.length.value)) /
            1000;
        else if ('positions' in operation) holes += times * Math.max(1, operation.positions.length);
      }
    }
    const { id } = cabinet;
    if (parts.length > 0) this.add(id, 'weight', weightOf(parts));
    this.add(id, 'part', this.standard.part.times(plain(count, 'parts')));
    this.add(id, 'groove', this.standard.groove.times(quantity(grooved, 'm', 'grooves, dadoes and rabbets')));
    this.add(id, 'hole', this.standard.hole.times(plain(holes, 'holes')));
    for (const [name, own] of banded) {
      this.add(id, 'band', this.standard.band.times(quantity(own.metres, 'm', `edges with ${name}`)));
      this.add(id, 'bands', costOfBand(name, own));
      const all = this.banded.get(name) ?? { metres: 0, edges: 0, price: own.price };
      all.metres += own.metres;
      all.edges += own.edges;
      this.banded.set(name, all);
    }
  }

  hardware(solved: SolvedCabinet): void {
    const { id } = solved.cabinet;
    let fitted = 0;
    for (const { group, name, keptAs, quantity: count, unit } of pricedList([solved], this.job.display)) {
      const price = priceFor(this.job.workshop.prices, { keptAs, name })?.price ?? 0;
      if (price <= 0) this.unpriced.add(name);
      this.add(id, 'hardware', money(price, `price of ${name}`).times(plain(count, 'pieces')).as(name));
      if (group === 'hardware' && unit === 'pieces') fitted += count;
    }
    this.add(id, 'fitting', this.standard.fitting.times(plain(fitted, 'pieces of hardware')));
  }

  bandsTogether(): void {
    for (const [name, all] of this.banded)
      this.materials.set(name, {
        material: name,
        name,
        quantity: bandBought(all.metres, all.edges, name).value,
        unit: 'm',
        cost: costOfBand(name, all),
        weight: 0,
      });
  }

  /** Each set-up is shared out by the pieces at it. */
  setUps(): void {
    const shares = new Map<string, number>();
    for (const { pieces } of setUpsOf(this.cabinets, this.layouts)) {
      const all = pieces.reduce((sum, { quantity: count }) => sum + count, 0);
      for (const { cabinet, quantity: count } of pieces) shares.set(cabinet, (shares.get(cabinet) ?? 0) + count / all);
    }
    for (const [cabinet, each] of shares)
      this.add(cabinet, 'setUp', this.standard.setUp.times(plain(each, 'set-ups, by its share of the pieces at each')));
  }

  whole(): JobCost {
    const minutesInHour = quantity(60, 'min/h', 'minutes in an hour');
    const list = this.cabinets.map(({ cabinet }): CabinetCost => {
      const terms = this.terms.get(cabinet.id) as Terms;
      const minutes = sums(OPERATIONS, (key) => sumOr('min', terms[key]).as(OPERATIONS[key].toLowerCase()));
      const time = sumOr('min', Object.values(minutes)).as('minutes of work');
      const labour = time.over(minutesInHour).times(this.standard.hour).as('labour');
      const cost = sums(COST_KINDS, (key) =>
        key === 'labour' ? labour : sumOr('money', terms[key]).as(COST_KINDS[key].toLowerCase()),
      );
      return {
        cabinet: cabinet.id,
        number: cabinet.number,
        name: cabinet.name,
        cost,
        minutes,
        time,
        total: sumOr('money', Object.values(cost)).as(`cabinet ${cabinet.number} in all`),
        weight: sumOr('kg', terms.weight).as(`weight of cabinet ${cabinet.number}`),
      };
    });
    const together = (measure: Measure, label: string, pick: (each: CabinetCost) => Dim) =>
      sumOr(
        measure,
        list.map((each) => pick(each).as(`cabinet ${each.number}`)),
      ).as(label);
    const rows = this.cabinets.flatMap(({ cabinet, rows: own }) =>
      own.map((row) => ({ cabinetId: cabinet.id, ...row })),
    );
    const weights = new Map(cutList(rows).map(({ material, totals }) => [material.id, totals.weight]));
    return {
      cabinets: list,
      materials: [...this.materials.values()]
        .map((each) => ({ ...each, weight: weights.get(each.material) ?? 0 }))
        .sort((a, b) => b.cost.value - a.cost.value || (a.name < b.name ? -1 : 1)),
      cost: sums(COST_KINDS, (key) => together('money', COST_KINDS[key].toLowerCase(), ({ cost }) => cost[key])),
      minutes: sums(OPERATIONS, (key) => together('min', OPERATIONS[key].toLowerCase(), ({ minutes }) => minutes[key])),
      time: together('min', 'minutes of work', ({ time }) => time),
      total: together('money', 'the job in all', ({ total }) => total),
      weight: together('kg', 'weight of the job', ({ weight }) => weight),
      unpriced: [...this.unpriced].sort(),
    };
  }
}

function sums<K extends string>(keys: Readonly<Record<K, string>>, of: (key: K) => Dim): Sums<K> {
  return Object.fromEntries((Object.keys(keys) as K[]).map((key) => [key, of(key)])) as unknown as Sums<K>;
}

/** A sum, or nothing in that measure. */
function sumOr(measure: Measure, terms: readonly Dim[]): Dim {
  return terms.length === 0 ? quantity(0, measure, '') : sumOf(terms);
}
