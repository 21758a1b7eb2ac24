import { useCallback } from 'react';
import { drawHingeCorner, hingeOfKey } from '../../core/drawing/index.js';
import { frontName, type HungDoor } from '../../core/hinges/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { useBench } from './context.js';
import { DrawingSheet } from './DrawingSheet.js';
import { HingeConsidered } from './HingeConsidered.js';

/** The door a selected part or hinge belongs to. */
export function doorOf(solved: SolvedCabinet, selected: string | null): HungDoor | undefined {
  const hinge = hingeOfKey(selected);
  return solved.doors.find(
    ({ front }) => front.key === hinge?.frontKey || front.parts.some((part) => part.key === selected),
  );
}

/** The hinge corner in plan at scale, beside what the library holds for this door and why the rest is ruled out. */
export function HingeView({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const jobName = useBench((state) => state.job.name);
  const door = doorOf(solved, selected) ?? solved.doors[0];
  const key = door?.front.key;
  const draw = useCallback(
    (each: SolvedCabinet) => {
      const shown = each.doors.find(({ front }) => front.key === key);
      return shown && drawHingeCorner(each, shown, jobName);
    },
    [key, jobName],
  );
  if (!door)
    return (
      <p className="max-w-[46ch] p-6 text-[1.0625rem] leading-relaxed">
        This cabinet has no hinged door whose hinges are figured here. Choose a door for one of its openings, or a
        family of hinges under Hinges.
      </p>
    );
  return (
    <div className="grid min-h-0 grid-cols-[minmax(0,1fr)_19rem]">
      {door.chosen ? (
        <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lit={false} />
      ) : (
        <p className="p-6 font-semibold text-finding">No hinge in the library reaches this door.</p>
      )}
      <div className="min-h-0 overflow-y-auto border-l border-sheet-edge p-3">
        <label className="flex items-center gap-2">
          <span className="shrink-0">Hinges of</span>
          <select
            aria-label="Door shown"
            className="entry min-w-0 flex-1 font-semibold"
            value={door.front.key}
            onChange={(event) => {
              const next = solved.doors.find(({ front }) => front.key === event.currentTarget.value);
              select(next?.front.parts[0]?.key ?? null);
            }}
          >
            {solved.doors.map(({ front }) => (
              <option key={front.key} value={front.key}>
                {frontName(front)}
              </option>
            ))}
          </select>
        </label>
        <HingeConsidered door={door} solved={solved} />
      </div>
    </div>
  );
}
