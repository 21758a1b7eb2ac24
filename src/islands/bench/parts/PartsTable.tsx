import { Tabs } from 'radix-ui';
import { useEffect, useRef } from 'react';
import { decideParts } from '../../../core/commands/index.js';
import { newId } from '../../../core/decisions/index.js';
import { type Dim, formatLength } from '../../../core/ground/index.js';
import type { PartRow } from '../../../core/part/index.js';
import { bandedEdges, machiningSummary } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { TabLine } from '../../fields/TabLine.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { useTapeOf } from '../numbers.js';
import { BuyTable } from './BuyTable.js';
import { Compare } from './Compare.js';
import { Steps } from './Steps.js';

/** Every part of the cabinet. Choosing a row lights the part on the drawing; a size opens its tape. */
export function PartsTable({ solved }: { solved: SolvedCabinet }) {
  const list = useBench((state) => state.list);
  const showList = useBench((state) => state.showList);
  const pieces = solved.rows.reduce((sum, row) => sum + row.quantity, 0);
  return (
    <Tabs.Root
      value={list}
      onValueChange={(id) => showList(id as typeof list)}
      className="sheet flex min-h-0 min-w-0 flex-col"
    >
      <TabLine label="Lists" tabs={LISTS} />
      <Tabs.Content value="parts" className="relative min-h-0 overflow-auto">
        <Parts solved={solved} pieces={pieces} />
      </Tabs.Content>
      <Tabs.Content value="buy" className="relative min-h-0 overflow-auto">
        <BuyTable solved={solved} />
      </Tabs.Content>
      <Tabs.Content value="steps" className="min-h-0 flex-1 overflow-hidden">
        <Steps />
      </Tabs.Content>
      <Tabs.Content value="compare" className="min-h-0 flex-1 overflow-hidden">
        <Compare solved={solved} />
      </Tabs.Content>
    </Tabs.Root>
  );
}

const LISTS = [
  ['parts', 'Parts'],
  ['buy', 'What to buy'],
  ['steps', 'Steps and saves'],
  ['compare', 'Compare'],
] as const;

function Parts({ solved, pieces }: { solved: SolvedCabinet; pieces: number }) {
  return (
    <section aria-label="Parts">
      <table className="w-full border-collapse text-[0.9375rem]">
        <caption className="sr-only">Parts of cabinet {solved.cabinet.number}, cut sizes</caption>
        <thead className="sticky top-0 z-10 bg-sheet text-left shadow-[0_1px_0_var(--color-ink)]">
          <tr className="h-8 whitespace-nowrap">
            <th className="pl-3 font-semibold">Mark</th>
            <th className="font-semibold">{pieces} parts</th>
            <th className="px-2 text-right font-semibold">Qty</th>
            <th className="px-2 text-right font-semibold">Cut length</th>
            <th className="px-2 text-right font-semibold">Cut width</th>
            <th className="px-2 font-semibold">Material</th>
            <th className="px-2 font-semibold">Bands</th>
            <th className="w-full pr-3 pl-2 font-semibold">Machining</th>
          </tr>
        </thead>
        <tbody>
          {solved.rows.map((row) => (
            <Row key={row.mark} row={row} />
          ))}
        </tbody>
      </table>
      <LeftOutParts solved={solved} />
    </section>
  );
}

/** What the maker left out, each to be put back. */
function LeftOutParts({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  if (solved.leftOut.length === 0) return null;
  return (
    <ul className="px-3 py-1 text-[0.9375rem]" aria-label="Left out">
      {solved.leftOut.map(({ key, name }) => (
        <li key={key} className="flex min-h-8 items-center gap-3">
          <span>
            <s>{name}</s>, left out
          </span>
          <button
            type="button"
            className="min-h-7 font-semibold hover:text-pencil"
            onClick={() => act(decideParts(solved, [key], `${name} put back`, 'made', undefined, newId))}
          >
            Put it back
          </button>
        </li>
      ))}
    </ul>
  );
}

function Row({ row }: { row: PartRow }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const openTape = useTapeOf();
  const style = useBench((state) => state.job.display);
  const line = useRef<HTMLTableRowElement>(null);
  const { part, mark, quantity, keys } = row;
  const chosen = selected !== null && keys.includes(selected);
  useEffect(() => {
    if (chosen) line.current?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const size = (dim: Dim, which: 'cutLength' | 'cutWidth') => (
    <button
      type="button"
      className="min-h-7 w-full px-2 text-right font-semibold hover:text-pencil"
      data-size={`${part.key} ${which}`}
      onClick={(event) => {
        event.stopPropagation();
        select(part.key);
        openTape(dim, { within: part });
      }}
    >
      <Length mm={dim.value} style={style} />
      <span className="sr-only">
        , {part.name} {which === 'cutLength' ? 'cut length' : 'cut width'}, show the tape
      </span>
    </button>
  );
  return (
    <tr
      ref={line}
      aria-selected={chosen}
      className={`h-[30px] border-b border-sheet-edge ${chosen ? 'bg-pencil-pale' : 'hover:bg-bench/25'}`}
    >
      <td className="pl-3">
        <button
          type="button"
          className="min-h-7 min-w-10 text-left font-semibold"
          aria-label={`Select ${mark} ${part.name}`}
          onClick={() => select(chosen ? null : part.key)}
        >
          {mark}
        </button>
      </td>
      <td className="whitespace-nowrap">
        <button
          type="button"
          tabIndex={-1}
          className="min-h-7 max-w-[14rem] min-w-full truncate text-left"
          title={part.name}
          onClick={() => select(chosen ? null : part.key)}
        >
          {part.name}
          {part.bought && <span className="text-ink-soft">, bought</span>}
        </button>
      </td>
      <td className="px-2 text-right">{quantity}</td>
      <td>{size(part.cutLength, 'cutLength')}</td>
      <td>{size(part.cutWidth, 'cutWidth')}</td>
      <td className="px-2 whitespace-nowrap">{part.material.name}</td>
      <td className="px-2 whitespace-nowrap">{bandedEdges(part)}</td>
      <td
        className="w-full max-w-0 truncate pr-3 pl-2 text-ink-soft"
        title={machiningSummary(part, (mm) => formatLength(mm, style))}
      >
        {machiningSummary(part, (mm) => formatLength(mm, style))}
      </td>
    </tr>
  );
}
