import type { ApexOptions } from 'apexcharts';
import { useEffect, useMemo, useState } from 'react';
import Chart from 'react-apexcharts';
import { newId, pathTo, type SheetLayout } from '../../../core/decisions/index.js';
import { type Dim, weightIn, weightUnit } from '../../../core/ground/index.js';
import {
  COST_KINDS,
  type CostedOperation,
  type CostKind,
  costOf,
  OPERATIONS,
  pricedList,
  priceFor,
  usedShare,
} from '../../../core/shop/index.js';
import { PlainField } from '../../fields/PlainField.js';
import { useOpenJob } from '../../openJob/context.js';
import { useCutting, useDemand } from '../context.js';
import { sheetsWorker } from '../sheetsWorker.js';
import { Working } from '../Working.js';

const INK = '#1b2426';

const amount = ({ value: mm }: Dim) => mm.toLocaleString('en', { minimumFractionDigits: 2, maximumFractionDigits: 2 });

/** How much of a material is used, in words. */
function takes(quantity: number, unit: 'sheets' | 'm³' | 'm'): string {
  if (unit === 'sheets') return `${quantity} ${quantity === 1 ? 'sheet' : 'sheets'}`;
  return `${quantity.toFixed(unit === 'm' ? 1 : 3)} ${unit}`;
}

/** What the job costs and weighs: by cabinet, by material, by operation, from the shop's prices and minutes. */
export function CostsView({ jobId }: { jobId: string }) {
  const { job, cabinets } = useCutting();
  const { demands } = useDemand();
  const [layouts, setLayouts] = useState<readonly SheetLayout[] | null>(null);
  const [failed, setFailed] = useState(false);
  // What is not accepted yet is reckoned with a first layout; prices change none.
  // biome-ignore lint/correctness/useExhaustiveDependencies: laid out anew when what is cut, or from what, changes
  useEffect(() => {
    let gone = false;
    sheetsWorker()
      .firstLayouts(job)
      .then(
        (found) => !gone && setLayouts(found),
        () => !gone && setFailed(true),
      );
    return () => {
      gone = true;
    };
  }, [demands, job.layouts, job.stock.sheets, job.workshop.cutting]);
  const cost = useMemo(() => layouts && costOf(job, cabinets, layouts), [job, cabinets, layouts]);
  const { money } = job.workshop.costs;
  const { unit } = job.display;
  const proposed = demands.filter(({ material }) => !job.layouts?.some(({ id }) => id === material.id)).length;
  if (!cost || !layouts)
    return (
      <p role="status" className="p-6 text-lg">
        {failed
          ? 'The sheets could not be laid out: open the page again.'
          : 'The sheets are laid out, and then it is reckoned…'}
      </p>
    );
  return (
    <>
      <div className="sheet flex flex-wrap items-baseline gap-x-6 px-4 py-3">
        <h1 className="text-[1.375rem] font-bold" data-total={cost.total.value.toFixed(2)}>
          <Working dim={cost.total}>
            {money} {amount(cost.total)}
          </Working>
        </h1>
        <span>
          <Working dim={cost.time}>{(cost.time.value / 60).toFixed(1)} hours of work</Working>
        </span>
        <span>
          <Working dim={cost.weight}>
            {weightIn(cost.weight.value, unit).toFixed(0)} {weightUnit(unit)} of wood in all
          </Working>
        </span>
        {proposed > 0 && (
          <span className="text-ink-soft">
            {proposed} {proposed === 1 ? 'material is' : 'materials are'} reckoned with a first layout:{' '}
            <a className="underline" href={`/jobs/${jobId}/sheets`}>
              accept one
            </a>
          </span>
        )}
      </div>
      {cost.unpriced.length > 0 && (
        <p role="status" className="bg-finding-pale px-3 py-2 text-finding" data-unpriced={cost.unpriced.length}>
          Without a price, and reckoned as nothing: {cost.unpriced.slice(0, 6).join('; ')}
          {cost.unpriced.length > 6 && ` and ${cost.unpriced.length - 6} more`}. Sheets, boards and bands are priced{' '}
          <a className="underline" href={`/jobs/${jobId}/stock`}>
            in stock
          </a>
          , hardware below.
        </p>
      )}
      <div className="grid grid-cols-3 gap-3 max-lg:grid-cols-1">
        <BarsOf
          title={`Cost by kind, ${money}`}
          bars={(Object.keys(COST_KINDS) as CostKind[]).map((kind) => [COST_KINDS[kind], cost.cost[kind].value])}
        />
        <BarsOf
          title="Minutes by operation"
          bars={(Object.keys(OPERATIONS) as CostedOperation[]).map((each) => [
            OPERATIONS[each],
            cost.minutes[each].value,
          ])}
        />
        <BarsOf
          title="Used of each sheet, per cent"
          bars={layouts.flatMap(({ id, sheets }) =>
            sheets.map((sheet, at): [string, number] => [
              `${job.materials.find((material) => material.id === id)?.name ?? id} ${at + 1}`,
              usedShare({ sheets: [sheet] }) * 100,
            ]),
          )}
          most={100}
        />
      </div>
      <section className="sheet overflow-x-auto p-4" aria-label="By cabinet">
        <h2 className="text-[1.0625rem] font-bold">By cabinet</h2>
        <table className="w-full text-right">
          <thead>
            <tr className="border-b border-rule text-ink-soft">
              <th className="px-1 text-left font-normal">Cabinet</th>
              {Object.values(COST_KINDS).map((name) => (
                <th key={name} className="px-1 font-normal">
                  {name}
                </th>
              ))}
              <th className="px-1 font-normal">Together</th>
              <th className="px-1 font-normal">Minutes</th>
              <th className="px-1 font-normal">{weightUnit(unit)}</th>
            </tr>
          </thead>
          <tbody>
            {cost.cabinets.map((each) => (
              <tr key={each.cabinet} className="border-b border-sheet-edge" data-cabinet={each.number}>
                <td className="px-1 text-left">
                  <b>{each.number}</b> {each.name}
                </td>
                {(Object.keys(COST_KINDS) as CostKind[]).map((kind) => (
                  <td key={kind} className="px-1">
                    <Working dim={each.cost[kind]} of={{ id: each.cabinet, number: each.number }}>
                      {amount(each.cost[kind])}
                    </Working>
                  </td>
                ))}
                <td className="px-1">
                  <Working dim={each.total} of={{ id: each.cabinet, number: each.number }} className="font-semibold">
                    {amount(each.total)}
                  </Working>
                </td>
                <td className="px-1">
                  <Working dim={each.time} of={{ id: each.cabinet, number: each.number }}>
                    {each.time.value.toFixed(0)}
                  </Working>
                </td>
                <td className="px-1">{weightIn(each.weight.value, unit).toFixed(1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section className="sheet p-4" aria-label="By material">
        <h2 className="text-[1.0625rem] font-bold">By material</h2>
        <table className="w-full text-right">
          <thead>
            <tr className="border-b border-rule text-ink-soft">
              <th className="px-1 text-left font-normal">Material</th>
              <th className="px-1 font-normal">Takes</th>
              <th className="px-1 font-normal">{money}</th>
              <th className="px-1 font-normal">{weightUnit(unit)}</th>
            </tr>
          </thead>
          <tbody>
            {cost.materials.map(({ material, name, quantity, unit: counted, cost: sum, weight }) => (
              <tr key={material} className="border-b border-sheet-edge">
                <td className="px-1 text-left">{name}</td>
                <td className="px-1">{takes(quantity, counted)}</td>
                <td className="px-1">
                  <Working dim={sum} className="font-semibold">
                    {amount(sum)}
                  </Working>
                </td>
                <td className="px-1">{weight > 0 ? weightIn(weight, unit).toFixed(1) : ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <HardwarePrices />
    </>
  );
}

/** Bars that lie, each with its name and its number. */
function BarsOf({ title, bars, most }: { title: string; bars: readonly (readonly [string, number])[]; most?: number }) {
  const options: ApexOptions = {
    chart: { type: 'bar', toolbar: { show: false }, animations: { enabled: false }, fontFamily: 'inherit' },
    plotOptions: { bar: { horizontal: true, barHeight: '70%', dataLabels: { position: 'bottom' } } },
    colors: ['#b9a878'],
    dataLabels: {
      enabled: true,
      textAnchor: 'start',
      formatter: (value: number) => Number(value).toLocaleString('en', { maximumFractionDigits: 0 }),
      style: { colors: [INK], fontSize: '13px', fontWeight: 600 },
    },
    xaxis: {
      categories: bars.map(([name]) => name),
      labels: { show: false },
      axisBorder: { show: false },
      axisTicks: { show: false },
      ...(most === undefined ? {} : { max: most }),
    },
    yaxis: { labels: { maxWidth: 190, style: { fontSize: '13px', colors: [INK] } } },
    grid: { show: false, padding: { top: -18, bottom: -14, left: 4 } },
    tooltip: { enabled: false },
    states: { hover: { filter: { type: 'none' } } },
  };
  return (
    <section className="sheet p-3" aria-label={title}>
      <h2 className="font-bold">{title}</h2>
      <div className="max-h-72 overflow-y-auto">
        <Chart
          type="bar"
          height={Math.max(120, 24 + bars.length * 27)}
          series={[{ name: title, data: bars.map(([, value]) => Math.round(value * 10) / 10) }]}
          options={options}
        />
      </div>
    </section>
  );
}

/** What is bought by the piece, each with its price, kept by the name it has in the list of what to buy. */
function HardwarePrices() {
  const { job, cabinets } = useCutting();
  const act = useOpenJob((state) => state.act);
  const list = useMemo(() => pricedList(cabinets, job.display), [cabinets, job.display]);
  // One price for a name, whatever is noted beside it.
  const priced = [...new Map(list.map((each) => [each.keptAs, each])).values()];
  const decide = (bought: (typeof priced)[number], price: number) => {
    const { keptAs, name } = bought;
    const known = priceFor(job.workshop.prices, bought);
    return act({
      label: `Price of ${name}`.slice(0, 120),
      edits: known
        ? [{ path: pathTo.entry(pathTo.prices, known.id), value: { ...known, price } }]
        : [{ path: pathTo.prices, insert: { id: newId('h'), name: keptAs, price } as { id: string } }],
    });
  };
  return (
    <section className="sheet p-4" aria-label="Prices of hardware">
      <h2 className="text-[1.0625rem] font-bold">Hardware, {job.workshop.costs.money} each</h2>
      <ul className="grid grid-cols-2 gap-x-8 max-lg:grid-cols-1">
        {priced.map((bought) => (
          <li key={bought.keptAs} className="flex items-center justify-between gap-3 border-b border-sheet-edge">
            <span className="min-w-0">
              {bought.name}{' '}
              <span className="text-ink-soft">
                {list.filter((each) => each.keptAs === bought.keptAs).reduce((sum, { quantity }) => sum + quantity, 0)}{' '}
                pieces
              </span>
            </span>
            <PlainField
              label={`Price of ${bought.name}`}
              width="w-20"
              value={priceFor(job.workshop.prices, bought)?.price ?? 0}
              onCommit={(value) => decide(bought, value)}
            />
          </li>
        ))}
      </ul>
    </section>
  );
}
