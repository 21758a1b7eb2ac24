import { RotateCcw } from 'lucide-react';
import { useState } from 'react';
import { sizeNames } from '../../../core/commands/index.js';
import { type Choice, type Leaf, settingOf, settingPath } from '../../../core/decisions/index.js';
import { capital, Dim } from '../../../core/ground/index.js';
import { hasChoicePicture } from '../../../core/present/index.js';
import { type SettingKey, type SolvedCabinet, settingLeaf } from '../../../core/solve/index.js';
import { LengthField, type Outcome } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { ThumbnailDrawing } from '../../figures/ThumbnailDrawing.js';
import { useActOn, useBench } from '../context.js';
import { useAnswer } from '../useAnswer.js';

const SOURCE_WORD = {
  here: 'here',
  job: 'job',
  house: 'house',
  measured: 'measured',
  nominal: 'nominal',
  profile: 'profile',
  rule: 'rule',
} as const;

/** One setting: its name, its value, and where that was decided, with a way back to the standard. */
export function Setting({ path, solved }: { path: SettingKey; solved: SolvedCabinet }) {
  const leaf = settingLeaf(path);
  const act = useActOn(solved);
  const found = settingOf(solved, path);
  const label = capital(leaf.label);
  const set = (value: unknown) => act({ label, edits: [{ path: settingPath(solved, path), value }] });
  const where = <Where label={label} source={found.source} onReset={() => set(undefined)} />;
  return found instanceof Dim ? (
    <NumberSetting leaf={leaf} label={label} dim={found} solved={solved} where={where} set={set} />
  ) : (
    <ChoiceSetting leaf={leaf} path={path} label={label} value={found.value} solved={solved} where={where} set={set} />
  );
}

interface RowProps {
  readonly leaf: Leaf;
  readonly label: string;
  readonly solved: SolvedCabinet;
  readonly where: React.ReactNode;
  readonly set: (value: unknown) => Outcome;
}

function Where({
  label,
  source,
  onReset,
}: {
  label: string;
  source: Choice['source'] | undefined;
  onReset: () => void;
}) {
  const kind = source?.kind ?? 'rule';
  return (
    <span className="flex w-12 shrink-0 items-center justify-end text-[0.8125rem]">
      {kind === 'here' ? (
        <button
          type="button"
          className="flex min-h-7 items-center gap-1 font-semibold text-pencil"
          title="Decided here. Press to go back to the standard"
          aria-label={`here: ${label} was decided on this cabinet, back to the standard`}
          data-reset={label}
          onClick={onReset}
        >
          here <RotateCcw size={13} aria-hidden="true" />
        </button>
      ) : (
        <span className="text-ink-soft" title={source?.note}>
          {SOURCE_WORD[kind]}
        </span>
      )}
    </span>
  );
}

function NumberSetting({ leaf, label, dim, solved, where, set }: RowProps & { dim: Dim }) {
  const openTape = useBench((state) => state.openTape);
  const style = useBench((state) => state.job.display);
  const path = leaf.path.join('/');
  return (
    <div className="flex items-center gap-1">
      <span className="min-w-0 flex-1 leading-tight">{label}</span>
      {leaf.measure !== 'mm' ? (
        <PlainField label={label} value={dim.value} onCommit={set} />
      ) : (
        <LengthField
          label={label}
          mm={dim.value}
          style={style}
          names={sizeNames(solved)}
          path={path}
          className="w-24 font-semibold"
          onFocus={() => openTape(`resolved/settings/${path}`)}
          onCommit={set}
        />
      )}
      {where}
    </div>
  );
}

function ChoiceSetting({
  leaf,
  path,
  label,
  value,
  solved,
  where,
  set: attempt,
}: RowProps & { path: SettingKey; value: string }) {
  const [problem, setProblem] = useState<string | null>(null);
  const set = (next: unknown) => {
    const outcome = attempt(next);
    setProblem(outcome.ok ? null : outcome.message);
    return outcome;
  };
  const hardware = useBench((state) => state.job.hardware);
  const options = leaf.options
    ? Object.entries(leaf.options)
    : libraryOptions(value, hardware[leaf.from as keyof typeof hardware] ?? []);
  // Asked for once somebody comes near: it solves the cabinet with every option.
  const [near, setNear] = useState(false);
  const names = options.map(([option]) => option);
  const answered = useAnswer(`stops ${path}`, solved, near ? { kind: 'stops', path, options: names } : undefined);
  const stops = new Map(
    (answered ?? [])
      .filter(({ option, stops: all }) => option !== value && all.length > 0)
      .map((each) => [each.option, each.stops]),
  );
  return (
    <fieldset
      aria-label={label}
      className="flex min-w-0 flex-col gap-0.5 py-0.5"
      onPointerEnter={() => setNear(true)}
      onFocus={() => setNear(true)}
    >
      <span className="flex items-center justify-between gap-2">
        <span>{label}</span>
        {where}
      </span>
      {hasChoicePicture(path) ? (
        <Pictures path={path} label={label} value={value} options={options} stops={stops} solved={solved} set={set} />
      ) : (
        <select
          aria-label={label}
          data-path={path}
          className="entry w-full font-semibold"
          value={value}
          onChange={(event) => set(event.currentTarget.value)}
        >
          {options.map(([option, words]) => (
            <option key={option} value={option}>
              {stops.has(option) ? `${words}: stops` : words}
            </option>
          ))}
        </select>
      )}
      {problem && (
        <span role="alert" className="bg-finding-pale px-1.5 py-1 text-[0.875rem] leading-snug text-finding">
          {problem}
        </span>
      )}
      {whatStops(options, stops).map(({ first, named, more }) => (
        <span key={first} className="text-[0.875rem] leading-snug text-finding">
          {named.map(([option, words], at) => (
            <span key={option} data-stops={option}>
              {at === 0 ? capital(words) : `, ${words}`}
            </span>
          ))}{' '}
          {named.length === 1 ? 'stops' : 'stop'}: {first}
          {more > 0 && ` And ${more} more.`}
        </span>
      ))}
      {leaf.trade && <span className="text-[0.875rem] leading-snug text-ink-soft">{leaf.trade}</span>}
    </fieldset>
  );
}

interface WhatStops {
  readonly first: string;
  /** The options that stop for it. */
  readonly named: readonly [option: string, words: string][];
  readonly more: number;
}

/** Options that would stop the cabinet for the same thing are told of together. */
function whatStops(
  options: readonly [string, string][],
  stops: ReadonlyMap<string, readonly string[]>,
): readonly WhatStops[] {
  const told = new Map<string, { first: string; named: [string, string][]; more: number }>();
  for (const [option, words] of options) {
    const [first, ...others] = stops.get(option) ?? [];
    if (first === undefined) continue;
    const known = told.get(first);
    if (known) known.named.push([option, words]);
    else told.set(first, { first, named: [[option, words]], more: others.length });
  }
  return [...told.values()];
}

/** Names that stand for something in the library; one that has gone from it is still shown. */
function libraryOptions(value: string, library: readonly { id: string; name: string }[]): [string, string][] {
  const known = library.map(({ id, name }): [string, string] => [id, name]);
  const gone: [string, string][] =
    value === 'none' || library.some(({ id }) => id === value) ? [] : [[value, `${value}, not in the library`]];
  return [['none', 'none'], ...known, ...gone];
}

const PICTURE = { width: 76, height: 58 };

interface PicturesProps {
  readonly path: SettingKey;
  readonly label: string;
  readonly value: string;
  readonly options: readonly [string, string][];
  /** What each would stop for. */
  readonly stops: ReadonlyMap<string, readonly string[]>;
  readonly solved: SolvedCabinet;
  readonly set: (value: unknown) => Outcome;
}

/** Every option drawn as this very cabinet would be with it. */
function Pictures({ path, label, value, options, stops, solved, set }: PicturesProps) {
  const { cabinet } = solved;
  const pictures = useAnswer(path, solved, { kind: 'choices', path, options: options.map(([option]) => option) });
  return (
    <fieldset className="grid grid-cols-3 gap-1" data-path={path} tabIndex={-1}>
      <legend className="sr-only">{label}</legend>
      {options.map(([option, words], at) => {
        const picture = pictures?.[at];
        const chosen = option === value;
        return (
          <label
            key={option}
            className={`flex flex-col items-center gap-0.5 border-2 bg-sheet p-1 text-center text-[0.8125rem] leading-tight has-focus-visible:outline-2 has-focus-visible:outline-pencil ${chosen ? 'border-pencil font-semibold' : 'border-transparent hover:border-rule'}`}
          >
            <input
              type="radio"
              className="sr-only"
              name={`${cabinet.id} ${path}`}
              checked={chosen}
              onChange={() => set(option)}
            />
            <span className="flex items-center justify-center overflow-hidden" style={PICTURE}>
              {picture && (
                <ThumbnailDrawing
                  thumbnail={picture}
                  scale={Math.min(PICTURE.width / picture.width, PICTURE.height / picture.height)}
                  cropped
                />
              )}
            </span>
            <span>{words}</span>
            {stops.has(option) && <span className="font-semibold text-finding">stops</span>}
          </label>
        );
      })}
    </fieldset>
  );
}
