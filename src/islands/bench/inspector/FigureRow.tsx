import type { NamedProfile } from '../../../core/decisions/index.js';
import type { Dim } from '../../../core/ground/index.js';
import { TRIALS } from '../../../core/kinds/index.js';
import { Length } from '../../figures/Length.js';
import { useBench, useSolvedCabinet } from '../context.js';
import { numberOn, useTapeOf } from '../numbers.js';
import { Tape } from './TapePanel.js';

/** A number of something: pressing it opens its tape under it. `within` is what it is a number of. */
export function FigureRow({ name, dim, within }: { name: string; dim: Dim | undefined; within: object }) {
  const style = useBench((state) => state.job.display);
  const openTape = useTapeOf();
  const closeTape = useBench((state) => state.closeTape);
  const solved = useSolvedCabinet();
  const tape = useBench((state) => state.tape);
  if (!dim || !solved) return null;
  const open = tape?.inPlace === true && numberOn(solved, { drawings: {} }, tape.of) === dim;
  return (
    <>
      <p className="flex items-center justify-between gap-2">
        <span>{name}</span>
        <button
          type="button"
          className="min-h-7 font-semibold hover:text-pencil aria-expanded:text-pencil"
          aria-expanded={open}
          onClick={() => {
            if (open) closeTape();
            else openTape(dim, { within, inPlace: true });
          }}
        >
          {dim.measure === 'mm' ? <Length mm={dim.value} style={style} /> : figure(dim)}
          <span className="sr-only">
            , {name}, {open ? 'put the tape away' : 'show the tape'}
          </span>
        </button>
      </p>
      {open && (
        <div className="border-l-4 border-pencil bg-pencil-pale/40 px-2 py-1">
          <Tape solved={solved} />
        </div>
      )}
    </>
  );
}

/** A weight to a tenth; what is no length and no weight, as the lift factor, whole. */
function figure({ value, measure }: Dim): string {
  return measure === 'kg' ? `${value.toFixed(1)} kg` : String(Math.round(value));
}

/** What speaks against whatever else there is, folded. */
export function WhyNot({
  against,
}: {
  against: readonly { readonly key: string; readonly name: string; readonly why: string }[];
}) {
  if (against.length === 0) return null;
  return (
    <details className="text-[0.8125rem] leading-snug">
      <summary className="min-h-7 cursor-pointer">Why not another ({against.length})</summary>
      <ul className="flex flex-col gap-1">
        {against.map(({ key, name, why }) => (
          <li key={key}>
            <b>{name}</b>: {why}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** What a test piece of a profile taught this shop; nothing where none was made. */
export function Taught({ profile: { trial } }: { profile: Pick<NamedProfile, 'trial'> }) {
  if (!trial) return null;
  const unfit = trial.outcome === 'unfit';
  return (
    <span className={`block text-[0.8125rem] font-normal ${unfit ? 'text-finding' : 'text-ink-soft'}`}>
      {TRIALS[trial.outcome]}
      {trial.taught ? `: ${trial.taught}` : ''}
    </span>
  );
}
