import { useState } from 'react';
import {
  type HingeSolution,
  type HungDoor,
  leastGap,
  overlayForReveal,
  solutionId,
  solveHinge,
} from '../../core/hinges/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { formatMm } from '../../core/units/index.js';
import { LengthField } from '../fields/LengthField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';

/** How many solutions are listed; the rest differ from these by less than anyone would choose by. */
const LISTED = 8;

const FIT = {
  full: 'full overlay on a side',
  half: 'half overlay on a partition',
  inset: 'inset',
  frame: 'overlay on a frame',
} as const;

/** The hinges of the selected door: what was chosen, where it goes on door and case, and what else would reach it. */
export function HingePanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const door = solved.doors.find(({ front }) => front.parts.some((part) => part.key === selected));
  if (!door) return null;
  return (
    <section aria-label="Hinges of this door" className="sheet p-3" key={door.front.key}>
      <h2 className="caps">Hinges of this door</h2>
      <p className="text-ink-soft">
        {FIT[door.fit]}, door of {door.weight.toFixed(1)} kg
      </p>
      {door.chosen ? (
        <Chosen door={door} chosen={door.chosen} solved={solved} />
      ) : (
        <p className="font-semibold text-finding">No hinge in the library reaches this overlay.</p>
      )}
      <Places door={door} />
      <Finder door={door} solved={solved} />
    </section>
  );
}

function Chosen({ door, chosen, solved }: { door: HungDoor; chosen: HingeSolution; solved: SolvedCabinet }) {
  const style = useBench((state) => state.job.display);
  const openTape = useBench((state) => state.openTape);
  const { key } = door.front;
  return (
    <>
      <p className="mt-1 font-semibold">
        {chosen.profile.name} <span className="font-normal text-ink-soft">{chosen.profile.maker}</span>
      </p>
      <p className="flex justify-between">
        <span>Overlay wanted</span>
        <button
          type="button"
          className="min-h-7 font-semibold hover:text-pencil"
          onClick={() => openTape((each) => each.doors.find(({ front }) => front.key === key)?.wanted)}
        >
          <Length mm={door.wanted.mm} style={style} />
        </button>
      </p>
      <p className="flex justify-between">
        <span>
          Plate {formatMm(chosen.plate)}, cup {formatMm(chosen.offset)} from the edge
        </span>
        <span>{residualWords(chosen)}</span>
      </p>
      <p className="flex justify-between">
        <span>Least gap to turn</span>
        <span>
          <Length mm={leastGap(chosen.profile, solved.box.frontThickness.mm)} style={{ ...style, mmStep: 0.1 }} />
        </span>
      </p>
    </>
  );
}

/** Hardware is always shown in mm as well: an adjuster is turned in millimetres. */
function residualWords({ exact, residual }: HingeSolution): string {
  if (exact) return 'exact';
  return `${residual > 0 ? '+' : '−'}${formatMm(Math.abs(residual), 0.1)} mm to adjust`;
}

/** Both marks of every hinge; they differ by where the door's lower edge lies. */
function Places({ door }: { door: HungDoor }) {
  const style = useBench((state) => state.job.display);
  const openTape = useBench((state) => state.openTape);
  const { key } = door.front;
  if (door.places.length === 0) return null;
  const place = (at: number, which: 'onDoor' | 'onCase') => (
    <button
      type="button"
      className="min-h-7 font-semibold hover:text-pencil"
      onClick={() => openTape((each) => each.doors.find(({ front }) => front.key === key)?.places[at]?.[which])}
    >
      <Length mm={door.places[at]?.[which].mm ?? 0} style={style} />
    </button>
  );
  return (
    <table className="mt-1 w-full text-right">
      <caption className="sr-only">Heights of the hinges on the door and on the case</caption>
      <thead>
        <tr className="border-b border-ink text-[0.875rem]">
          <th className="text-left font-semibold">From below</th>
          <th className="font-semibold">on the door</th>
          <th className="font-semibold">on the case</th>
        </tr>
      </thead>
      <tbody>
        {door.places.map(({ moved }, at) => (
          <tr key={at}>
            <td className="text-left text-ink-soft">
              {at + 1}
              {moved === undefined ? ', not clear' : moved !== 0 ? `, moved ${formatMm(moved)} mm` : ''}
            </td>
            <td>{place(at, 'onDoor')}</td>
            <td>{place(at, 'onCase')}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Type the reveal you want and see what reaches it; press one to hang the door on it. */
function Finder({ door, solved }: { door: HungDoor; solved: SolvedCabinet }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const [reveal, setReveal] = useState<number | null>(null);
  const { thickness } = solved.resolved.materials.side;
  const own = door.fit === 'full' ? overlayForReveal(thickness.mm, door.wanted.mm) : null;
  const wanted = reveal === null ? door.wanted.mm : overlayForReveal(thickness.mm, reveal);
  const candidates = job.hardware.hinges.filter((profile) => profile.fit === door.fit);
  const solutions = reveal === null ? door.solutions : solveHinge(wanted, candidates);
  const path = `cabinets/${solved.cabinet.id}/settings/hinges/choice`;
  return (
    <div className="mt-2 border-t border-dashed border-rule pt-1.5">
      {own !== null && (
        <div className="flex items-center justify-between gap-2">
          <span>What reaches a reveal of</span>
          <LengthField
            label="Reveal to try"
            mm={reveal ?? own}
            style={job.display}
            className="w-20 font-semibold"
            onCommit={(mm) => {
              setReveal(mm);
              return { ok: true };
            }}
          />
        </div>
      )}
      {solutions.length === 0 && <p className="text-finding">Nothing in the library, not even with its adjuster.</p>}
      <ol className="mt-1 flex flex-col">
        {solutions.slice(0, LISTED).map((solution) => {
          const id = solutionId(solution);
          const here = reveal === null && door.chosen !== undefined && solutionId(door.chosen) === id;
          return (
            <li key={id}>
              <button
                type="button"
                disabled={reveal !== null}
                aria-pressed={here}
                className={`flex min-h-7 w-full justify-between gap-2 text-left disabled:opacity-100 ${here ? 'font-semibold text-pencil' : 'enabled:hover:text-pencil'}`}
                onClick={() => act({ label: 'Hinge', edits: [{ path, value: id }] })}
              >
                <span>
                  {solution.profile.name}, plate {formatMm(solution.plate)}, cup {formatMm(solution.offset)}
                  {!solution.profile.stock && <span className="text-ink-soft"> to order</span>}
                </span>
                <span className="shrink-0">
                  {solution.exact
                    ? 'exact'
                    : `${solution.residual > 0 ? '+' : '−'}${formatMm(Math.abs(solution.residual), 0.1)}`}
                </span>
              </button>
            </li>
          );
        })}
      </ol>
      {solutions.length > LISTED && (
        <p className="text-[0.875rem] text-ink-soft">and {solutions.length - LISTED} more within the adjuster</p>
      )}
      {reveal !== null && (
        <button type="button" className="act mt-1" onClick={() => setReveal(null)}>
          Back to this door
        </button>
      )}
      <p className="mt-1.5 text-[0.8125rem] leading-snug text-ink-soft">
        The maker's sheet always wins: make a test piece for a hinge never used before.
      </p>
    </div>
  );
}
