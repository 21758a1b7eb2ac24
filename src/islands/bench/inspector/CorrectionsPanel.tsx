import { History } from 'lucide-react';
import { useState } from 'react';
import type { BuiltSize, Changed, CorrectedCabinet, CorrectedJob } from '../../../core/commands/index.js';
import { formatLength, formatLengthWithUnit } from '../../../core/ground/index.js';
import { useBench } from '../context.js';

/** At the first opening of a stored job: what comes out otherwise now, and why. Once read it is put away, and can be opened again. */
export function CorrectionsPanel({ jobId, corrected }: { jobId: string; corrected: CorrectedJob }) {
  const cabinetId = useBench((state) => state.cabinetId);
  const show = useBench((state) => state.showCabinet);
  const [open, setOpen] = useState(!corrected.seen);
  const [problem, setProblem] = useState<string | null>(null);
  if (corrected.cabinets.length === 0) return null;
  const here = corrected.cabinets.find(({ id }) => id === cabinetId);
  const others = corrected.cabinets.filter((each) => each !== here);
  const away = async () => {
    try {
      const response = await fetch(`/api/jobs/${jobId}/corrections`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ seen: true }),
      });
      if (!response.ok) throw new Error();
      setOpen(false);
      setProblem(null);
    } catch {
      setProblem('That could not be kept: the server did not answer. It will be shown again.');
    }
  };
  if (!open)
    return (
      <p>
        <button type="button" className="act inline-flex items-center gap-1" onClick={() => setOpen(true)}>
          <History size={15} aria-hidden="true" /> What the rules changed
        </button>
      </p>
    );
  return (
    <section aria-label="What the rules changed" className="sheet p-3">
      <h2 className="flex items-center gap-1.5 font-bold">
        <History size={17} aria-hidden="true" /> This job comes out otherwise now
      </h2>
      <p className="mt-1 leading-snug">
        Rules were corrected since it was saved. What you decided stands; check parts that are already cut.
      </p>
      {here && <CabinetChanges cabinet={here} />}
      {others.length > 0 && (
        <p className="mt-2 leading-snug">
          {here ? 'Also changed: ' : 'Changed: '}
          {others.map(({ id, number, name }, at) => (
            <span key={id}>
              {at > 0 && ', '}
              <button type="button" className="underline" onClick={() => show(id)}>
                {number} {name}
              </button>
            </span>
          ))}
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-finding">
          {problem}
        </p>
      )}
      <p className="mt-2">
        <button type="button" className="act" onClick={() => void away()}>
          Read; put it away
        </button>
      </p>
    </section>
  );
}

const SHOWN = 6;

function CabinetChanges({ cabinet }: { cabinet: CorrectedCabinet }) {
  const [all, setAll] = useState(false);
  const { changes, corrections } = cabinet;
  const alike = changes && gathered(changes);
  const shown = all ? alike : alike?.slice(0, SHOWN);
  return (
    <>
      {changes === undefined && (
        <p className="mt-2 leading-snug text-ink-soft">What it came to before was not kept; this is what may differ.</p>
      )}
      {shown && shown.length > 0 && (
        <ul className="mt-2 flex flex-col gap-1.5" aria-label="Before and after">
          {shown.map(({ change, times }) => (
            <li key={JSON.stringify(change)} className="leading-snug" data-change={change.kind}>
              <ChangeLine change={change} times={times} />
            </li>
          ))}
        </ul>
      )}
      {alike && alike.length > SHOWN && (
        <button type="button" className="mt-1 underline" onClick={() => setAll(!all)}>
          {all ? 'Show fewer' : `Show all ${alike.length}`}
        </button>
      )}
      <ul className="mt-2 flex flex-col gap-1.5" aria-label="Why">
        {corrections.map(({ what, why }) => (
          <li key={what} className="leading-snug">
            {what} <span className="text-ink-soft">Before: {why.charAt(0).toLowerCase() + why.slice(1)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** What happened to several parts alike, told once. */
function gathered(changes: readonly Changed[]): { readonly change: Changed; readonly times: number }[] {
  const times = new Map<string, { change: Changed; times: number }>();
  for (const change of changes) {
    const key = JSON.stringify(change);
    times.set(key, { change, times: (times.get(key)?.times ?? 0) + 1 });
  }
  return [...times.values()];
}

/** "2 cuts or rows of holes more", "3 otherwise". */
function machiningWords({ before, after }: Extract<Changed, { kind: 'machining' }>): string {
  const counted = (count: number) => `${count} ${count === 1 ? 'cut or row of holes' : 'cuts or rows of holes'}`;
  if (before.length === 0) return `${counted(after.length)} more`;
  if (after.length === 0) return `${counted(before.length)} less`;
  return `${counted(after.length)} instead of ${before.length}`;
}

function ChangeLine({ change, times }: { change: Changed; times: number }) {
  const display = useBench((state) => state.job.display);
  const size = ([length, width, thickness]: BuiltSize) =>
    `${formatLength(length, display)} × ${formatLength(width, display)} × ${formatLengthWithUnit(thickness, display)}`;
  const part = <b>{times > 1 ? `${times} × ${change.part}` : change.part}</b>;
  switch (change.kind) {
    case 'size':
      return (
        <>
          {part}: <s className="text-ink-soft">{size(change.before)}</s> {size(change.after)}
        </>
      );
    case 'added':
      return (
        <>
          {part} is new: {size(change.size)}
        </>
      );
    case 'gone':
      return (
        <>
          {part} is no longer made: <s className="text-ink-soft">{size(change.size)}</s>
        </>
      );
    case 'fittings':
      return (
        <>
          {part}: {change.before} before, now {change.after}
        </>
      );
    case 'machining':
      return (
        <details>
          <summary className="cursor-pointer">
            {part}: {machiningWords(change)}
          </summary>
          <ul className="ml-3 mt-0.5 text-ink-soft">
            {change.before.map((words) => (
              <li key={`before ${words}`}>
                <s>{words}</s>
              </li>
            ))}
            {change.after.map((words) => (
              <li key={`after ${words}`}>{words}</li>
            ))}
          </ul>
        </details>
      );
  }
}
