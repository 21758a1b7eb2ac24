import { Plus } from 'lucide-react';
import {
  keptFrom,
  type Material,
  newId,
  pathTo,
  type StockSheets,
  thicknessOf,
} from '../../../core/decisions/index.js';
import { formatLengthWithUnit } from '../../../core/ground/index.js';
import { freshMark, isKept } from '../../../core/shop/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useOpenJob } from '../../openJob/context.js';
import { TakeOut } from './TakeOut.js';

/** The sheets of one material: its own size to order, and what is on hand, offcuts with their marks. */
export function MaterialStock({ material }: { material: Material }) {
  const job = useOpenJob((state) => state.job);
  const act = useOpenJob((state) => state.act);
  const style = job.display;
  const { id, name, sheet, price = 0, goodFaces = 2, prefinished = false } = material;
  const rows = job.stock.sheets.filter((row) => row.material === id);
  const { money } = job.workshop.costs;
  const laid = job.layouts?.find((layout) => layout.id === id)?.sheets;
  const cut = laid?.filter((each) => each.cut).length ?? 0;
  const decide = (path: ReturnType<typeof pathTo.material>, value: unknown, label: string) =>
    act({ label, edits: [{ path, value }] });
  const add = (offcut: boolean) => {
    const entry: StockSheets = {
      id: newId('s'),
      material: id,
      length: offcut ? Math.round(sheet.length / 2) : sheet.length,
      width: offcut ? Math.round(sheet.width / 2) : sheet.width,
      count: 1,
      price: offcut ? 0 : price,
      offcut,
      mark: offcut ? freshMark(job, id) : '',
    };
    act({
      label: offcut ? `Offcut of ${name} put into stock` : `Sheets of ${name} put into stock`,
      edits: [{ path: pathTo.stock('sheets'), insert: entry }],
    });
  };
  return (
    <section className="sheet flex flex-col gap-2 p-4" aria-label={name}>
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-[1.0625rem] font-bold">
        {name}
        <span className="text-base font-normal text-ink-soft">
          {formatLengthWithUnit(thicknessOf(material).value, style)} thick
          {material.measured.readings.length === 0 ? ', not measured yet' : ', measured'},{' '}
          {material.grain === 'length' ? 'grain along the sheet' : 'no grain'}
        </span>
        {laid && (
          <span className="text-base font-semibold">
            {laid.length} {laid.length === 1 ? 'sheet' : 'sheets'} in the accepted layout
            {cut > 0 && `, ${cut} of them cut`}
          </span>
        )}
      </h2>
      <div className="flex flex-wrap items-center gap-x-5 gap-y-1">
        <label className="flex items-center gap-2">
          Faces that may show
          <select
            className="entry"
            value={goodFaces}
            onChange={({ currentTarget: { value } }) =>
              decide(pathTo.materialField(id, 'goodFaces'), Number(value), `Good faces of ${name}`)
            }
          >
            <option value={1}>one</option>
            <option value={2}>both</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-pencil"
            checked={prefinished}
            onChange={({ currentTarget: { checked } }) =>
              decide(pathTo.materialField(id, 'prefinished'), checked, `Finish of ${name}`)
            }
          />
          comes finished
        </label>
      </div>
      <table className="w-full text-left">
        <thead>
          <tr className="border-b border-rule text-ink-soft">
            <th className="px-1 font-normal">What</th>
            <th className="w-24 px-1 text-right font-normal">Length</th>
            <th className="w-24 px-1 text-right font-normal">Width</th>
            <th className="w-24 px-1 text-right font-normal">On hand</th>
            <th className="w-28 px-1 text-right font-normal">{money} each</th>
            <th className="w-10 px-1">
              <span className="sr-only">Take away</span>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr className="border-b border-sheet-edge">
            <td className="px-1">Whole sheets, ordered as needed</td>
            <td className="px-1">
              <LengthField
                label={`${name}, length of an ordered sheet`}
                mm={sheet.length}
                style={style}
                onCommit={(mm) => decide(pathTo.materialField(id, 'sheet/length'), mm, `Sheet of ${name}`)}
              />
            </td>
            <td className="px-1">
              <LengthField
                label={`${name}, width of an ordered sheet`}
                mm={sheet.width}
                style={style}
                onCommit={(mm) => decide(pathTo.materialField(id, 'sheet/width'), mm, `Sheet of ${name}`)}
              />
            </td>
            <td className="px-1 text-right text-ink-soft">to order</td>
            <td className="px-1 text-right">
              <PlainField
                label={`${name}, price of an ordered sheet`}
                width="w-20"
                value={price}
                onCommit={(value) => decide(pathTo.materialField(id, 'price'), value, `Price of ${name}`)}
              />
            </td>
            <td />
          </tr>
          {rows.map((row) => (
            <StockRow key={row.id} row={row} name={name} small={row.offcut && !isKept(row, keptFrom(job.workshop))} />
          ))}
        </tbody>
      </table>
      <div className="flex gap-2">
        <button type="button" className="act" onClick={() => add(false)}>
          <Plus size={15} aria-hidden="true" /> Whole sheets on hand
        </button>
        <button type="button" className="act" onClick={() => add(true)}>
          <Plus size={15} aria-hidden="true" /> Offcut
        </button>
      </div>
    </section>
  );
}

function StockRow({ row, name, small }: { row: StockSheets; name: string; small: boolean }) {
  const style = useOpenJob((state) => state.job.display);
  const act = useOpenJob((state) => state.act);
  const { id, offcut, mark } = row;
  const what = offcut ? `offcut ${mark}` : 'sheets on hand';
  const decide = (field: 'length' | 'width' | 'count' | 'price' | 'mark', value: unknown) =>
    act({ label: `${name}, ${what}`, edits: [{ path: pathTo.stockField('sheets', id, field), value }] });
  return (
    <tr className="border-b border-sheet-edge" data-stock={id}>
      <td className="px-1">
        {offcut ? (
          <span className="flex flex-wrap items-center gap-2">
            Offcut
            <MarkField value={mark} label={`Mark of offcut ${mark}`} onCommit={(next) => decide('mark', next)} />
            {small && <span className="text-finding">smaller than what is worth keeping</span>}
          </span>
        ) : (
          'Whole sheets on hand'
        )}
      </td>
      <td className="px-1">
        <LengthField
          label={`${name}, length of ${what}`}
          mm={row.length}
          style={style}
          onCommit={(mm) => decide('length', mm)}
        />
      </td>
      <td className="px-1">
        <LengthField
          label={`${name}, width of ${what}`}
          mm={row.width}
          style={style}
          onCommit={(mm) => decide('width', mm)}
        />
      </td>
      <td className="px-1 text-right">
        <PlainField
          label={`${name}, count of ${what}`}
          whole
          value={row.count ?? 0}
          onCommit={(value) => decide('count', value)}
        />
      </td>
      <td className="px-1 text-right">
        <PlainField
          label={`${name}, price of ${what}`}
          width="w-20"
          value={row.price}
          onCommit={(value) => decide('price', value)}
        />
      </td>
      <td className="px-1 text-right">
        <TakeOut list={pathTo.stock('sheets')} id={id} what={`${name}, ${what}`} />
      </td>
    </tr>
  );
}

function MarkField({ value, label, onCommit }: { value: string; label: string; onCommit: (value: string) => void }) {
  return (
    <input
      key={value}
      aria-label={label}
      className="entry w-32"
      maxLength={40}
      defaultValue={value}
      onBlur={({ currentTarget }) => {
        if (currentTarget.value.trim() !== value) onCommit(currentTarget.value.trim());
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter') event.currentTarget.blur();
      }}
    />
  );
}
