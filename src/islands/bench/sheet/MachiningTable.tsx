import type { Dim } from '../../../core/ground/index.js';
import { type MachiningRow, numbersOf, type Part } from '../../../core/part/index.js';
import { bandedEdges, cutKey, cutOfKey, grainWords, machiningTable } from '../../../core/present/index.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import { shownAt } from '../numbers.js';

/** Everything cut and bored in a part, each with its reason and the edge it is measured from. Numbers open their tapes. */
export function MachiningTable({ part }: { part: Part }) {
  const rows = machiningTable(part);
  const select = useBench((state) => state.select);
  const cut = cutOfKey(useBench((state) => state.selected));
  return (
    <>
      <p className="mt-1 text-ink-soft">
        {part.material.name}, grain {grainWords(part)}
        {part.bands.length > 0 ? `, bands: ${bandedEdges(part)}` : ', no bands'}
        {part.note ? `; ${part.note}` : ''}
      </p>
      {rows.length === 0 ? (
        <p className="mt-3">Nothing is cut or bored in this part.</p>
      ) : (
        <ol className="mt-2 flex flex-col gap-2">
          {rows.map((row, at) => (
            <li
              key={at}
              data-cut={at}
              className={`border-t border-dashed border-rule pt-1.5 leading-snug ${cut?.part === part.key && cut.at === at ? 'bg-pencil-pale' : ''}`}
            >
              <p className="flex justify-between gap-2 font-semibold">
                <button
                  type="button"
                  className="text-left hover:text-pencil"
                  onClick={() => select(cutKey(part.key, at))}
                >
                  {row.positions.length > 1 ? `${row.positions.length} ` : ''}
                  {row.positions.length > 1 ? row.what.toLowerCase() : row.what}
                </button>
                <span>
                  <Size part={part} row={row} at={at} dim={row.size} />
                  {row.by && <Beside word="by" part={part} row={row} at={at} dim={row.by} />}
                  {row.depth && <Beside word="deep" part={part} row={row} at={at} dim={row.depth} />}
                </span>
              </p>
              <p className="flex justify-between gap-2">
                <span className="text-ink-soft">{row.where}</span>
                <span className="flex gap-x-2.5">
                  {[...(row.offset ? [row.offset] : []), ...(row.further ?? [])].map((each, index) => (
                    <Size key={index} part={part} row={row} at={at} dim={each} />
                  ))}
                </span>
              </p>
              {row.positions.length > 0 && (
                <p className="flex flex-wrap gap-x-2.5">
                  <span className="text-ink-soft">at</span>
                  {row.positions.map((position, index) => (
                    <Size key={index} part={part} row={row} at={at} dim={position} />
                  ))}
                </p>
              )}
              <p className="text-[0.875rem] text-ink-soft">{row.reason}</p>
            </li>
          ))}
        </ol>
      )}
    </>
  );
}

/** A number of a row of the table. */
interface SizeProps {
  readonly part: Part;
  readonly row: MachiningRow;
  /** Which row it is. */
  readonly at: number;
  readonly dim: Dim;
}

function Beside({ word, ...size }: SizeProps & { word: string }) {
  return (
    <>
      <span className="font-normal text-ink-soft"> {word} </span>
      <Size {...size} />
    </>
  );
}

function Size({ part, row, at, dim }: SizeProps) {
  const openTape = useBench((state) => state.openTape);
  const style = useBench((state) => state.job.display);
  const open = () => openTape(shownAt('cut', part.key, at, numbersOf(row).indexOf(dim)));
  return (
    <button type="button" className="hover:text-pencil" onClick={open}>
      <Length mm={dim.value} style={style} />
    </button>
  );
}
