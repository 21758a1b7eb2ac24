import { FileDown, FileUp, Trash2, Wrench } from 'lucide-react';
import { Dialog } from 'radix-ui';
import { useRef, useState } from 'react';
import {
  type Hardware,
  type HingeProfile,
  isConcealed,
  mergeHardware,
  type PullProfile,
  readHardwareText,
} from '../../core/document/index.js';
import { FAMILY_WORDS } from '../../core/hinges/index.js';
import { pathTo } from '../../core/job/index.js';
import { formatMm } from '../../core/units/index.js';
import { useBench } from './context.js';

const FITS = { full: 'full overlay', half: 'half overlay', inset: 'inset', lipped: 'lipped' } as const;

/** The hardware library of the job: what is in it, from where, and the way in and out as an open file. */
export function LibraryDialog({ jobId, flush }: { jobId: string; flush: () => Promise<void> }) {
  const library = useBench((state) => state.job.hardware);
  const act = useBench((state) => state.act);
  const [word, setWord] = useState<{ text: string; refused: boolean } | null>(null);
  const file = useRef<HTMLInputElement>(null);
  const set = (label: string, next: Hardware) => {
    const outcome = act({
      label,
      edits: [
        { path: pathTo.library('hinges'), value: next.hinges },
        { path: pathTo.library('pulls'), value: next.pulls },
      ],
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
    const { hinges, pulls } = read.value;
    if (set(`Library ${chosen.name}`, mergeHardware(library, read.value)))
      setWord({
        text: `${hinges.length} hinges and ${pulls.length} pulls came in from ${chosen.name}.`,
        refused: false,
      });
  };
  const without = (id: string): Hardware => ({
    hinges: library.hinges.filter((profile) => profile.id !== id),
    pulls: library.pulls.filter((profile) => profile.id !== id),
  });
  const leave = async () => {
    await flush();
    window.location.assign(`/api/jobs/${jobId}/hardware.json`);
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
            <Hinges profiles={library.hinges} onRemove={(id) => set('Hinge taken out of the library', without(id))} />
            <Pulls profiles={library.pulls} onRemove={(id) => set('Pull taken out of the library', without(id))} />
          </div>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

const HEAD = 'sticky top-0 z-10 bg-sheet text-left shadow-[0_1px_0_var(--color-ink)]';

function Hinges({ profiles, onRemove }: { profiles: readonly HingeProfile[]; onRemove: (id: string) => void }) {
  return (
    <table className="w-full border-collapse text-[0.9375rem]">
      <caption className="sr-only">Hinges</caption>
      <thead className={HEAD}>
        <tr className="h-8 whitespace-nowrap">
          <th className="font-semibold">{profiles.length} hinges</th>
          <th className="px-2 font-semibold">Doors</th>
          <th className="px-2 text-right font-semibold">Opens</th>
          <th className="px-2 font-semibold">Figures</th>
          <th className="px-2 font-semibold">Source</th>
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
                {profile.maker}, {FAMILY_WORDS[profile.family].replace(/^a /, '')}
                {profile.stock ? '' : ', to order'}
              </span>
            </td>
            <td className="px-2 py-1.5">
              {profile.fits.map((fit) => FITS[fit]).join(', ')}
              <br />
              <span className="text-ink-soft">
                {profile.carcass.map((kind) => (kind === 'frame' ? 'face frame' : 'frameless')).join(', ')}
              </span>
            </td>
            <td className="px-2 py-1.5 text-right">{profile.opening}°</td>
            <td className="px-2 py-1.5">{figuresOf(profile)}</td>
            <td className="max-w-56 px-2 py-1.5 text-[0.875rem] text-ink-soft">{profile.note}</td>
            <td className="py-1">
              <Remove name={profile.name} onRemove={() => onRemove(profile.id)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The numbers a maker compares hinges by. */
function figuresOf(profile: HingeProfile): string {
  if (!isConcealed(profile)) {
    const { length, width, closed } = profile.leaf;
    return `leaf ${formatMm(length)} by ${formatMm(width)}, closed ${formatMm(closed)}, ${profile.leaf.screws} screws each`;
  }
  const { arm, cup, plates, sideAdjust } = profile;
  return `arm ${formatMm(arm)}, cup ${formatMm(cup.least)} to ${formatMm(cup.most)}, plates ${plates.map((plate) => formatMm(plate)).join(' ')}, side ±${formatMm(sideAdjust)}`;
}

function Pulls({ profiles, onRemove }: { profiles: readonly PullProfile[]; onRemove: (id: string) => void }) {
  return (
    <table className="mt-4 w-full border-collapse text-[0.9375rem]">
      <caption className="sr-only">Pulls and knobs</caption>
      <thead className={HEAD}>
        <tr className="h-8 whitespace-nowrap">
          <th className="font-semibold">{profiles.length} pulls and knobs</th>
          <th className="px-2 text-right font-semibold">Holes apart</th>
          <th className="px-2 text-right font-semibold">Stands off</th>
          <th className="px-2 text-right font-semibold">Hole</th>
          <th className="px-2 text-right font-semibold">Weight, kg</th>
          <th className="px-2 font-semibold">Source</th>
          <th>
            <span className="sr-only">Remove</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {profiles.map((profile) => (
          <tr key={profile.id} className="border-b border-sheet-edge">
            <td className="py-1">
              <span className="font-semibold">{profile.name}</span>{' '}
              <span className="text-ink-soft">{profile.maker}</span>
            </td>
            <td className="px-2 text-right">{profile.centres === 0 ? 'one hole' : formatMm(profile.centres)}</td>
            <td className="px-2 text-right">{formatMm(profile.projection)}</td>
            <td className="px-2 text-right">{formatMm(profile.hole)}</td>
            <td className="px-2 text-right">{profile.weight.toFixed(2)}</td>
            <td className="max-w-56 px-2 text-[0.875rem] text-ink-soft">{profile.note}</td>
            <td>
              <Remove name={profile.name} onRemove={() => onRemove(profile.id)} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
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
