import { FileDown } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { differencesBetween } from '../../../core/commands/index.js';
import type { Job } from '../../../core/decisions/index.js';
import { solveCabinet } from '../../../core/solve/index.js';
import { useSaving } from '../../openJob/saving/context.js';
import { useBench } from '../context.js';
import { DifferencesTable } from './DifferencesTable.js';
import { SavedStateView } from './SavedStateView.js';
import { type SavedState, useSaves } from './saves.js';

/**
 * How the job came to be as it is, the earliest first: everything that was saved, each state to be looked at and brought
 * back; then what was done in this window, with what came from others between. Choosing a step shows what it changed,
 * before and after; it can be walked to from here, back and forth.
 */
export function Steps() {
  const { jobId, state } = useSaving();
  const past = useBench((state) => state.past);
  const future = useBench((state) => state.future);
  const arrivals = useBench((state) => state.arrivals);
  const walk = useBench((state) => state.walk);
  const [chosen, setChosen] = useState<number | null>(null);
  const [looked, setLooked] = useState<SavedState | null>(null);
  const { saves, problem, earlier, stateOf } = useSaves(
    jobId,
    state.kind === 'pending',
    `${state.kind} ${arrivals.length}`,
  );
  const latest = useRef<HTMLDivElement>(null);
  // What can be done again comes after what was done, the next of it first.
  const steps = [...past, ...[...future].reverse()];
  const shown = chosen === null || chosen >= steps.length ? past.length - 1 : chosen;
  const step = looked ? undefined : steps[shown];
  const [last] = saves.slice(-1);
  // biome-ignore lint/correctness/useExhaustiveDependencies: whenever there is one more of either
  useEffect(() => {
    latest.current?.scrollIntoView({ block: 'nearest' });
  }, [steps.length, last?.version]);
  const choose = (at: number) => {
    setLooked(null);
    setChosen(at);
  };
  /** The step that is looked at stays in view, whichever way is gone. */
  const goTo = (by: number) => {
    setChosen(shown);
    walk(by);
  };
  const lookAt = async (version: number) => {
    const state = await stateOf(version);
    if (state) setLooked(state);
  };
  const line = 'flex min-h-7 w-full scroll-mt-8 items-baseline gap-2 px-3 text-left';
  const number = 'w-7 shrink-0 text-right text-ink-soft tabular-nums';
  const heading = 'sticky top-0 z-10 flex items-center gap-2 bg-sheet px-3 py-0.5 text-[0.875rem] font-semibold';
  return (
    <div className="grid h-full min-h-0 grid-cols-[21rem_minmax(0,1fr)]">
      <div className="min-h-0 overflow-y-auto border-r border-rule/50">
        <h2 className={heading}>
          <span className="flex-1">Saved</span>
          <a
            className="flex min-h-6 items-center gap-1 font-normal hover:text-pencil"
            href={`/api/jobs/${jobId}/history.json`}
          >
            <FileDown size={15} aria-hidden="true" /> Export the history
          </a>
        </h2>
        {problem && (
          <p role="alert" className="bg-finding-pale px-3 py-1 text-finding">
            {problem}
          </p>
        )}
        {earlier && (
          <button type="button" className="act mx-3 my-1" onClick={() => void earlier()}>
            Earlier saves
          </button>
        )}
        <ol aria-label="Saves">
          {saves.map(({ version, label, savedAt, setAside, unreadable }) => (
            <li key={version}>
              <button
                type="button"
                className={`${line} ${looked?.version === version ? 'bg-pencil-pale' : 'hover:bg-sheet-edge'}`}
                aria-current={looked?.version === version}
                title={`${label}, ${here(savedAt)}`}
                onClick={() => void lookAt(version)}
              >
                <span className={number}>{version}</span>
                <span className="min-w-0 flex-1 truncate">
                  {label}
                  {setAside && `, ${setAside.length} gave way`}
                  {unreadable && <span className="font-semibold text-finding">, cannot be read any more</span>}
                </span>
                <time className="shrink-0 text-[0.875rem] text-ink-soft tabular-nums" dateTime={savedAt}>
                  {here(savedAt)}
                </time>
              </button>
            </li>
          ))}
        </ol>
        <h2 className={heading}>In this window</h2>
        {steps.length === 0 && arrivals.length === 0 && (
          <p className="px-3 py-1 text-ink-soft">Nothing was done in this window yet.</p>
        )}
        <ol aria-label="Steps">
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
                className={`${line} ${!looked && at === shown ? 'bg-pencil-pale' : 'hover:bg-sheet-edge'} ${at >= past.length ? 'text-ink-soft line-through' : ''}`}
                aria-current={!looked && at === shown}
                onClick={() => choose(at)}
                onDoubleClick={() => walk(at + 1 - past.length)}
              >
                <span className={number}>{at + 1}</span>
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
        <div ref={latest} />
      </div>
      <div className="flex min-h-0 flex-col" aria-live="polite">
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
          {step && <StepDifferences before={step.before} after={step.after} />}
          {looked && (
            <SavedStateView
              key={looked.version}
              shown={looked}
              save={saves.find(({ version }) => version === looked.version)}
            />
          )}
          {!step && !looked && (
            <p className="p-3 text-ink-soft">
              Choose a save at the left to see how the job stood then; bringing it back is a step like any other, and
              can be undone.
            </p>
          )}
        </div>
      </div>
    </div>
  );
}

/** A moment by the clock of this machine: 2026-11-28 14:05. */
function here(moment: string): string {
  const at = new Date(moment);
  const two = (value: number) => String(value).padStart(2, '0');
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
}

/** What a step changed of the cabinet that is shown, and which others it touched. */
function StepDifferences({ before, after }: { before: Job; after: Job }) {
  const cabinetId = useBench((state) => state.cabinetId);
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
