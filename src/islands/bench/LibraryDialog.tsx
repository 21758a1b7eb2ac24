import { FileDown, FileUp, Trash2, Wrench } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import { testPieceFor } from '../../core/commands/index.js';
import {
  type Hardware,
  mergeHardware,
  type NamedProfile,
  pathTo,
  type TrialOutcome,
  writeJob,
} from '../../core/decisions/index.js';
import { TRIALS } from '../../core/kinds/index.js';
import { allKinds, type KindLibrary, libraries, readHardwareText } from '../../core/solve/index.js';
import { download } from '../openJob/saving/download.js';
import { useBench } from './context.js';

/** The hardware library of the job: what is in it, from where, and the way in and out as an open file. */
export function LibraryDialog({ jobId, flush }: { jobId: string; flush: () => Promise<boolean> }) {
  const job = useBench((state) => state.job);
  const library = job.hardware;
  const act = useBench((state) => state.act);
  const [word, setWord] = useState<{ text: string; refused: boolean } | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const set = (label: string, next: Hardware) => {
    const outcome = act({
      label,
      edits: libraries.map(({ id }) => ({ path: pathTo.library(id), value: next[id] })),
    });
    if (!outcome.ok) setWord({ text: outcome.message, refused: true });
    return outcome.ok;
  };
  const bring = async (chosen: File) => {
    const read = readHardwareText(await chosen.text());
    if (!read.ok) {
      const [first, ...more] = read.errors;
      const where = first?.path ? ` (${first.path})` : '';
      const rest = more.length > 0 ? ` And ${more.length} more.` : '';
      setWord({ text: `${chosen.name}: ${first?.message ?? 'it could not be read.'}${where}${rest}`, refused: true });
      return;
    }
    const came = libraries
      .filter(({ id }) => (read.value[id]?.length ?? 0) > 0)
      .map(({ id, one, label }) => {
        const count = read.value[id]?.length;
        return `${count} ${count === 1 ? one : label.toLowerCase()}`;
      })
      .join(', ');
    if (set(`Library ${chosen.name}`, mergeHardware(library, read.value)))
      setWord({
        text: came ? `${came} came in from ${chosen.name}.` : `${chosen.name} holds no profiles.`,
        refused: false,
      });
  };
  const without = (kind: string, id: string) =>
    ({ ...library, [kind]: library[kind]?.filter((profile) => profile.id !== id) }) as Hardware;
  const makeTestPiece = async (kind: string, id: string) => {
    const name = library[kind]?.find((profile) => profile.id === id)?.name ?? id;
    const piece = testPieceFor(job, kind, id);
    if (!piece) {
      setWord({ text: `${name} goes into no small test piece of this job's boards.`, refused: true });
      return;
    }
    await flush();
    const answer = await fetch('/api/jobs/import', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: writeJob(piece),
    }).catch(() => undefined);
    const made = answer?.ok ? ((await answer.json()) as { id: string }) : undefined;
    if (made) window.location.assign(`/jobs/${made.id}`);
    else setWord({ text: 'The test piece could not be stored. Try again when the server answers.', refused: true });
  };
  const leave = async () => {
    await flush();
    download(`/api/jobs/${jobId}/hardware.json`);
  };
  return (
    <Dialog.Root onOpenChange={() => setWord(null)}>
      <Dialog.Trigger className="act ml-2">
        <Wrench size={16} aria-hidden="true" /> Hardware
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/40" />
        <Dialog.Content className="sheet fixed top-1/2 left-1/2 z-50 flex max-h-[86vh] w-[62rem] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 flex-col p-5">
          <div className="flex items-start gap-3">
            <div className="flex-1">
              <Dialog.Title className="text-xl font-bold">Hardware of this job</Dialog.Title>
              <Dialog.Description className="text-ink-soft">
                Lengths in millimetres. The maker's own sheet always wins over what is entered here.
              </Dialog.Description>
            </div>
            <input
              ref={file}
              type="file"
              accept=".json,application/json"
              aria-label="Hardware library to bring in"
              className="sr-only"
              tabIndex={-1}
              onChange={(event) => {
                const [chosen] = event.currentTarget.files ?? [];
                if (chosen) void bring(chosen);
                event.currentTarget.value = '';
              }}
            />
            <button type="button" className="act" onClick={() => file.current?.click()}>
              <FileUp size={16} aria-hidden="true" /> Bring in a library
            </button>
            <button type="button" className="act" onClick={() => void leave()}>
              <FileDown size={16} aria-hidden="true" /> Library file
            </button>
            <Dialog.Close className="act">Close</Dialog.Close>
          </div>
          {word && (
            <p
              role={word.refused ? 'alert' : 'status'}
              className={`mt-2 px-2 py-1 ${word.refused ? 'bg-finding-pale text-finding' : 'bg-pencil-pale'}`}
            >
              {word.text}
            </p>
          )}
          <div className="mt-3 min-h-0 overflow-y-auto">
            {libraries.map((each) => (
              <Profiles
                key={each.id}
                library={each}
                profiles={library[each.id] ?? []}
                onRemove={(id) => set(`${each.one} taken out of the library`, without(each.id, id))}
                onTrial={(id) => void makeTestPiece(each.id, id)}
              />
            ))}
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const HEAD = 'sticky top-0 z-10 bg-sheet text-left shadow-[0_1px_0_var(--color-ink)]';

/** The profiles of one kind: its own columns between name and source. */
function Profiles({
  library,
  profiles,
  onRemove,
  onTrial,
}: {
  library: KindLibrary;
  profiles: readonly NamedProfile[];
  onRemove: (id: string) => void;
  onTrial: (id: string) => void;
}) {
  return (
    <table className="mb-4 w-full border-collapse text-[0.9375rem]">
      <caption className="sr-only">{library.label}</caption>
      <thead className={HEAD}>
        <tr className="h-8 whitespace-nowrap">
          <th className="font-semibold">
            {profiles.length} {library.label.toLowerCase()}
          </th>
          {library.columns.map(({ title, numeric }) => (
            <th key={title} className={`px-2 font-semibold ${numeric ? 'text-right' : ''}`}>
              {title}
            </th>
          ))}
          <th className="px-2 font-semibold">Source</th>
          <th className="px-2 font-semibold">Proven here</th>
          <th>
            <span className="sr-only">Remove</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {profiles.map((profile) => (
          <tr key={profile.id} className="border-b border-sheet-edge align-top leading-snug">
            <td className="py-1.5">
              <span className="font-semibold">{profile.name}</span>
              <br />
              <span className="text-ink-soft">
                {[profile.maker, library.sort?.(profile), profile.stock ? '' : 'to order'].filter(Boolean).join(', ')}
              </span>
            </td>
            {library.columns.map((column) => (
              <Shown key={column.title} value={column.show(profile)} numeric={column.numeric === true} />
            ))}
            <td className="max-w-56 px-2 py-1.5 text-[0.875rem] text-ink-soft">{profile.note}</td>
            <td className="py-1.5 pl-2">
              <TrialOf kind={library.id} profile={profile} onTrial={() => onTrial(profile.id)} />
            </td>
            <td className="py-1">
              <Remove name={profile.name} onRemove={() => onRemove(profile.id)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Shown({ value, numeric }: { value: string | readonly [string, string]; numeric: boolean }) {
  const [first, second] = typeof value === 'string' ? [value] : value;
  return (
    <td className={`px-2 py-1.5 ${numeric ? 'text-right' : ''}`}>
      {first}
      {second !== undefined && (
        <>
          <br />
          <span className="text-ink-soft">{second}</span>
        </>
      )}
    </td>
  );
}

/** What a test piece of a profile taught, and the way to one. */
function TrialOf({ kind, profile, onTrial }: { kind: string; profile: NamedProfile; onTrial: () => void }) {
  const act = useBench((state) => state.act);
  const { id, name, trial } = profile;
  const proves = allKinds.some((each) => each.id === kind && each.trials);
  const say = (value: NamedProfile['trial']) =>
    act({ label: `${name}: what the test piece taught`, edits: [{ path: pathTo.trial(kind, id), value }] });
  return (
    <div className="flex w-44 flex-col gap-1">
      <select
        className="entry min-w-0"
        aria-label={`What came of a test piece of ${name}`}
        value={trial?.outcome ?? ''}
        onChange={(event) => {
          const outcome = event.currentTarget.value as TrialOutcome | '';
          say(outcome === '' ? undefined : { outcome, taught: trial?.taught ?? '' });
        }}
      >
        <option value="">not yet</option>
        {Object.entries(TRIALS).map(([outcome, words]) => (
          <option key={outcome} value={outcome}>
            {words}
          </option>
        ))}
      </select>
      {trial && (
        <input
          className="entry min-w-0"
          aria-label={`What the test piece of ${name} taught`}
          placeholder="what it taught"
          maxLength={300}
          defaultValue={trial.taught}
          key={trial.taught}
          onBlur={(event) => {
            const taught = event.currentTarget.value.trim();
            if (taught !== trial.taught) say({ ...trial, taught });
          }}
        />
      )}
      {proves && (
        <button type="button" className="text-left font-semibold hover:text-pencil" onClick={onTrial}>
          Make a test piece
        </button>
      )}
    </div>
  );
}

function Remove({ name, onRemove }: { name: string; onRemove: () => void }) {
  return (
    <button
      type="button"
      className="grid size-7 place-items-center hover:text-pencil"
      aria-label={`Take ${name} out of the library`}
      onClick={onRemove}
    >
      <Trash2 size={15} aria-hidden="true" />
    </button>
  );
}
