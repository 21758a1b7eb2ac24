import { useState } from 'react';
import { type Dim, formatMm } from '../../../core/ground/index.js';
import {
  FIT_WORDS,
  findHinges,
  type HingeSolution,
  type HungDoor,
  hangOn,
  hingeKey,
  hingeOfKey,
  hingesAtPath,
  leastGap,
  solutionId,
} from '../../../core/kinds/hinges/index.js';
import { profilesOf, type SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { Length } from '../../figures/Length.js';
import { useActOn, useBench } from '../context.js';
import { useTapeOf } from '../numbers.js';
import { doorOf } from '../sheet/HingeView.js';
import { Taught } from './FigureRow.js';
import { HingeConsidered } from './HingeConsidered.js';

/** How many solutions are listed; the rest differ from these by less than anyone would choose by. */
const LISTED = 8;

/** The hinges of the selected door: what was chosen, where it goes on door and case, and what else would reach it. */
export function HingePanel({ solved }: { solved: SolvedCabinet }) {
  const selected = useBench((state) => state.selected);
  const view = useBench((state) => state.view);
  const show = useBench((state) => state.show);
  const openTape = useTapeOf();
  const door = doorOf(solved, selected) ?? (view === 'hinge' ? solved.fitted.hinges[0] : undefined);
  if (!door) return null;
  const { key } = door.front;
  return (
    <section aria-label="Hinges of this door" className="sheet p-3" key={key}>
      <h2 className="caps">Hinges of this door</h2>
      <p className="flex items-center justify-between text-ink-soft">
        <span>{FIT_WORDS[door.wish.fit]}</span>
        <button
          type="button"
          className="min-h-7 font-semibold text-ink hover:text-pencil"
          aria-label={`Weight ${door.weight.value.toFixed(1)} kg, show the tape`}
          onClick={() => openTape(door.weight, { within: door })}
        >
          {door.weight.value.toFixed(1)} kg
        </button>
      </p>
      {door.chosen ? (
        <Chosen door={door} chosen={door.chosen} solved={solved} />
      ) : (
        <p className="font-semibold text-finding">No hinge in the library reaches this door.</p>
      )}
      <Places door={door} solved={solved} />
      {view === 'hinge' ? (
        <HingeConsidered door={door} solved={solved} />
      ) : (
        <button type="button" className="act mt-1" onClick={() => show('hinge')}>
          The corner in plan, and the library
        </button>
      )}
      <Finder door={door} solved={solved} />
    </section>
  );
}

function Row({ name, children }: { name: React.ReactNode; children: React.ReactNode }) {
  return (
    <p className="flex min-h-7 items-center justify-between gap-2">
      <span>{name}</span>
      <span>{children}</span>
    </p>
  );
}

function Chosen({ door, chosen, solved }: { door: HungDoor; chosen: HingeSolution; solved: SolvedCabinet }) {
  const style = useBench((state) => state.job.display);
  const openTape = useTapeOf();
  const fine = { ...style, mmStep: 0.1 };
  const number = (dim: Dim) => (
    <button
      type="button"
      className="min-h-7 font-semibold hover:text-pencil"
      onClick={() => openTape(dim, { within: door })}
    >
      <Length mm={dim.value} style={fine} />
    </button>
  );
  return (
    <>
      <p className="mt-1 font-semibold">
        {chosen.profile.name} <span className="font-normal text-ink-soft">{chosen.profile.maker}</span>
        <Taught profile={chosen.profile} />
      </p>
      {chosen.kind === 'concealed' ? (
        <>
          <Row name="Overlay wanted">{number(door.wish.overlay)}</Row>
          <Row name={`Plate ${formatMm(chosen.plate)}, cup ${formatMm(chosen.offset)}`}>{residualWords(chosen)}</Row>
          <Row name="Least gap to turn">
            <Length mm={leastGap(chosen.profile, solved.box.frontThickness.value, chosen.offset)} style={fine} />
          </Row>
        </>
      ) : (
        <>
          <Row name="Gap wanted">{number(door.wish.gap)}</Row>
          <Row name={chosen.mortise > 0 ? 'Each leaf let in' : 'Nothing is let in'}>
            {chosen.mortise > 0 && <Length mm={chosen.mortise} style={fine} />}
          </Row>
        </>
      )}
      <Row name="Opens to">{door.stopAngle}°</Row>
    </>
  );
}

/** Hardware is always shown in mm as well: an adjuster is turned in millimetres. */
function residualWords({ exact, residual }: { exact: boolean; residual: number }): string {
  if (exact) return 'exact';
  return `${residual > 0 ? '+' : '−'}${formatMm(Math.abs(residual), 0.1)} mm to adjust`;
}

/** Both marks of every hinge; they differ by where the door's lower edge lies. Choosing a row lights both on the drawing. */
function Places({ door, solved }: { door: HungDoor; solved: SolvedCabinet }) {
  const style = useBench((state) => state.job.display);
  const openTape = useTapeOf();
  const select = useBench((state) => state.select);
  const selected = useBench((state) => state.selected);
  const act = useActOn(solved);
  const { key } = door.front;
  if (door.places.length === 0) return null;
  const cell = solved.face.ok ? solved.face.cells.find((each) => each.opening.id === door.front.openingId) : undefined;
  const decided = door.places.some((place) => place.decided);
  const place = (at: number, which: 'onDoor' | 'onCase') => (
    <button
      type="button"
      className="min-h-7 font-semibold hover:text-pencil"
      onClick={() => {
        const dim = door.places[at]?.[which];
        if (dim) openTape(dim, { within: door });
      }}
    >
      <Length mm={door.places[at]?.[which].value ?? 0} style={style} />
    </button>
  );
  const lit = hingeOfKey(selected);
  return (
    <>
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
          {door.places.map(({ moved, clear, decided: here }, at) => (
            <tr key={at} className={lit?.frontKey === key && lit.at === at ? 'bg-pencil-pale' : ''}>
              <td className="text-left text-ink-soft">
                <button
                  type="button"
                  className="min-h-7 text-left hover:text-pencil"
                  onClick={() => select(hingeKey(key, at))}
                >
                  <span className="sr-only">Select hinge </span>
                  {at + 1}
                  {!clear ? ', not clear' : here ? ', set here' : moved !== 0 ? `, moved ${formatMm(moved, 0.1)}` : ''}
                </button>
              </td>
              <td>{place(at, 'onDoor')}</td>
              <td>{place(at, 'onCase')}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {decided && cell && (
        <button
          type="button"
          className="act mt-1"
          onClick={() =>
            act({
              label: 'Hinges back to the rule',
              edits: [{ path: hingesAtPath(cell), value: undefined }],
            })
          }
        >
          Put them back where the rule has them
        </button>
      )}
    </>
  );
}

/** Type the reveal you want and see what reaches it; press one to hang the door on it. */
function Finder({ door, solved }: { door: HungDoor; solved: SolvedCabinet }) {
  const display = useBench((state) => state.job.display);
  const act = useActOn(solved);
  const [reveal, setReveal] = useState<number | undefined>();
  const library = useBench((state) => profilesOf(state.job, 'hinges'));
  const { own, solutions } = findHinges(door, solved, library, reveal);
  return (
    <div className="mt-2 border-t border-dashed border-rule pt-1.5">
      {own !== undefined && (
        <div className="flex items-center justify-between gap-2">
          <span>What reaches a reveal of</span>
          <LengthField
            label="Reveal to try"
            mm={reveal ?? own}
            style={display}
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
          const here = reveal === undefined && door.chosen !== undefined && solutionId(door.chosen) === id;
          return (
            <li key={id}>
              <button
                type="button"
                aria-pressed={here}
                className={`flex min-h-7 w-full justify-between gap-2 text-left ${here ? 'font-semibold text-pencil' : 'hover:text-pencil'}`}
                onClick={() => {
                  if (act(hangOn(door, solved, solution, reveal)).ok) setReveal(undefined);
                }}
              >
                <span>
                  {solution.profile.name}
                  {solution.kind === 'concealed' &&
                    `, plate ${formatMm(solution.plate)}, cup ${formatMm(solution.offset)}`}
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
      {reveal !== undefined && (
        <button type="button" className="act mt-1" onClick={() => setReveal(undefined)}>
          Back to this door
        </button>
      )}
    </div>
  );
}
