import { useMemo, useState } from 'react';
import { differencesBetween } from '../../../core/acts/index.js';
import type { Job } from '../../../core/document/index.js';
import { type SolvedCabinet, solveCabinet } from '../../../core/solve.js';
import { useBench } from '../context.js';
import { DifferencesTable } from './DifferencesTable.js';

/**
 * What was done in this window, step by step, with what came from others between: choosing a step shows what it changed,
 * before and after; it can be walked to from here, back and forth.
 */
export function Steps({ solved }: { solved: SolvedCabinet }) {
  const past = useBench((state) => state.past);
  const future = useBench((state) => state.future);
  const arrivals = useBench((state) => state.arrivals);
  const walk = useBench((state) => state.walk);
  const [chosen, setChosen] = useState<number | null>(null);
  // What can be done again comes after what was done, the next of it first.
  const steps = [...past, ...[...future].reverse()];
  const shown = chosen === null || chosen >= steps.length ? past.length - 1 : chosen;
  const step = steps[shown];
  /** The step that is looked at stays in view, whichever way is gone. */
  const goTo = (by: number) => {
    setChosen(shown);
    walk(by);
  };
  if (steps.length === 0 && arrivals.length === 0)
    return (
      <p className="px-3 py-2 text-ink-soft">
        Nothing was done in this window yet. What was saved stands under History.
      </p>
    );
  return (
    <div className="grid h-full min-h-0 grid-cols-[19rem_minmax(0,1fr)]">
      <ol aria-label="Steps" className="min-h-0 overflow-y-auto border-r border-rule/50">
        {steps.map(({ label }, at) => (
          <li key={at}>
            {arrivals
              .filter(({ after }) => after === at)
              .map(({ label: news }, index) => (
                <p key={index} className="px-3 text-[0.875rem] text-ink-soft">
                  {news}
                </p>
              ))}
            <button
              type="button"
              className={`flex min-h-7 w-full items-baseline gap-2 px-3 text-left ${at === shown ? 'bg-pencil-pale' : 'hover:bg-sheet-edge'} ${at >= past.length ? 'text-ink-soft line-through' : ''}`}
              aria-current={at === shown}
              onClick={() => setChosen(at)}
              onDoubleClick={() => walk(at + 1 - past.length)}
            >
              <span className="w-5 shrink-0 text-right text-ink-soft tabular-nums">{at + 1}</span>
              <span className="min-w-0 flex-1">{label}</span>
            </button>
          </li>
        ))}
        {arrivals
          .filter(({ after }) => after >= steps.length)
          .map(({ label: news }, index) => (
            <li key={`news ${index}`} className="px-3 text-[0.875rem] text-ink-soft">
              {news}
            </li>
          ))}
      </ol>
      <div className="flex min-h-0 flex-col">
        {step && (
          <p className="flex items-center gap-2 px-3 py-1">
            <b className="min-w-0 flex-1 truncate">{step.label}</b>
            <button
              type="button"
              className="act"
              disabled={shown + 1 === past.length}
              onClick={() => goTo(shown + 1 - past.length)}
            >
              {shown + 1 > past.length ? 'Do up to here again' : 'Go back to after this'}
            </button>
            <button
              type="button"
              className="act"
              disabled={shown === past.length}
              onClick={() => goTo(shown - past.length)}
            >
              {shown > past.length ? 'Do up to before this' : 'Go back to before this'}
            </button>
          </p>
        )}
        <div className="min-h-0 flex-1 overflow-y-auto">
          {step && <StepDifferences before={step.before} after={step.after} cabinetId={solved.cabinet.id} />}
        </div>
      </div>
    </div>
  );
}

/** What a step changed of the cabinet that is shown, and which others it touched. */
function StepDifferences({ before, after, cabinetId }: { before: Job; after: Job; cabinetId: string }) {
  const differences = useMemo(() => {
    const [was, is] = [before, after].map((job) => {
      const cabinet = job.cabinets.find(({ id }) => id === cabinetId);
      return cabinet && solveCabinet(job, cabinet);
    });
    return was && is && differencesBetween(was, is);
  }, [before, after, cabinetId]);
  const known = new Map(before.cabinets.map((cabinet) => [cabinet.id, cabinet]));
  const others = after.cabinets.filter((cabinet) => cabinet.id !== cabinetId && known.get(cabinet.id) !== cabinet);
  return (
    <>
      {differences ? (
        <DifferencesTable differences={differences} words={['before', 'after']} />
      ) : (
        <p className="px-3 py-2">This cabinet came or went with it.</p>
      )}
      {others.length > 0 && (
        <p className="px-3 py-1 text-ink-soft">
          It changed {others.map(({ number, name }) => `${number} ${name}`).join(', ')} as well.
        </p>
      )}
    </>
  );
}
