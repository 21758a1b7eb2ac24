import { useCallback, useState } from 'react';
import { drawElevation, drawPanel, drawSection } from '../../core/drawing/index.js';
import { hingeOfKey } from '../../core/fitted/index.js';
import type { Face } from '../../core/machining/index.js';
import { faceName } from '../../core/parts/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { useBench } from './context.js';
import { DrawingSheet } from './DrawingSheet.js';
import { DoorChooser, HingeView } from './HingeView.js';
import { MachiningTable } from './MachiningTable.js';
import { type BenchView, besideOf } from './store.js';

const VIEWS: readonly [BenchView, string][] = [
  ['front', 'Front'],
  ['section', 'Section'],
  ['panel', 'Panel'],
  ['hinge', 'Hinge corner'],
];

/** The sheet of paper on the bench: front elevation, side section, one panel with its machining, or a hinge in plan. */
export function Sheet({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const view = useBench((state) => state.view);
  const show = useBench((state) => state.show);
  const partsShown = useBench((state) => state.partsShown);
  const showParts = useBench((state) => state.showParts);
  const jobName = useBench((state) => state.job.name);
  const job = useBench((state) => state.job);
  const all = useBench((state) => state.solved);
  const front = useCallback(
    (each: SolvedCabinet) => drawElevation(each, jobName, besideOf(job, all, each.cabinet.id)),
    [jobName, job, all],
  );
  const section = useCallback((each: SolvedCabinet) => drawSection(each, jobName), [jobName]);
  return (
    <div className="sheet grid min-h-0 grid-rows-[auto_minmax(0,1fr)]">
      <div className="flex items-center gap-1 border-b border-sheet-edge px-2">
        <div role="tablist" aria-label="View" className="flex gap-1">
          {VIEWS.map(([id, label]) => (
            <button
              key={id}
              type="button"
              role="tab"
              aria-selected={view === id}
              className={`min-h-8 border-b-2 px-2.5 ${view === id ? 'border-pencil font-bold' : 'border-transparent text-ink-soft hover:text-ink'}`}
              onClick={() => show(id)}
            >
              {label}
            </button>
          ))}
        </div>
        <PanelChooser solved={solved} />
        <DoorChooser solved={solved} />
        {view !== 'hinge' && (
          <button
            type="button"
            className="ml-auto min-h-8 px-2 text-ink-soft hover:text-ink"
            aria-pressed={partsShown}
            onClick={() => showParts(!partsShown)}
          >
            {partsShown ? 'Hide parts' : 'Show parts'}
          </button>
        )}
      </div>
      {view === 'front' && <DrawingSheet solved={solved} savedAt={savedAt} draw={front} />}
      {view === 'section' && <DrawingSheet solved={solved} savedAt={savedAt} draw={section} />}
      {view === 'panel' && <PanelView solved={solved} savedAt={savedAt} />}
      {view === 'hinge' && <HingeView solved={solved} savedAt={savedAt} />}
    </div>
  );
}

/** The row of the selected part; the first part while nothing is selected. */
function useShownRow(solved: SolvedCabinet) {
  const selected = useBench((state) => state.selected);
  const hinge = hingeOfKey(selected);
  // A selected hinge is shown where its plate stands.
  const wanted = hinge
    ? solved.fitted.hinges.find(({ front }) => front.key === hinge.frontKey)?.carrier?.key
    : selected;
  return solved.rows.find((row) => wanted && row.keys.includes(wanted)) ?? solved.rows[0];
}

function PanelChooser({ solved }: { solved: SolvedCabinet }) {
  const view = useBench((state) => state.view);
  const select = useBench((state) => state.select);
  const shown = useShownRow(solved);
  if (view !== 'panel' || !shown) return null;
  return (
    <select
      aria-label="Part shown"
      className="entry ml-2"
      value={shown.part.key}
      onChange={(event) => select(event.currentTarget.value)}
    >
      {solved.rows.map((row) => (
        <option key={row.mark} value={row.part.key}>
          {row.mark} {row.part.name}
        </option>
      ))}
    </select>
  );
}

function PanelView({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const jobName = useBench((state) => state.job.name);
  const row = useShownRow(solved);
  const [face, setFace] = useState<Face>(1);
  const key = row?.part.key;
  const draw = useCallback(
    (each: SolvedCabinet) => {
      const shown = each.rows.find((other) => key !== undefined && other.keys.includes(key));
      return shown && drawPanel(shown.part, face, shown.mark, jobName, each);
    },
    [key, face, jobName],
  );
  if (!row) return <p className="p-6">There is no part to show.</p>;
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_18rem]">
      <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lit={false} />
      <div className="min-h-0 overflow-y-auto border-l border-sheet-edge p-3">
        <fieldset className="flex gap-3">
          <legend className="sr-only">Face up</legend>
          {([1, 2] as const).map((each) => (
            <label key={each} className="flex min-h-7 items-center gap-1.5">
              <input
                type="radio"
                name="face up"
                className="size-4 accent-pencil"
                checked={face === each}
                onChange={() => setFace(each)}
              />
              {faceName(row.part, each)} up
            </label>
          ))}
        </fieldset>
        <MachiningTable part={row.part} />
      </div>
    </div>
  );
}
