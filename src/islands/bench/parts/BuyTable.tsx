import { useMemo, useState } from 'react';
import { capital } from '../../../core/ground/index.js';
import { GROUPS, shoppingList, type ToBuy } from '../../../core/shop/index.js';
import { createSolver, type SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

/** What has to be bought for this cabinet, or for the whole job. */
export function BuyTable({ solved }: { solved: SolvedCabinet }) {
  const [whole, setWhole] = useState(false);
  const job = useBench((state) => state.job);
  const solver = useMemo(() => createSolver(), []);
  const list = useMemo(() => {
    if (!whole) return shoppingList([solved], job.display);
    const { cabinets, standing } = solver(job);
    return shoppingList([...cabinets, ...standing], job.display);
  }, [whole, solver, job, solved]);
  return (
    <section aria-label="What to buy" className="text-[0.9375rem]">
      <div className="sticky top-0 z-10 flex h-8 items-center gap-4 bg-sheet px-3 shadow-[0_1px_0_var(--color-ink)]">
        {(['this cabinet', 'the whole job'] as const).map((label) => (
          <label key={label} className="flex items-center gap-1.5">
            <input
              type="radio"
              name="bought-for"
              checked={whole === (label === 'the whole job')}
              onChange={() => setWhole(label === 'the whole job')}
            />
            {label}
          </label>
        ))}
        <span className="ml-auto text-ink-soft">As CSV under Export</span>
      </div>
      <table className="w-full border-collapse">
        <caption className="sr-only">
          What to buy for {whole ? 'the whole job' : `cabinet ${solved.cabinet.number}`}
        </caption>
        {GROUPS.map((group) => (
          <Group key={group} name={group} rows={list.filter((each) => each.group === group)} whole={whole} />
        ))}
      </table>
      {list.length === 0 && <p className="px-3 py-2">Nothing is bought for it but its boards.</p>}
    </section>
  );
}

function Group({ name, rows, whole }: { name: ToBuy['group']; rows: readonly ToBuy[]; whole: boolean }) {
  if (rows.length === 0) return null;
  return (
    <tbody>
      <tr>
        <th colSpan={4} scope="rowgroup" className="caps px-3 pt-2 text-left">
          {capital(name)}
        </th>
      </tr>
      {rows.map(({ name: what, quantity, unit, packs, note, cabinets }) => (
        <tr key={`${what} ${note}`} className="h-8 border-b border-ink/10 align-baseline">
          <td className="w-24 px-3 text-right font-semibold tabular-nums">
            {quantity}
            {unit === 'm' ? ' m' : ''}
          </td>
          <td className="px-2">{what}</td>
          <td className="px-2 text-ink-soft">
            {[
              note,
              packs && packs.count > 0 ? `${packs.count} ${packs.count === 1 ? 'pack' : 'packs'} of ${packs.of}` : '',
            ]
              .filter(Boolean)
              .join(', ')}
          </td>
          <td className="px-3 text-right text-ink-soft">{whole ? `cabinet ${cabinets.join(', ')}` : ''}</td>
        </tr>
      ))}
    </tbody>
  );
}
