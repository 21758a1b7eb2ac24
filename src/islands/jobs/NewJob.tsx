import { useMemo, useState } from 'react';
import { countedIds, houseSetFor, newCabinet, type StartingPoint, startingPoints } from '../../core/decisions/index.js';
import { formatLengthWithUnit, type LengthUnit } from '../../core/ground/index.js';
import { drawThumbnail } from '../../core/present/index.js';
import { newJob, solveCabinet } from '../../core/solve/index.js';
import { LengthField, type Outcome } from '../fields/LengthField.js';
import { ThumbnailDrawing } from '../figures/ThumbnailDrawing.js';
import { useFoundLater } from '../openJob/later.js';

interface Sizes {
  readonly width: number;
  readonly height: number;
  readonly depth: number;
}

const LIMITS = { width: [50, 6000], height: [50, 4000], depth: [50, 2000] } as const;
const STARTS = Object.fromEntries(Object.entries(startingPoints).map(([id, { label }]) => [id, label])) as Record<
  StartingPoint,
  string
>;
const PREVIEW = { width: 300, height: 210 };

function startingSizes(unit: LengthUnit, from: StartingPoint): Sizes {
  return newJob('', houseSetFor(unit)).house.starts[startingPoints[from].kind];
}

/** A new job is a cabinet first: kind and three sizes, drawn while they are typed. */
export function NewJob() {
  const [name, setName] = useState('');
  const [unit, setUnit] = useState<LengthUnit>('mm');
  const [from, setFrom] = useState<StartingPoint>('base');
  const [typed, setTyped] = useState<Partial<Sizes>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const sizes = { ...startingSizes(unit, from), ...typed };
  const { width, height, depth } = sizes;
  const solved = useMemo(() => {
    const job = newJob('New job', houseSetFor(unit));
    const cabinet = {
      ...newCabinet(job, from, countedIds()),
      size: { width, height: { from: 'overall' as const, mm: height }, depth },
    };
    return { solved: solveCabinet(job, cabinet), display: job.display };
  }, [unit, from, width, height, depth]);
  const cabinets = useMemo(() => [solved.solved], [solved]);
  const [findings = []] = useFoundLater(cabinets) ?? [];
  const stop = findings.find(({ severity }) => severity === 'stop');
  const thumbnail = drawThumbnail(solved.solved);
  const scale = Math.min(PREVIEW.width / thumbnail.width, PREVIEW.height / thumbnail.height);

  const begin = async () => {
    if (name.trim() === '') {
      setProblem('Give the job a name, such as the customer or the room.');
      return;
    }
    setBusy(true);
    try {
      const response = await fetch('/api/jobs', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ name: name.trim(), unit, cabinet: { from, ...sizes } }),
      });
      const body = (await response.json()) as { id?: string; error?: { message: string } };
      if (response.ok && body.id) window.location.assign(`/jobs/${body.id}`);
      else setProblem(body.error?.message ?? 'The job could not be begun.');
    } catch {
      setProblem('The server does not answer. Is it still running?');
    } finally {
      setBusy(false);
    }
  };
  const take =
    (which: keyof Sizes) =>
    (mm: number): Outcome => {
      const [least, most] = LIMITS[which];
      if (mm < least || mm > most)
        return {
          ok: false,
          message: `The ${which} should be between ${formatLengthWithUnit(least, solved.display)} and ${formatLengthWithUnit(most, solved.display)}.`,
        };
      setTyped((before) => ({ ...before, [which]: mm }));
      return { ok: true };
    };
  const parts = solved.solved.rows.reduce((sum, row) => sum + row.quantity, 0);
  return (
    <form
      aria-label="New job"
      className="sheet flex flex-col gap-3 p-4"
      onSubmit={(event) => {
        event.preventDefault();
        void begin();
      }}
    >
      <h2 className="text-lg font-semibold">A new job</h2>
      <label className="flex flex-col">
        <span className="text-ink-soft">Job name</span>
        <input
          className="entry text-lg font-semibold"
          maxLength={120}
          value={name}
          aria-invalid={problem !== null && name.trim() === ''}
          onChange={(event) => {
            setName(event.currentTarget.value);
            setProblem(null);
          }}
        />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <Pick
          label="Unit"
          value={unit}
          options={{ mm: 'Millimetres', in: 'Inches' }}
          onPick={(next) => {
            setUnit(next);
            setTyped({});
          }}
        />
        <Pick
          label="First cabinet"
          value={from}
          options={STARTS}
          onPick={(next) => {
            setFrom(next);
            setTyped({});
          }}
        />
      </div>
      <div className="grid grid-cols-3 gap-3" key={`${unit} ${from}`}>
        {(['width', 'height', 'depth'] as const).map((which) => (
          <LengthField
            key={which}
            label={`Overall ${which}`}
            hideLabel={false}
            mm={sizes[which]}
            style={solved.display}
            className="text-lg font-semibold"
            onCommit={take(which)}
          />
        ))}
      </div>
      <div className="flex flex-col items-center gap-2 pt-2">
        <div className="flex items-end justify-center border-b-2 border-ink px-6" style={{ height: PREVIEW.height }}>
          <ThumbnailDrawing thumbnail={thumbnail} scale={scale} />
        </div>
        <p className="text-ink-soft">
          {stop ? stop.what : `${parts} parts, from the ${unit === 'mm' ? 'metric' : 'inch'} house standards`}
        </p>
      </div>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 text-finding">
          {problem}
        </p>
      )}
      <button type="submit" className="act act-main justify-center text-lg" disabled={busy}>
        {busy ? 'Beginning…' : 'Begin the job'}
      </button>
    </form>
  );
}

function Pick<T extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: Readonly<Record<T, string>>;
  onPick: (value: T) => void;
}) {
  return (
    <label className="flex flex-col">
      <span className="text-ink-soft">{label}</span>
      <select
        className="entry font-semibold"
        value={value}
        onChange={(event) => onPick(event.currentTarget.value as T)}
      >
        {(Object.entries(options) as [T, string][]).map(([option, words]) => (
          <option key={option} value={option}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}
