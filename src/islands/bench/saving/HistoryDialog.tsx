import { FileDown, History } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useEffect, useRef, useState } from 'react';
import { editsBetween, saidOf } from '../../../core/changes/index.js';
import type { Job } from '../../../core/document/index.js';
import { drawThumbnail } from '../../../core/drawing/index.js';
import type { Edit } from '../../../core/job/index.js';
import { solveCabinet } from '../../../core/solve.js';
import { ThumbnailDrawing } from '../../figures/ThumbnailDrawing.js';
import { useBench } from '../context.js';

interface Entry {
  readonly version: number;
  readonly label: string;
  readonly savedAt: string;
  readonly edits?: readonly Edit[];
  readonly setAside?: readonly Edit[];
}

/** A state and the one before it, as far as it is kept. */
interface Shown {
  readonly version: number;
  readonly job: Job;
  readonly before: Job | undefined;
}

/** So many cabinets of an earlier state are drawn. */
const DRAWN = 8;
const TALLEST = 96;
const PAGE = 100;

/** All that was saved of the job and when; any state of it can be looked at and brought back. */
export function HistoryDialog({ jobId, flush }: { jobId: string; flush: () => Promise<boolean> }) {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="act act-bare" title="What was saved of this job, and when">
        <History size={17} aria-hidden="true" /> <span className="max-xl:sr-only">History</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="sheet fixed top-1/2 left-1/2 z-50 flex h-[80vh] w-[66rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col p-5">
          <div className="flex items-start gap-3">
            <div className="flex-1">
              <Dialog.Title className="text-xl font-bold">History of this job</Dialog.Title>
              <Dialog.Description className="text-ink-soft">
                Every save, the latest first. Choose one to see how the job stood then; bringing it back is a step like
                any other, and can be undone.
              </Dialog.Description>
            </div>
            <a className="act" href={`/api/jobs/${jobId}/history.json`}>
              <FileDown size={17} aria-hidden="true" /> Export it
            </a>
            <Dialog.Close className="act">Close</Dialog.Close>
          </div>
          {open && <Saves jobId={jobId} flush={flush} onDone={() => setOpen(false)} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Saves({ jobId, flush, onDone }: { jobId: string; flush: () => Promise<boolean>; onDone: () => void }) {
  const [entries, setEntries] = useState<readonly Entry[]>([]);
  const [more, setMore] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const [shown, setShown] = useState<Shown | null>(null);
  const first = useRef(flush);

  const read = async (before: number | undefined, known: readonly Entry[]) => {
    try {
      const page = await fetch(`/api/jobs/${jobId}/history${before === undefined ? '' : `?before=${before}`}`);
      const { saved } = (await page.json()) as { saved: Entry[] };
      setEntries([...known, ...saved]);
      setMore(saved.length === PAGE);
      setProblem(null);
    } catch {
      setProblem('The server does not answer. Is it still running?');
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the dialog opens
  useEffect(() => {
    void first.current().then(() => read(undefined, []));
  }, []);

  const state = async (version: number): Promise<Job | undefined> => {
    const response = await fetch(`/api/jobs/${jobId}/history/${version}`);
    return response.ok ? ((await response.json()) as { document: Job }).document : undefined;
  };
  const show = async (entry: Entry, previous: Entry | undefined) => {
    try {
      const job = await state(entry.version);
      if (!job) {
        setProblem('That state is not kept any more.');
        return;
      }
      setShown({ version: entry.version, job, before: previous && (await state(previous.version)) });
      setProblem(null);
    } catch {
      setProblem('The server does not answer. Is it still running?');
    }
  };

  return (
    <div className="mt-3 grid min-h-0 flex-1 grid-cols-[22rem_minmax(0,1fr)] gap-4">
      <ol className="min-h-0 overflow-y-auto border-r border-rule/50 pr-2" aria-label="Saves">
        {entries.map((entry, at) => (
          <li key={entry.version}>
            <button
              type="button"
              className={`flex w-full flex-col px-2 py-1 text-left ${shown?.version === entry.version ? 'bg-pencil-pale' : 'hover:bg-sheet-edge'}`}
              aria-current={shown?.version === entry.version}
              onClick={() => void show(entry, entries[at + 1])}
            >
              <span className="line-clamp-2 leading-snug">
                <span className="font-semibold">{entry.version}</span> {entry.label}
              </span>
              <span className="text-[0.875rem] text-ink-soft">
                {here(entry.savedAt)}
                {entry.setAside && `, ${entry.setAside.length} gave way`}
              </span>
            </button>
          </li>
        ))}
        {more && (
          <li>
            <button type="button" className="act m-2" onClick={() => void read(entries.at(-1)?.version, entries)}>
              Earlier saves
            </button>
          </li>
        )}
      </ol>
      <div className="min-h-0 overflow-y-auto" aria-live="polite">
        {problem && (
          <p role="alert" className="bg-finding-pale px-3 py-1.5 font-semibold text-finding">
            {problem}
          </p>
        )}
        {shown ? (
          <State shown={shown} entry={entries.find(({ version }) => version === shown.version)} onDone={onDone} />
        ) : (
          !problem && <p className="p-4 text-ink-soft">Choose a save at the left.</p>
        )}
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

function State({ shown, entry, onDone }: { shown: Shown; entry: Entry | undefined; onDone: () => void }) {
  const bench = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const [refused, setRefused] = useState<string | null>(null);
  const { job, before, version } = shown;
  const back = editsBetween(bench, job);
  const made = before ? editsBetween(before, job) : [];
  const bringBack = () => {
    const outcome = act({ label: `Version ${version} brought back`, edits: back });
    if (outcome.ok) onDone();
    else setRefused(outcome.message);
  };
  const drawn = job.cabinets.slice(0, DRAWN).map((cabinet) => ({
    id: cabinet.id,
    kind: cabinet.kind,
    thumbnail: drawThumbnail(solveCabinet(job, cabinet)),
  }));
  const scale = TALLEST / Math.max(900, ...drawn.map(({ thumbnail }) => thumbnail.height));
  return (
    <section aria-label={`Version ${version}`} className="flex flex-col gap-3">
      <div className="flex items-start gap-3">
        <h3 className="flex-1 text-lg font-bold">
          {job.name}, version {version}
        </h3>
        {back.length > 0 ? (
          <button type="button" className="act font-semibold" onClick={bringBack}>
            Bring it back
          </button>
        ) : (
          <span className="text-ink-soft">as it is now</span>
        )}
      </div>
      {refused && (
        <p role="alert" className="font-semibold text-finding">
          {refused}
        </p>
      )}
      <div className="flex items-end gap-1.5 overflow-hidden border-b-2 border-ink" style={{ minHeight: TALLEST + 6 }}>
        {drawn.map(({ id, kind, thumbnail }) => (
          <span key={id} className={kind === 'wall' ? 'self-start' : ''}>
            <ThumbnailDrawing thumbnail={thumbnail} scale={scale} />
          </span>
        ))}
        {job.cabinets.length > DRAWN && (
          <span className="pl-2 text-ink-soft">and {job.cabinets.length - DRAWN} more</span>
        )}
      </div>
      {made.length > 0 && before && <Said title="What this save decided" edits={made} before={before} after={job} />}
      {entry?.setAside && (
        <Said title="What gave way to another window" edits={entry.setAside} before={job} after={job} />
      )}
      {back.length > 0 && <Said title="What bringing it back would change" edits={back} before={bench} after={job} />}
    </section>
  );
}

/** So many are told one by one. */
const TOLD = 40;

function Said({ title, edits, before, after }: { title: string; edits: readonly Edit[]; before: Job; after: Job }) {
  return (
    <div>
      <h4 className="font-semibold">{title}</h4>
      <ul className="text-[0.9375rem]">
        {edits.slice(0, TOLD).map((edit, at) => {
          const { what, value } = saidOf(edit, before, after);
          return (
            <li key={at} className="flex gap-3 border-b border-rule/40 py-0.5">
              <span className="flex-1">{what}</span>
              <span className="font-semibold">{value}</span>
            </li>
          );
        })}
        {edits.length > TOLD && <li className="text-ink-soft">and {edits.length - TOLD} more</li>}
      </ul>
    </div>
  );
}
