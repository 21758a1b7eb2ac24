import { Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { JobSummary } from '../../core/present/index.js';
import { Bin } from './Bin.js';
import { ImportJob } from './ImportJob.js';
import { JobRow } from './JobRow.js';
import { NewJob } from './NewJob.js';

interface Removed {
  readonly id: string;
  readonly name: string;
}

/** What is being figured is looked for again after so long (ms). */
const FIGURED_MS = 700;

/** The shop as the server tells it. */
interface Shop {
  readonly jobs: readonly JobSummary[];
  /** So many jobs lie in the bin. */
  readonly binned: number;
  /** What is wrong with the shop as a whole. */
  readonly concerns: readonly string[];
}

/** The shop's jobs, and the place where a new one begins with a cabinet. */
export function JobsView({ shop: first, asksForCode }: { shop: Shop; asksForCode: boolean }) {
  const [shop, setShop] = useState(first);
  const { jobs, binned, concerns } = shop;
  const [binShown, setBinShown] = useState(false);
  const [removed, setRemoved] = useState<Removed | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const refresh = async () => {
    const response = await fetch('/api/jobs');
    if (response.ok) setShop((await response.json()) as Shop);
  };
  // What is still being figured is asked for again until it is there.
  const pending = jobs.some((job) => job.pending > 0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: asked again after each answer
  useEffect(() => {
    if (!pending) return;
    const timer = setTimeout(() => refresh().catch(() => {}), FIGURED_MS);
    return () => clearTimeout(timer);
  }, [jobs]);
  const send = async (url: string, method: string): Promise<boolean> => {
    try {
      const response = await fetch(url, { method });
      if (response.status === 401) {
        window.location.assign('/enter');
        return false;
      }
      if (!response.ok) {
        const body = (await response.json()) as { error: { message: string } };
        setProblem(body.error.message);
        return false;
      }
      setProblem(null);
      await refresh();
      return true;
    } catch {
      setProblem('The server does not answer. Is it still running?');
      return false;
    }
  };
  const remove = async (job: JobSummary) => {
    if (await send(`/api/jobs/${job.id}`, 'DELETE')) setRemoved({ id: job.id, name: job.name });
  };
  const bringBack = async (id: string) => {
    if ((await send(`/api/jobs/${id}/restore`, 'POST')) && removed?.id === id) setRemoved(null);
  };
  return (
    <div className="mx-auto flex min-h-dvh max-w-[90rem] flex-col px-5 pb-6">
      <header className="flex min-h-14 items-center gap-4">
        <h1 className="text-2xl font-bold tracking-tight">Alcove</h1>
        <p className="text-ink-soft">Cabinets from overall sizes, with the arithmetic behind every number.</p>
        {asksForCode && (
          <nav aria-label="Access" className="ml-auto flex items-center gap-2">
            <a className="act act-bare" href="/access">
              Who is in
            </a>
            <form method="post" action="/leave">
              <button type="submit" className="act act-bare">
                Leave
              </button>
            </form>
          </nav>
        )}
      </header>
      {concerns.map((concern) => (
        <p key={concern} role="alert" className="mb-3 bg-finding-pale px-3 py-1.5 font-semibold text-finding">
          {concern}
        </p>
      ))}
      {removed && (
        <p role="status" className="mb-3 flex items-center gap-3 bg-ink px-3 py-1.5 text-sheet">
          “{removed.name}” is deleted.
          <button type="button" className="min-h-7 font-semibold underline" onClick={() => void bringBack(removed.id)}>
            Bring it back
          </button>
        </p>
      )}
      {problem && (
        <p
          role="alert"
          className="mb-3 whitespace-pre-line bg-finding-pale px-3 py-1.5 text-finding first-line:font-semibold"
        >
          {problem}
        </p>
      )}
      <div className="grid flex-1 grid-cols-1 items-start gap-5 lg:grid-cols-[25rem_minmax(0,1fr)]">
        <NewJob />
        <main aria-label="Jobs">
          <div className="mb-2 flex items-center justify-between">
            <h2 className="text-lg font-semibold">
              {jobs.length === 0 ? 'No jobs yet' : `${jobs.length} ${jobs.length === 1 ? 'job' : 'jobs'} in the shop`}
            </h2>
            <span className="flex items-center gap-2">
              {(binned > 0 || binShown) && (
                <button
                  type="button"
                  className="act act-bare"
                  aria-expanded={binShown}
                  onClick={() => setBinShown(!binShown)}
                >
                  <Trash2 size={15} aria-hidden="true" /> Bin, {binned} {binned === 1 ? 'job' : 'jobs'}
                </button>
              )}
              <ImportJob onProblem={setProblem} />
            </span>
          </div>
          {binShown && <Bin moment={shop} onBringBack={(id) => void bringBack(id)} />}
          {jobs.length === 0 && (
            <p className="sheet p-5 text-lg">
              Begin one at the left: three sizes are enough to draw a cabinet that can be built. Or open a job file from
              another shop.
            </p>
          )}
          <ul className="flex flex-col gap-3">
            {jobs.map((job) => (
              <li key={job.id}>
                <JobRow
                  job={job}
                  onDelete={() => void remove(job)}
                  onDuplicate={() => void send(`/api/jobs/${job.id}/duplicate`, 'POST')}
                />
              </li>
            ))}
          </ul>
        </main>
      </div>
    </div>
  );
}
