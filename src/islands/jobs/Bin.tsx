import { Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';

/** A job in the bin, as the server lists it. */
interface Binned {
  readonly id: string;
  readonly name: string;
  readonly cabinets: number;
  readonly deletedAt: string;
  readonly daysLeft: number;
}

/** What was deleted and can be brought back; read anew when `moment` becomes another. */
export function Bin({ moment, onBringBack }: { moment: unknown; onBringBack: (id: string) => void }) {
  const [jobs, setJobs] = useState<readonly Binned[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read anew at each moment
  useEffect(() => {
    let current = true;
    const read = async () => {
      try {
        const response = await fetch('/api/jobs/bin');
        const body = (await response.json()) as { jobs?: Binned[]; error?: { message: string } };
        if (!current) return;
        setProblem(body.error?.message ?? null);
        if (body.jobs) setJobs(body.jobs);
      } catch {
        if (current) setProblem('The server does not answer, so the bin cannot be shown.');
      }
    };
    void read();
    return () => {
      current = false;
    };
  }, [moment]);
  return (
    <section aria-label="Bin" className="sheet mb-3 px-4 py-3">
      <h2 className="text-lg font-semibold">Deleted jobs</h2>
      <p className="text-ink-soft">They stay here for 90 days on which the shop is used, whatever the calendar says.</p>
      {problem && (
        <p role="alert" className="mt-2 font-semibold text-finding">
          {problem}
        </p>
      )}
      {jobs?.length === 0 && <p className="mt-2">Nothing lies here.</p>}
      <ul className="mt-2 flex flex-col">
        {jobs?.map(({ id, name, cabinets, deletedAt, daysLeft }) => (
          <li key={id} className="flex min-h-10 items-center gap-3 border-t border-sheet-edge">
            <span className="font-semibold">{name}</span>
            <span className="mr-auto text-ink-soft">
              {cabinets} {cabinets === 1 ? 'cabinet' : 'cabinets'}, deleted {deletedAt.slice(0, 10)}, stays {daysLeft}{' '}
              more {daysLeft === 1 ? 'day' : 'days'} of use
            </span>
            <button type="button" className="act" onClick={() => onBringBack(id)} aria-label={`Bring it back: ${name}`}>
              <Undo2 size={15} aria-hidden="true" /> Bring it back
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
