import { Scissors } from 'lucide-react';
import { useMemo } from 'react';
import { keptFrom, type LayoutSheet, type SheetLayout } from '../../../core/decisions/index.js';
import { formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import { offcutsOf, sequenceOf, stripsOf, stripsToBand, usedShare } from '../../../core/shop/index.js';
import { useOpenJob } from '../../openJob/context.js';
import { CutsTable } from './CutsTable.js';
import { SheetDrawing } from './SheetDrawing.js';

/** So wide a sheet is drawn in a row of two, and alone (px). */
const WIDE = 590;
const WIDEST = 1210;

/** One sheet of a layout: its drawing, what it is, its cuts in order when they are asked for or printed. */
export function OneSheet({
  layout,
  sheet,
  marks,
  number,
  name,
  open,
  selected,
  markOf,
  pieceName,
  hasLongBand,
  grain,
  longest,
  onOpen,
  onSelect,
  onDrop,
  onCut,
  onUseAgain,
}: {
  layout: SheetLayout;
  sheet: LayoutSheet;
  /** Of its offcuts. */
  marks: readonly string[];
  number: number;
  name: string;
  open: boolean;
  selected: number | null;
  markOf: (at: number) => string;
  pieceName: (at: number) => string;
  hasLongBand: (piece: LayoutSheet['placements'][number]) => boolean;
  /** Whether its grain runs along it. */
  grain: boolean;
  /** Of all sheets of the material: they are drawn to one scale. */
  longest: number;
  onOpen: () => void;
  onSelect: (at: number) => void;
  onDrop: Parameters<typeof SheetDrawing>[0]['onDrop'];
  onCut: (() => void) | undefined;
  onUseAgain: (place: number) => void;
}) {
  const job = useOpenJob((state) => state.job);
  const sequence = useMemo(() => sequenceOf(sheet, layout, keptFrom(job.workshop)), [sheet, layout, job.workshop]);
  const offcuts = useMemo(() => offcutsOf(job, layout, sheet), [job, layout, sheet]);
  const strips = useMemo(() => stripsOf(sheet, layout), [sheet, layout]);
  const toBand = useMemo(
    () => stripsToBand(sheet, layout, hasLongBand).map(({ name }) => name),
    [sheet, layout, hasLongBand],
  );
  const used = usedShare({ sheets: [sheet] });
  const style = job.display;
  const pieces = sheet.placements.length;
  return (
    <li className={`flex flex-col gap-1 ${open ? 'w-full' : ''} print:mb-6 print:block print:break-after-page`}>
      <span className="hidden font-bold print:block">
        {job.name}: {name}, {formatLength(sheet.length, style)} × {formatLengthWithUnit(sheet.width, style)}
      </span>
      <SheetDrawing
        sheet={sheet}
        sequence={sequence}
        offcuts={offcuts}
        marks={marks}
        numbered={open}
        width={((open ? WIDEST : WIDE) * sheet.length) / longest}
        style={style}
        selected={selected}
        name={name}
        grain={grain}
        strips={strips}
        markOf={markOf}
        onSelect={onSelect}
        {...(onDrop ? { onDrop } : {})}
      />
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
        <span className="font-semibold">
          Sheet {number}
          {sheet.offcut ? ', an offcut' : ''}
          {sheet.cut ? ', cut' : ''}
        </span>
        <span className="text-ink-soft">
          {formatLength(sheet.length, style)} × {formatLengthWithUnit(sheet.width, style)}, {pieces}{' '}
          {pieces === 1 ? 'piece' : 'pieces'}, {Math.round(used * 100)} % used
          {sequence ? `, ${sequence.cuts.length} cuts` : layout.method === 'nested' ? ', routed' : ''}
        </span>
        {toBand.length > 0 && (
          <span className="font-semibold" data-band-first={toBand.join(' ')}>
            {toBand.length === 1 ? 'Strip' : 'Strips'} {toBand.join(', ')}: band before crosscutting
          </span>
        )}
        <span className="ml-auto flex gap-1 print:hidden">
          {sheet.clear.map((_, at) => (
            <button key={at} type="button" className="act" onClick={() => onUseAgain(at)}>
              Use place {at + 1} again
            </button>
          ))}
          {sequence && (
            <button type="button" className="act" aria-expanded={open} onClick={onOpen}>
              {open ? 'Shut the cuts' : 'Cuts in order'}
            </button>
          )}
          {onCut && (
            <button
              type="button"
              className="act"
              onClick={onCut}
              title="Nothing on it changes any more; its offcuts go into stock"
            >
              <Scissors size={15} aria-hidden="true" /> Mark cut
            </button>
          )}
        </span>
      </div>
      {sequence && (
        <div className={open ? '' : 'hidden print:block'}>
          <CutsTable
            sequence={sequence}
            sheet={sheet}
            style={style}
            title={`${job.name}: ${name}`}
            markOf={markOf}
            nameOf={pieceName}
          />
        </div>
      )}
    </li>
  );
}
