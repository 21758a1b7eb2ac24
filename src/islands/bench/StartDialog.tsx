import { FolderPlus, Trash2 } from 'lucide-react';
import { Dialog, Tabs } from 'radix-ui';
import { useEffect, useMemo, useState } from 'react';
import { addCabinet, takenOver } from '../../core/commands/index.js';
import { type Cabinet, type Job, newCabinet, type StartingPoint, startingPoints } from '../../core/decisions/index.js';
import { formatLengthWithUnit } from '../../core/ground/index.js';
import type { CabinetSummary, JobSummary } from '../../core/present/index.js';
import { solveCabinet } from '../../core/solve/index.js';
import { LengthField } from '../fields/LengthField.js';
import { TabLine } from '../fields/TabLine.js';
import { ThumbnailDrawing } from '../figures/ThumbnailDrawing.js';
import { useFoundLater } from '../openJob/later.js';
import { reasonOf, request } from '../request.js';
import { useBench } from './context.js';
import { thumbnailOf } from './thumbnails.js';

/** So high and so wide the cabinet is drawn that would begin (px). */
const DRAWN = { height: 330, width: 380 };

interface Wanted {
  readonly cabinet: Cabinet;
  readonly label: string;
}

/** Starting a cabinet: from overall sizes, from one the shop has kept, or from one of another job; drawn as it will be. */
export function StartDialog() {
  const [open, setOpen] = useState(false);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger
        className="act act-bare"
        title="Start from sizes, from a cabinet the shop kept, or from another job"
      >
        <FolderPlus size={16} aria-hidden="true" /> From…
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="sheet fixed top-1/2 left-1/2 z-50 flex max-h-[92vh] w-[58rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col p-5">
          <Dialog.Title className="text-xl font-bold">Start a cabinet</Dialog.Title>
          <Dialog.Description className="text-ink-soft">
            It is drawn as it will come out by the standards of this job. Everything about it can be changed afterwards.
          </Dialog.Description>
          {open && <Starts onDone={() => setOpen(false)} />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const SOURCES = [
  ['sizes', 'Sizes'],
  ['kept', 'Kept by the shop'],
  ['job', 'Another job'],
] as const;

function Starts({ onDone }: { onDone: () => void }) {
  const job = useBench((state) => state.job);
  const act = useBench((state) => state.act);
  const showCabinet = useBench((state) => state.showCabinet);
  const [wanted, setWanted] = useState<Wanted | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const begin = () => {
    if (!wanted) return;
    const outcome = act(addCabinet(wanted.cabinet, wanted.label));
    setProblem(outcome.ok ? null : outcome.message);
    if (!outcome.ok) return;
    showCabinet(wanted.cabinet.id);
    onDone();
  };
  const choose = (cabinet: Cabinet, label: string) => setWanted({ cabinet, label });
  return (
    <div className="mt-3 grid min-h-0 grid-cols-[minmax(0,1fr)_25rem] gap-5">
      <Tabs.Root defaultValue="sizes" className="flex min-h-0 flex-col" onValueChange={() => setWanted(null)}>
        <TabLine label="Start from" tabs={SOURCES} />
        <Tabs.Content value="sizes" className="min-h-0 overflow-y-auto py-3">
          <FromSizes onChoose={choose} />
        </Tabs.Content>
        <Tabs.Content value="kept" className="min-h-0 overflow-y-auto py-3">
          <FromKept onChoose={choose} />
        </Tabs.Content>
        <Tabs.Content value="job" className="min-h-0 overflow-y-auto py-3">
          <FromJob onChoose={choose} />
        </Tabs.Content>
      </Tabs.Root>
      <div className="flex flex-col gap-3">
        <Preview job={job} cabinet={wanted?.cabinet} />
        {problem && (
          <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
            {problem}
          </p>
        )}
        <p className="mt-auto flex justify-end gap-2">
          <Dialog.Close className="act">Not now</Dialog.Close>
          <button type="button" className="act act-main" disabled={!wanted} onClick={begin}>
            Begin it
          </button>
        </p>
      </div>
    </div>
  );
}

function Preview({ job, cabinet }: { job: Job; cabinet: Cabinet | undefined }) {
  const style = job.display;
  const solved = useMemo(() => cabinet && solveCabinet(job, cabinet), [job, cabinet]);
  const cabinets = useMemo(() => (solved ? [solved] : []), [solved]);
  const [findings = []] = useFoundLater(cabinets) ?? [];
  if (!solved) return <p className="grid h-80 place-items-center text-ink-soft">Choose what it starts from.</p>;
  const thumbnail = thumbnailOf(solved);
  const scale = Math.min(DRAWN.height / thumbnail.height, DRAWN.width / thumbnail.width);
  const stops = findings.filter(({ severity }) => severity === 'stop');
  return (
    <figure className="flex flex-col items-center gap-2" data-preview={solved.parts.length}>
      <ThumbnailDrawing thumbnail={thumbnail} scale={scale} />
      <figcaption className="text-center leading-snug">
        <b>{solved.cabinet.name}</b>, {formatLengthWithUnit(solved.box.overallWidth.value, style)} wide,{' '}
        {formatLengthWithUnit(solved.box.height.value + solved.box.underHeight.value, style)} high,{' '}
        {formatLengthWithUnit(solved.box.overallDepth.value, style)} deep; {solved.parts.length} parts
        {stops[0] && <span className="block font-semibold text-finding">{stops[0].what}</span>}
      </figcaption>
    </figure>
  );
}

type Choose = (cabinet: Cabinet, label: string) => void;

function FromSizes({ onChoose }: { onChoose: Choose }) {
  const job = useBench((state) => state.job);
  const [from, setFrom] = useState<StartingPoint>('base');
  const [size, setSize] = useState<{ width?: number; height?: number; depth?: number }>({});
  const usual = job.house.starts[startingPoints[from].kind];
  const { width = usual.width, height = usual.height, depth = usual.depth } = size;
  // biome-ignore lint/correctness/useExhaustiveDependencies: a cabinet of these sizes, each time they change
  useEffect(() => {
    const cabinet = newCabinet(job, from);
    cabinet.size = { width, height: { from: 'overall', mm: height }, depth };
    onChoose(cabinet, `${startingPoints[from].label} added`);
  }, [from, width, height, depth]);
  const field = (name: 'width' | 'height' | 'depth', mm: number) => (
    <LengthField
      label={`Overall ${name}`}
      hideLabel={false}
      mm={mm}
      style={job.display}
      onCommit={(next) => {
        if (next < 50 || next > 6000)
          return {
            ok: false,
            message: `From ${formatLengthWithUnit(50, job.display)} to ${formatLengthWithUnit(6000, job.display)} was expected.`,
          };
        setSize({ ...size, [name]: next });
        return { ok: true };
      }}
    />
  );
  return (
    <div className="flex max-w-80 flex-col gap-3">
      <fieldset className="flex flex-col gap-1">
        <legend className="text-ink-soft">What it is</legend>
        {(Object.keys(startingPoints) as StartingPoint[]).map((point) => (
          <label key={point} className="flex min-h-8 items-center gap-2">
            <input
              type="radio"
              name="starting point"
              className="size-4 accent-pencil"
              checked={from === point}
              onChange={() => setFrom(point)}
            />
            {startingPoints[point].label}
          </label>
        ))}
      </fieldset>
      {field('width', width)}
      {field('height', height)}
      {field('depth', depth)}
    </div>
  );
}

interface Kept {
  readonly id: string;
  readonly name: string;
  readonly savedAt: string;
  readonly summary: CabinetSummary;
}

function FromKept({ onChoose }: { onChoose: Choose }) {
  const job = useBench((state) => state.job);
  const [kept, setKept] = useState<readonly Kept[] | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const tried = async (act: () => Promise<void>) => {
    try {
      setProblem(null);
      await act();
    } catch (error) {
      setProblem(reasonOf(error));
    }
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when it is opened
  useEffect(() => {
    void tried(async () => setKept((await request<{ starts: Kept[] }>('/api/shop/starts')).starts));
  }, []);
  const choose = (start: Kept) =>
    tried(async () => {
      const { document } = await request<{ document: Job }>(`/api/shop/starts/${start.id}`);
      const [cabinet] = document.cabinets;
      if (!cabinet) return;
      setChosen(start.id);
      onChoose(takenOver(job, cabinet), `${start.name} added`);
    });
  const remove = (start: Kept) =>
    tried(async () => {
      await request(`/api/shop/starts/${start.id}`, { method: 'DELETE' });
      setKept((before) => before?.filter(({ id }) => id !== start.id) ?? null);
    });
  return (
    <>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 text-finding">
          {problem}
        </p>
      )}
      {kept?.length === 0 && (
        <p className="max-w-[40ch] leading-relaxed text-ink-soft">
          The shop has kept none yet. “Keep as a start” stands beside the sheet while nothing of a cabinet is selected.
        </p>
      )}
      <ul className="grid grid-cols-2 gap-2" aria-label="Kept by the shop">
        {kept?.map((start) => (
          <li key={start.id} className="relative">
            <button
              type="button"
              className={`flex w-full flex-col items-center gap-1 border p-2 ${chosen === start.id ? 'border-pencil bg-pencil-pale' : 'border-rule/40 hover:border-pencil'}`}
              aria-pressed={chosen === start.id}
              onClick={() => void choose(start)}
            >
              <Small summary={start.summary} />
              <span className="leading-snug font-semibold">{start.name}</span>
            </button>
            <button
              type="button"
              className="absolute top-1 right-1 grid size-7 place-items-center hover:text-finding"
              aria-label={`Take ${start.name} away from the starts`}
              onClick={() => void remove(start)}
            >
              <Trash2 size={15} aria-hidden="true" />
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Small({ summary: { thumbnail } }: { summary: CabinetSummary }) {
  return <ThumbnailDrawing thumbnail={thumbnail} scale={Math.min(90 / thumbnail.height, 120 / thumbnail.width)} />;
}

function FromJob({ onChoose }: { onChoose: Choose }) {
  const job = useBench((state) => state.job);
  const [jobs, setJobs] = useState<readonly JobSummary[]>([]);
  const [other, setOther] = useState<Job | null>(null);
  const [chosen, setChosen] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  useEffect(() => {
    request<{ jobs: JobSummary[] }>('/api/jobs').then(
      ({ jobs: all }) => setJobs(all),
      (error) => setProblem(reasonOf(error)),
    );
  }, []);
  const open = (id: string) => {
    setOther(null);
    request<{ document: Job }>(`/api/jobs/${id}`).then(
      ({ document }) => setOther(document),
      (error) => setProblem(reasonOf(error)),
    );
  };
  return (
    <div className="flex flex-col gap-3">
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 text-finding">
          {problem}
        </p>
      )}
      <select
        className="entry"
        aria-label="Job to take it from"
        defaultValue=""
        onChange={(event) => open(event.currentTarget.value)}
      >
        <option value="" disabled>
          Choose a job
        </option>
        {jobs.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <ul aria-label="Cabinets of that job">
        {other?.cabinets.map((cabinet) => (
          <li key={cabinet.id}>
            <button
              type="button"
              className={`flex min-h-8 w-full items-center gap-2 px-2 text-left ${chosen === cabinet.id ? 'bg-pencil-pale' : 'hover:bg-sheet-edge'}`}
              aria-pressed={chosen === cabinet.id}
              onClick={() => {
                setChosen(cabinet.id);
                onChoose(takenOver(job, cabinet), `${cabinet.name} from ${other.name}`);
              }}
            >
              <span className="w-8 font-semibold">{cabinet.number}</span> {cabinet.name}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}
