import { Play, Printer, Square } from 'lucide-react';
import { useCallback, useEffect, useRef, useState } from 'react';
import { METHODS, type Method, type SheetLayout } from '../../../core/decisions/index.js';
import { formatLengthWithUnit } from '../../../core/ground/index.js';
import { type CuttingWay, USUAL_WAY } from '../../../core/shop/index.js';
import { useOpenJobStore } from '../../openJob/context.js';
import { useCutting, useDemand } from '../context.js';
import { StopsNotice } from '../StopsNotice.js';
import { type ChosenPiece, MaterialSheets } from './MaterialSheets.js';
import { useLayingOut } from './useLayingOut.js';

const TIMES = [
  [2, '2 seconds'],
  [10, '10 seconds'],
  [60, 'a minute'],
] as const;

/** The part the address says is selected. */
function wantedPiece(): { readonly cabinet: string | null; readonly part: string | null } {
  const search = new URLSearchParams(window.location.search);
  return { cabinet: search.get('cabinet'), part: search.get('part') };
}

/** The sheets of a job, material by material: laid out while one looks, accepted, changed by hand, cut. */
export function SheetsView({ jobId }: { jobId: string }) {
  const { job } = useCutting();
  const { demands, byName } = useDemand();
  const store = useOpenJobStore();
  const [way, setWay] = useState<CuttingWay>(USUAL_WAY);
  const [seconds, setSeconds] = useState<number>(2);
  const [chosen, setChosen] = useState<ChosenPiece | null>(null);
  const wanted = useRef(wantedPiece());
  const laying = useLayingOut();
  const { begin, proposals, running, share } = laying;
  const accepted = (id: string) => job.layouts?.find((layout) => layout.id === id);
  const open = demands.filter(({ material }) => !accepted(material.id)).map(({ material }) => material.id);
  const first = useRef(true);
  // Laid out at once as far as nothing is accepted, and again when the way of cutting changes.
  // biome-ignore lint/correctness/useExhaustiveDependencies: only the way of cutting asks for another layout by itself
  useEffect(() => {
    if (first.current && open.length === 0) {
      first.current = false;
      return;
    }
    const materials = first.current ? open : demands.map(({ material }) => material.id);
    first.current = false;
    begin(store.getState().job, { way, materials, seconds, seed: 1 });
  }, [way]);
  const again = (materials?: readonly string[]) =>
    begin(store.getState().job, { way, ...(materials ? { materials } : {}), seconds, seed: 1 });
  const shown = demands.flatMap(({ material }): SheetLayout[] => {
    const layout = proposals[material.id]?.layout ?? accepted(material.id);
    return layout ? [layout] : [];
  });
  const whole = shown.length === demands.length && !running;
  // A part that was selected on the bench is selected here, as soon as it lies somewhere.
  useEffect(() => {
    const { cabinet, part } = wanted.current;
    if (!whole || cabinet === null || part === null) return;
    wanted.current = { cabinet: null, part: null };
    for (const { id, sheets } of shown)
      for (const sheet of sheets) {
        const at = sheet.placements.findIndex((each) => each.cabinet === cabinet && each.part === part);
        if (at < 0) continue;
        setChosen({ material: id, sheet: sheet.id, at });
        requestAnimationFrame(() =>
          document
            .querySelector(`[data-material="${CSS.escape(id)}"] [data-sheet="${CSS.escape(sheet.id)}"]`)
            ?.scrollIntoView({ block: 'center' }),
        );
      }
  }, [whole, shown]);
  const choose = useCallback(
    (piece: ChosenPiece | null) => {
      setChosen(piece);
      const layout =
        piece && (proposals[piece.material]?.layout ?? job.layouts?.find(({ id }) => id === piece.material));
      const placed = layout?.sheets.find(({ id }) => id === piece?.sheet)?.placements[piece?.at ?? -1];
      // The address keeps what is selected, here and on the bench.
      const search = placed ? `?cabinet=${placed.cabinet}&part=${encodeURIComponent(placed.part)}` : '';
      window.history.replaceState(null, '', `${window.location.pathname}${search}`);
    },
    [proposals, job.layouts],
  );
  const sheets = shown.reduce((sum, layout) => sum + layout.sheets.length, 0);
  const { cutting } = job.workshop;
  return (
    <>
      <h1 className="sr-only">Sheets</h1>
      <div className="sheet sticky top-0 z-10 flex flex-wrap items-center gap-x-4 gap-y-2 px-4 py-2 print:hidden">
        <label className="flex items-center gap-2">
          Cut
          <select
            className="entry font-semibold"
            value={way.method}
            onChange={(event) => setWay({ ...way, method: event.currentTarget.value as Method })}
          >
            {Object.entries(METHODS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {way.method === 'guillotine' && (
          <label className="flex items-center gap-2">
            in at most
            <select
              className="entry font-semibold"
              value={way.stages ?? 'any'}
              onChange={({ currentTarget: { value } }) =>
                setWay({ ...way, stages: value === 'any' ? null : Number(value) })
              }
            >
              <option value="any">any number of stages</option>
              {[2, 3, 4].map((count) => (
                <option key={count} value={count}>
                  {count} stages
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="flex items-center gap-2">
          for
          <select
            className="entry font-semibold"
            value={way.goals.first}
            onChange={({ currentTarget: { value } }) =>
              setWay({ ...way, goals: { ...way.goals, first: value as 'sheets' | 'cost' } })
            }
          >
            <option value="sheets">fewest sheets</option>
            <option value="cost">least cost</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          then
          <select
            className="entry font-semibold"
            value={way.goals.next}
            onChange={({ currentTarget: { value } }) =>
              setWay({ ...way, goals: { ...way.goals, next: value as 'offcut' | 'fences' } })
            }
          >
            <option value="offcut">the largest offcut</option>
            <option value="fences">fewest fence positions</option>
          </select>
        </label>
        <label className="flex items-center gap-2">
          look for
          <select
            className="entry font-semibold"
            value={seconds}
            onChange={(event) => setSeconds(Number(event.currentTarget.value))}
          >
            {TIMES.map(([value, words]) => (
              <option key={value} value={value}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {running ? (
          <button type="button" className="act" onClick={laying.stop}>
            <Square size={15} aria-hidden="true" /> Stop
          </button>
        ) : (
          <button type="button" className="act" onClick={() => again()}>
            <Play size={15} aria-hidden="true" /> Lay out all
          </button>
        )}
        {running && (
          <span
            role="progressbar"
            aria-label="How much of the time is over"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(share * 100)}
            className="h-2 w-20 border border-ink"
          >
            <span className="block h-full bg-pencil" style={{ width: `${share * 100}%` }} />
          </span>
        )}
        <p role="status" className="ml-auto font-semibold" data-sheets={whole ? sheets : undefined}>
          {shown.length > 0 ? `${sheets} sheets in all${running ? ' so far' : ''}` : 'The cabinets are being figured'}
        </p>
        <button type="button" className="act" onClick={() => window.print()}>
          <Printer size={15} aria-hidden="true" /> Print
        </button>
      </div>
      <StopsNotice jobId={jobId} />
      {laying.failed && (
        <p role="alert" className="bg-finding-pale px-3 py-2 text-finding">
          The sheets could not be laid out. Lay them out again; what was accepted stays as it is.
        </p>
      )}
      {demands.length === 0 && <p className="p-4">Nothing of this job is cut from sheets.</p>}
      {demands.map((demand) => (
        <MaterialSheets
          key={demand.material.id}
          jobId={jobId}
          demand={demand}
          demands={demands}
          byName={byName}
          accepted={accepted(demand.material.id)}
          proposal={proposals[demand.material.id]}
          running={running}
          chosen={chosen?.material === demand.material.id ? chosen : null}
          onChoose={choose}
          onAgain={() => again([demand.material.id])}
          onDrop={() => laying.drop(demand.material.id)}
        />
      ))}
      <aside className="sheet px-4 py-3 leading-snug" aria-label="Take care">
        <b>At the saw.</b> Narrow rips and short crosscuts bring hands near the blade: use push stick and riving knife,
        and cut small pieces from larger ones held fast. Layouts are proposals, figured with a{' '}
        {way.method === 'nested'
          ? `cutter of ${formatLengthWithUnit(cutting.cutter, job.display)} and a margin of ${formatLengthWithUnit(cutting.margin, job.display)}`
          : `cut of ${formatLengthWithUnit(cutting.kerf, job.display)}`}{' '}
        and {formatLengthWithUnit(cutting.trim, job.display)} trimmed off each edge (
        <a className="underline print:no-underline" href={`/jobs/${jobId}/stock`}>
          decided with the stock
        </a>
        ): measure your own blade or cutter, and look at each sheet's edges and faces first. The machine maker's
        instructions come before this.
      </aside>
    </>
  );
}
