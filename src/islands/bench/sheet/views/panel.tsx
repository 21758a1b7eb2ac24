import { useCallback, useState } from 'react';
import { hingeOfKey } from '../../../../core/kinds/hinges/index.js';
import { runnerAt } from '../../../../core/kinds/runners/index.js';
import { faceName, type PanelFace } from '../../../../core/part/index.js';
import { cutOfKey, drawPanel } from '../../../../core/present/index.js';
import type { SolvedCabinet } from '../../../../core/solve/index.js';
import { useBench } from '../../context.js';
import { DrawingSheet } from '../DrawingSheet.js';
import { MachiningTable } from '../MachiningTable.js';
import type { View, ViewProps } from './view.js';

/** The row of the selected part; the first part while nothing is selected. */
function useShownRow(solved: SolvedCabinet) {
  const selected = useBench((state) => state.selected);
  const hinge = hingeOfKey(selected);
  const runner = runnerAt(solved.fitted.runners, selected);
  // A selected hinge is shown where its plate stands, a runner where it is screwed to.
  const cut = cutOfKey(selected);
  const wanted = hinge
    ? solved.fitted.hinges.find(({ front }) => front.key === hinge.frontKey)?.carrier?.key
    : runner
      ? runner.held?.part
      : (cut?.part ?? selected);
  return solved.rows.find((row) => wanted && row.keys.includes(wanted)) ?? solved.rows[0];
}

function PanelChooser({ solved }: { solved: SolvedCabinet }) {
  const select = useBench((state) => state.select);
  const shown = useShownRow(solved);
  if (!shown) return null;
  return (
    <select
      aria-label="Part shown"
      className="entry ml-2 min-w-0 max-w-60 flex-1"
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

function PanelSheet({ solved, savedAt }: ViewProps) {
  const jobName = useBench((state) => state.job.name);
  const selected = useBench((state) => state.selected);
  const row = useShownRow(solved);
  const [face, setFace] = useState<PanelFace>(1);
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
      <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lit={cutOfKey(selected) !== undefined} />
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

/** One part as it lies on the bench, with its machining. */
export const panel: View<'panel'> = {
  id: 'panel',
  label: 'Panel',
  key: 'p',
  Sheet: PanelSheet,
  Chooser: PanelChooser,
};
