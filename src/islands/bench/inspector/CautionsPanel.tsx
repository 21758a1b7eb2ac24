import { Hand } from 'lucide-react';
import { useEffect, useMemo, useState } from 'react';
import { cautionsFor, type StandingCaution, type WorkStep } from '../../../core/present/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { useBench } from '../context.js';

const STEP_WORD: Record<WorkStep, string> = {
  cutting: 'At the saw',
  machining: 'Machining',
  moving: 'Moving it',
  fitting: 'Fitting',
  installation: 'Installing',
};

/** Where the work can hurt somebody: read once, put away for the whole shop, never gone. */
export function CautionsPanel({ solved, dismissed }: { solved: SolvedCabinet; dismissed: readonly string[] }) {
  const display = useBench((state) => state.job.display);
  const standing = useMemo(() => cautionsFor({ display }, solved), [display, solved]);
  const { put, away, problem } = useDismissed(dismissed);
  const [opened, setOpened] = useState<string | null>(null);
  const [unfolded, setUnfolded] = useState(false);
  const seen = useSeen(solved.cabinet.id, standing);
  if (standing.length === 0) return null;
  const shown = standing.filter(({ id }) => !away.includes(id));
  const small = standing.filter(({ id }) => away.includes(id));
  const folded = !unfolded && shown.length > 0 && shown.every(({ id }) => seen.includes(id));
  return (
    <section aria-label="Cautions" className="sheet p-3">
      <h2 className="caps">Take care</h2>
      {folded && (
        <p className="mt-1 flex items-center gap-1.5">
          <Hand size={17} aria-hidden="true" />
          <button type="button" className="act" aria-expanded={false} onClick={() => setUnfolded(true)}>
            {shown.length === 1 ? '1 caution' : `${shown.length} cautions`}, read in this job
          </button>
        </p>
      )}
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-finding">
          {problem}
        </p>
      )}
      <ul className="mt-1 flex flex-col gap-3">
        {(folded ? [] : shown).map((caution) => (
          <li key={caution.id} data-caution={caution.id}>
            <CautionNote caution={caution} action="Put away for this shop" onAction={() => put(caution.id, true)} />
          </li>
        ))}
      </ul>
      {small.length > 0 && (
        <ul className="mt-2 flex flex-wrap gap-1.5" aria-label="Cautions put away">
          {small.map((caution) => (
            <li key={caution.id} data-caution-sign={caution.id}>
              <button
                type="button"
                className="act inline-flex items-center gap-1"
                aria-expanded={opened === caution.id}
                onClick={() => setOpened(opened === caution.id ? null : caution.id)}
              >
                <Hand size={15} aria-hidden="true" /> {caution.title}
              </button>
            </li>
          ))}
        </ul>
      )}
      {small
        .filter(({ id }) => id === opened)
        .map((caution) => (
          <div key={caution.id} className="mt-2" data-caution={caution.id}>
            <CautionNote
              caution={caution}
              action="Let it stand again"
              onAction={() => {
                setUnfolded(true);
                put(caution.id, false);
              }}
            />
          </div>
        ))}
    </section>
  );
}

interface CautionNoteProps {
  readonly caution: StandingCaution;
  readonly action: string;
  readonly onAction: () => void;
}

function CautionNote({ caution, action, onAction }: CautionNoteProps) {
  return (
    <div className="border-l-4 border-rule pl-2">
      <p className="flex items-center gap-1.5 font-bold">
        <Hand size={17} aria-hidden="true" /> {caution.title}
        <span className="ml-auto text-sm font-normal text-ink-soft">{STEP_WORD[caution.step]}</span>
      </p>
      <p className="leading-snug">{caution.why}</p>
      <p className="leading-snug">{caution.says}</p>
      <p className="leading-snug text-ink-soft">{caution.defers}</p>
      <p className="mt-1">
        <button type="button" className="act" onClick={onAction}>
          {action}
        </button>
      </p>
    </div>
  );
}

/** What the shop has put away, kept on the server; a failed write is said and changes nothing. */
function useDismissed(first: readonly string[]) {
  const [away, setAway] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const put = async (id: string, dismissed: boolean) => {
    try {
      const response = await fetch(`/api/shop/cautions/${id}`, {
        method: 'PUT',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ dismissed }),
      });
      const body = await response.json();
      if (!response.ok) throw new Error(body.error?.message);
      setAway(body.dismissed);
      setProblem(null);
    } catch {
      setProblem('That could not be kept: the server did not answer. The caution stays as it was.');
    }
  };
  return { put, away, problem };
}

/**
 * The cautions somebody has had before them in this job on this machine: those of a cabinet count as read once the maker
 * has gone on from it. Kept by the browser, since it is a convenience and no record.
 */
function useSeen(cabinet: string, standing: readonly StandingCaution[]): readonly string[] {
  const [seen, setSeen] = useState<readonly string[]>([]);
  // Another cabinet with the same cautions is gone on to as well.
  const now = [cabinet, ...standing.map(({ id }) => id)].join(' ');
  useEffect(() => {
    setSeen(readSeen());
    const [, ...shown] = now.split(' ');
    return () => {
      const all = [...new Set([...readSeen(), ...shown])];
      setSeen(all);
      try {
        localStorage.setItem(seenKey(), JSON.stringify(all));
      } catch {
        // A browser that keeps nothing shows them again.
      }
    };
  }, [now]);
  return seen;
}

const seenKey = () => `alcove cautions read ${location.pathname}`;

function readSeen(): string[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(seenKey()) ?? '[]');
    return Array.isArray(kept) ? kept.filter((each) => typeof each === 'string') : [];
  } catch {
    return [];
  }
}
