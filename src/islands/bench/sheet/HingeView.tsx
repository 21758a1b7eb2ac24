import { useCallback } from 'react';
import { frontName } from '../../../core/build/index.js';
import { drawHingeCorner, type HungDoor, hingeOfKey } from '../../../core/kinds/hinges/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';
import { DrawingSheet } from './DrawingSheet.js';

/** The door a selected part or hinge belongs to. */
export function doorOf(solved: SolvedCabinet, selected: string | null): HungDoor | undefined {
  const hinge = hingeOfKey(selected);
  return solved.fitted.hinges.find(
    ({ front }) => front.key === hinge?.frontKey || front.parts.some((part) => part.key === selected),
  );
}

/** The hinge corner of the selected door in plan, to scale. */
export function HingeView({ solved, savedAt }: { solved: SolvedCabinet; savedAt: string }) {
  const selected = useBench((state) => state.selected);
  const jobName = useBench((state) => state.job.name);
  const door = doorOf(solved, selected) ?? solved.fitted.hinges[0];
  const key = door?.front.key;
  const draw = useCallback(
    (each: SolvedCabinet) => {
      const shown = each.fitted.hinges.find(({ front }) => front.key === key);
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
  if (!door.chosen)
    return (
      <p className="max-w-[46ch] p-6 text-[1.0625rem] leading-relaxed font-semibold text-finding">
        No hinge in the library hangs {frontName(door.front)}. What rules each of them out stands at the right; the
        finding says what would let one in.
      </p>
    );
  return <DrawingSheet solved={solved} savedAt={savedAt} draw={draw} lit={false} />;
}

/** Chooses the door whose corner is shown. */
export function DoorChooser({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const select = useBench((state) => state.select);
  const door = doorOf(solved, selected) ?? solved.fitted.hinges[0];
  if (!door) return null;
  return (
    <select
      aria-label="Door shown"
      className="entry ml-2 min-w-0 max-w-60 flex-1"
      value={door.front.key}
      onChange={(event) => {
        const next = solved.fitted.hinges.find(({ front }) => front.key === event.currentTarget.value);
        select(next?.front.parts[0]?.key ?? null);
      }}
    >
      {solved.fitted.hinges.map(({ front }) => (
        <option key={front.key} value={front.key}>
          {frontName(front)}
        </option>
      ))}
    </select>
  );
}
