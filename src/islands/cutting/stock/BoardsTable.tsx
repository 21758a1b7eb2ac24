import { useMemo } from 'react';
import { pathTo } from '../../../core/decisions/index.js';
import { formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import { type BoardsToBuy, boardsFor } from '../../../core/shop/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useOpenJob } from '../../openJob/context.js';
import { useCutting } from '../context.js';

/** Solid wood: what boards are bought, and what this job takes of them. */
export function BoardsTable() {
  const { job, cabinets } = useCutting();
  const needed = useMemo(() => boardsFor(job, cabinets), [job, cabinets]);
  const rows = job.stock.boards;
  if (rows.length === 0 && needed.length === 0) return null;
  return (
    <section className="sheet flex flex-col gap-2 p-4" aria-label="Solid wood">
      <h2 className="text-[1.0625rem] font-bold">Solid wood</h2>
      {rows.map((row) => (
        <BoardsRow key={row.id} id={row.id} />
      ))}
      {needed.map((each) => (
        <Needed key={each.material.id} {...each} />
      ))}
      {needed.length === 0 && <p className="text-ink-soft">Nothing of this job is made of solid wood.</p>}
    </section>
  );
}

function BoardsRow({ id }: { id: string }) {
  const job = useOpenJob((state) => state.job);
  const act = useOpenJob((state) => state.act);
  const row = job.stock.boards.find((each) => each.id === id);
  if (!row) return null;
  const name = job.materials.find((material) => material.id === row.material)?.name ?? row.material;
  const style = job.display;
  const decide = (field: 'rough' | 'width' | 'length' | 'price' | 'waste', value: number) =>
    act({ label: `Boards of ${name}`, edits: [{ path: pathTo.stockField('boards', id, field), value }] });
  const lengths = [
    ['rough', 'sawn'],
    ['width', 'wide'],
    ['length', 'long'],
  ] as const;
  return (
    <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
      <span className="font-semibold">{name}</span>
      {lengths.map(([field, word]) => (
        <span key={field} className="flex items-center gap-1.5">
          {word}
          <LengthField
            label={`${name}, boards ${word}`}
            className="w-20"
            mm={row[field]}
            style={style}
            onCommit={(mm) => decide(field, mm)}
          />
        </span>
      ))}
      <span className="flex items-center gap-1.5">
        waste
        <PlainField
          label={`${name}, waste in per cent`}
          value={Math.round(row.waste * 1000) / 10}
          onCommit={(value) => decide('waste', value / 100)}
        />
        %
      </span>
      <span className="flex items-center gap-1.5">
        {job.workshop.costs.money} a m³
        <PlainField
          label={`${name}, price of a cubic metre`}
          width="w-20"
          value={row.price}
          onCommit={(value) => decide('price', value)}
        />
      </span>
    </div>
  );
}

function Needed({ material, boards, pieces, net, gross, count, glued }: BoardsToBuy) {
  const style = useOpenJob((state) => state.job.display);
  const show = (mm: number) => formatLength(mm, style);
  return (
    <details className="border-t border-sheet-edge pt-2" data-boards={material.id}>
      <summary>
        <b>
          {material.name}: {gross.toFixed(3)} m³ to buy
        </b>
        , {net.toFixed(3)} m³ of rough pieces and waste; {count} {count === 1 ? 'board' : 'boards'} of{' '}
        {show(boards.width)} × {formatLengthWithUnit(boards.length, style)} carry them, sawn{' '}
        {formatLengthWithUnit(boards.rough, style)}
        {glued.length > 0 && `; glued up: ${glued.map(({ mark, strips }) => `${mark} of ${strips} strips`).join(', ')}`}
      </summary>
      <table className="mt-1 w-full text-left">
        <thead>
          <tr className="border-b border-rule text-ink-soft">
            <th className="px-1 font-normal">Part</th>
            <th className="px-1 text-right font-normal">Pieces</th>
            <th className="px-1 text-right font-normal">Rough length</th>
            <th className="px-1 text-right font-normal">Rough width</th>
            <th className="px-1 text-right font-normal">Cut to</th>
          </tr>
        </thead>
        <tbody>
          {pieces.map((piece) => (
            <tr key={piece.mark} className="border-b border-sheet-edge">
              <td className="px-1">
                <b>{piece.mark}</b> {piece.name}
              </td>
              <td className="px-1 text-right">{piece.quantity}</td>
              <td className="px-1 text-right">{show(piece.length)}</td>
              <td className="px-1 text-right">{show(piece.width)}</td>
              <td className="px-1 text-right">
                {show(piece.cutLength)} × {show(piece.cutWidth)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}
