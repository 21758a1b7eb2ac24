import { type Dim, type Measure, plain, quantity, sumOf } from '../derive/index.js';
import type { Job } from '../document/index.js';
import { type SheetLayout, workshopGroups } from '../job/index.js';
import { setUpsOf } from '../setups/index.js';
import { boardsFor, demandOf, sequenceOf } from '../sheets/index.js';
import type { SolvedCabinet } from '../solve.js';
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
import { pricedList } from './priced.js';

/** So much more of a band is cut than edges are long. */
const BAND_LOSS = 1.1;

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

class Reckoning {
  private readonly terms = new Map<string, Terms>();
  private readonly materials = new Map<string, MaterialCost>();
  private readonly weights = new Map<string, number>();
  private readonly bandMetres = new Map<string, { metres: number; price: number }>();
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
    if (term.mm !== 0) this.terms.get(cabinet)?.[key].push(term);
  }

  /** Gives each cabinet its share of something, by its part of a whole. */
  private share(
    parts: ReadonlyMap<string, number>,
    measure: Measure,
    what: string,
    give: (cabinet: string, share: Dim) => void,
  ) {
    const all = [...parts.values()].reduce((sum, each) => sum + each, 0);
    const whole = quantity(all, measure, `${what} in the job`);
    for (const [cabinet, each] of parts)
      if (all > 0) give(cabinet, quantity(each, measure, `${what} in this cabinet`).over(whole));
  }

  sheets(): void {
    const { stock, workshop } = this.job;
    const { keepLength, keepWidth } = workshop.cutting;
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
      const keep = { length: keepLength, width: keepWidth };
      // A routed piece is cut round once.
      const cutsOf = (sheet: SheetLayout['sheets'][number]) =>
        (layout && sequenceOf(sheet, layout, keep)?.cuts.length) ?? sheet.placements.length;
      const cuts = sheets.reduce((sum, sheet) => sum + cutsOf(sheet), 0);
      this.share(areas, 'm2', `area of ${material.name}`, (cabinet, share) => {
        this.add(cabinet, 'sheets', spent.times(share).as(`${material.name}, its share`));
        this.add(
          cabinet,
          'sheet',
          this.standard.sheet
            .times(plain(sheets.length, `sheets of ${material.name}`))
            .times(share)
            .as(`${material.name}, its share`),
        );
        this.add(
          cabinet,
          'cut',
          this.standard.cut
            .times(plain(cuts, `cuts in ${material.name}`))
            .times(share)
            .as(`${material.name}, its share`),
        );
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
          areas.set(cabinet.id, (areas.get(cabinet.id) ?? 0) + (count * part.cutLength.mm * part.cutWidth.mm) / 1e6);
          // Rough and to size, along and across.
          cuts += 4 * count;
        }
      this.share(areas, 'm2', `area of ${material.name}`, (cabinet, share) => {
        this.add(cabinet, 'solid', spent.times(share).as(`${material.name}, its share`));
        this.add(
          cabinet,
          'cut',
          this.standard.cut
            .times(plain(cuts, `cuts in ${material.name}`))
            .times(share)
            .as(`${material.name}, its share`),
        );
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
  parts({ cabinet, rows }: SolvedCabinet): void {
    const { stock } = this.job;
    let [count, grooved, holes, weight] = [0, 0, 0, 0];
    const banded = new Map<string, { metres: number; price: number }>();
    for (const { part, quantity: times } of rows) {
      const own = (times * part.length.mm * part.width.mm * part.thickness.mm * part.material.density) / 1e9;
      weight += own;
      this.weights.set(part.material.id, (this.weights.get(part.material.id) ?? 0) + own);
      if (part.bought) continue;
      count += times;
      for (const { edge, thickness } of part.bands) {
        const band = bandFor(stock.bands, part.material.id, thickness.mm);
        const name = band?.name ?? `Band for ${part.material.name}`;
        if (!band || band.price <= 0) this.unpriced.add(name);
        const known = banded.get(name) ?? { metres: 0, price: band?.price ?? 0 };
        known.metres += (times * (edge.startsWith('u') ? part.width.mm : part.length.mm)) / 1000;
        banded.set(name, known);
      }
      for (const operation of part.machining) {
        if (operation.kind === 'groove' || operation.kind === 'rabbet' || operation.kind === 'edge groove')
          grooved +=
            (times * (operation.kind === 'groove' && operation.along === 'width' ? part.width.mm : part.length.mm)) /
            1000;
        else if ('positions' in operation) holes += times * Math.max(1, operation.positions.length);
      }
    }
    const { id } = cabinet;
    this.add(id, 'weight', quantity(weight, 'kg', 'volume of its parts by the density of what they are made of'));
    this.add(id, 'part', this.standard.part.times(plain(count, 'parts')));
    this.add(id, 'groove', this.standard.groove.times(quantity(grooved, 'm', 'grooves, dadoes and rabbets')));
    this.add(id, 'hole', this.standard.hole.times(plain(holes, 'holes')));
    for (const [name, { metres, price }] of banded) {
      const length = quantity(metres, 'm', `edges with ${name}`);
      this.add(id, 'band', this.standard.band.times(length));
      this.add(
        id,
        'bands',
        length
          .times(plain(BAND_LOSS, 'with what is cut off'))
          .times(quantity(price, 'money/m', `price of ${name}`, { kind: 'house' }))
          .as(name),
      );
      const all = this.bandMetres.get(name) ?? { metres: 0, price };
      all.metres += metres;
      this.bandMetres.set(name, all);
    }
  }

  hardware(solved: SolvedCabinet): void {
    const { id } = solved.cabinet;
    let fitted = 0;
    for (const { group, name, quantity: count, unit } of pricedList([solved])) {
      const price = this.job.workshop.prices.find((each) => each.name === name)?.price ?? 0;
      if (price <= 0) this.unpriced.add(name);
      this.add(id, 'hardware', money(price, `price of ${name}`).times(plain(count, 'pieces')).as(name));
      if (group === 'hardware' && unit === 'pieces') fitted += count;
    }
    this.add(id, 'fitting', this.standard.fitting.times(plain(fitted, 'pieces of hardware')));
  }

  bandsTogether(): void {
    for (const [name, { metres, price }] of this.bandMetres)
      this.materials.set(name, {
        material: name,
        name,
        quantity: metres * BAND_LOSS,
        unit: 'm',
        cost: quantity(metres, 'm', 'edges')
          .times(plain(BAND_LOSS, 'with what is cut off'))
          .times(quantity(price, 'money/m', `price of ${name}`, { kind: 'house' }))
          .as(name),
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
    return {
      cabinets: list,
      materials: [...this.materials.values()]
        .map((each) => ({ ...each, weight: this.weights.get(each.material) ?? 0 }))
        .sort((a, b) => b.cost.mm - a.cost.mm || (a.name < b.name ? -1 : 1)),
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

/** The band that matches a material and is as thick as is wanted, where the shop has one. */
function bandFor(bands: Job['stock']['bands'], material: string, thickness: number) {
  return bands.find((band) => band.materials.includes(material) && Math.abs(band.thickness - thickness) < 0.05);
}
