import { proxy, type Remote, wrap } from 'comlink';
import { Play, Square } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Job } from '../../core/document/index.js';
import { inWords, METHODS, type Method, USUAL_CUTTING, usedShare } from '../../core/sheets/index.js';
import { formatLengthWithUnit } from '../../core/units/index.js';
import type { LaidMaterial, LayOut, Progress, SheetsWorker } from '../../workers/sheets.js';
import { SheetDrawing } from './SheetDrawing.js';

/** So wide a sheet is drawn (px). */
const WIDE = 590;

const TIMES = [
  [2, '2 seconds'],
  [10, '10 seconds'],
  [60, 'a minute'],
] as const;

/** The sheets of a job, material by material: laid out while one looks, with what is provably possible beside. */
export function SheetsView({ jobId, job }: { jobId: string; job: Job }) {
  const [method, setMethod] = useState<Method>('strips');
  const [stages, setStages] = useState<number | undefined>(undefined);
  const [seconds, setSeconds] = useState<number>(2);
  const [progress, setProgress] = useState<Progress | null>(null);
  const [running, setRunning] = useState(false);
  const [selected, setSelected] = useState<string | null>(null);
  const worker = useRef<Remote<SheetsWorker> | null>(null);
  const style = job.display;
  const cutting = USUAL_CUTTING[method];

  const layOut = (asked: LayOut) => {
    worker.current ??= wrap<SheetsWorker>(
      new Worker(new URL('../../workers/sheets.ts', import.meta.url), { type: 'module' }),
    );
    setRunning(true);
    void worker.current
      .layOut(
        job,
        asked,
        proxy((told: Progress) => {
          setProgress(told);
          if (told.done) setRunning(false);
        }),
      )
      .catch(() => setRunning(false));
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: laid out at once, and again when the way of cutting changes
  useEffect(() => {
    layOut({ method, stages: method === 'guillotine' ? stages : undefined, seconds });
  }, [method, stages]);
  const stop = () => void worker.current?.stop();
  const marked = selected === null ? undefined : progress?.marks[selected];
  const sheets = progress?.materials.reduce((sum, { packing }) => sum + packing.sheets.length, 0) ?? 0;
  return (
    <div className="mx-auto flex max-w-[80rem] flex-col gap-3 px-4 pb-8">
      <header className="flex min-h-12 flex-wrap items-center gap-3">
        <a href="/" className="text-[1.1875rem] font-bold tracking-tight">
          Alcove
        </a>
        <span aria-hidden="true" className="text-rule">
          /
        </span>
        <a href={`/jobs/${jobId}`} className="underline">
          {job.name}
        </a>
        <span aria-hidden="true" className="text-rule">
          /
        </span>
        <h1 className="text-[1.0625rem] font-semibold">Sheets</h1>
      </header>
      <div className="sheet sticky top-0 z-10 flex flex-wrap items-center gap-x-5 gap-y-2 px-4 py-2">
        <label className="flex items-center gap-2">
          Cut
          <select
            className="entry font-semibold"
            value={method}
            onChange={(event) => setMethod(event.currentTarget.value as Method)}
          >
            {Object.entries(METHODS).map(([id, words]) => (
              <option key={id} value={id}>
                {words}
              </option>
            ))}
          </select>
        </label>
        {method === 'guillotine' && (
          <label className="flex items-center gap-2">
            in at most
            <select
              className="entry font-semibold"
              value={stages ?? 'any'}
              onChange={(event) =>
                setStages(event.currentTarget.value === 'any' ? undefined : Number(event.currentTarget.value))
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
          Look for
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
          <button type="button" className="act" onClick={stop}>
            <Square size={15} aria-hidden="true" /> Stop
          </button>
        ) : (
          <button
            type="button"
            className="act"
            onClick={() => layOut({ method, stages: method === 'guillotine' ? stages : undefined, seconds })}
          >
            <Play size={15} aria-hidden="true" /> Lay out again
          </button>
        )}
        <progress
          className="w-28 accent-pencil"
          max={1}
          value={progress?.share ?? 0}
          aria-label="How much of the time is over"
        />
        <p role="status" className="ml-auto font-semibold" data-sheets={progress?.done ? sheets : undefined}>
          {progress ? `${sheets} sheets in all${running ? ' so far' : ''}` : 'The cabinets are being figured'}
        </p>
      </div>
      {marked && (
        <p className="sheet px-4 py-2" data-selected={selected}>
          <b>{selected}</b> {marked.name}, of {marked.cabinet}.{' '}
          <a
            className="font-semibold text-pencil underline"
            href={`/jobs/${jobId}?cabinet=${marked.cabinetId}&part=${encodeURIComponent(marked.key)}`}
          >
            Show it on the bench
          </a>
        </p>
      )}
      {progress?.materials.length === 0 && <p className="p-4">Nothing of this job is cut from sheets.</p>}
      {progress?.materials.map((material) => (
        <Material
          key={material.id}
          material={material}
          selected={selected}
          style={style}
          onSelect={(mark) => setSelected(mark === selected ? null : mark)}
        />
      ))}
      <aside className="sheet px-4 py-3 leading-snug" aria-label="Take care">
        <b>At the saw.</b> Narrow rips and short crosscuts bring hands near the blade: use push stick and riving knife,
        and cut small pieces from larger ones held fast. Layouts are proposals: a cut of{' '}
        {formatLengthWithUnit(cutting.kerf, style)} and a trim of {formatLengthWithUnit(cutting.trim, style)} are
        assumed
        {cutting.spacing === undefined ? '' : `, with ${formatLengthWithUnit(cutting.spacing, style)} between pieces`},
        so measure your own blade or cutter and look at each sheet's edges and faces first. The machine maker's
        instructions come before this.
      </aside>
    </div>
  );
}

function Material({
  material: { name, problem, packing, free },
  selected,
  style,
  onSelect,
}: {
  material: LaidMaterial;
  selected: string | null;
  style: Job['display'];
  onSelect: (mark: string) => void;
}) {
  const { sheets, unplaced } = packing;
  return (
    <section aria-label={name} className="sheet flex flex-col gap-3 p-4">
      <h2 className="flex flex-wrap items-baseline gap-x-3 text-[1.125rem] font-bold">
        {name}
        <span className="text-base font-normal">
          {formatLengthWithUnit(problem.sheet.length, style)} × {formatLengthWithUnit(problem.sheet.width, style)}
        </span>
        <span className="text-base font-semibold" data-layout={sheets.length}>
          {inWords(packing)}
        </span>
        <span className="text-base font-normal text-ink-soft">
          {Math.round(usedShare(packing, problem) * 100)} % of them used
        </span>
      </h2>
      {unplaced.map(({ id, quantity, reason }) => (
        <p key={id} role="alert" className="bg-finding-pale px-2 py-1 text-finding">
          {id}, {quantity} times: {reason}
        </p>
      ))}
      <ol className="flex flex-wrap gap-x-6 gap-y-4">
        {sheets.map((sheet, at) => (
          <li key={at} className="flex flex-col gap-1">
            <SheetDrawing
              sheet={sheet}
              free={free[at]}
              problem={problem}
              width={WIDE}
              style={style}
              selected={selected}
              name={`${name}, sheet ${at + 1}`}
              onSelect={onSelect}
            />
            <span className="text-ink-soft">
              Sheet {at + 1}, {sheet.placements.length} {sheet.placements.length === 1 ? 'piece' : 'pieces'}
            </span>
          </li>
        ))}
      </ol>
    </section>
  );
}
