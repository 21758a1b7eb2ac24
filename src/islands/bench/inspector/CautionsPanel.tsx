import { Hand } from 'lucide-react';
import { useMemo, useState } from 'react';
import { cautionsFor, type StandingCaution, type Step } from '../../../core/cautions/index.js';
import type { SolvedCabinet } from '../../../core/solve.js';
import { useBench } from '../context.js';

const STEP_WORD: Record<Step, string> = {
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
  if (standing.length === 0) return null;
  const shown = standing.filter(({ id }) => !away.includes(id));
  const small = standing.filter(({ id }) => away.includes(id));
  return (
    <section aria-label="Cautions" className="sheet p-3">
      <h2 className="caps">Take care</h2>
      {problem && (
        <p role="alert" className="mt-1 font-semibold text-finding">
          {problem}
        </p>
      )}
      <ul className="mt-1 flex flex-col gap-3">
        {shown.map((caution) => (
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
            <CautionNote caution={caution} action="Let it stand again" onAction={() => put(caution.id, false)} />
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
