import { ArrowDown, ArrowUp, Pin, PinOff, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { type LeafFill, nextId, type Opening, type SizeRule } from '../../core/job/index.js';
import { dividerBelow } from '../../core/layout/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { LengthField, type Outcome } from '../fields/LengthField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';
import { entryNames } from './names.js';

const FILLS = {
  drawer: 'Drawer',
  doorLeft: 'Door, hinged left',
  doorRight: 'Door, hinged right',
  pair: 'Pair of doors',
  open: 'Open bay',
} as const;
type FillWord = keyof typeof FILLS;

function fillWord(fill: LeafFill): FillWord {
  if (fill.kind === 'door') return fill.hinged === 'left' ? 'doorLeft' : 'doorRight';
  return fill.kind;
}

function fillFor(word: FillWord, before: LeafFill): LeafFill {
  const shelves = 'shelves' in before ? before.shelves : 0;
  if (word === 'drawer') return { kind: 'drawer' };
  if (word === 'doorLeft' || word === 'doorRight')
    return { kind: 'door', hinged: word === 'doorLeft' ? 'left' : 'right', shelves };
  return { kind: word, shelves };
}

/** The stack of fronts as a list in the order it is seen, top to bottom: what each is and how its size is decided. */
export function StackEditor({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { cabinet, face, resolved } = solved;
  const { parts, graduation } = cabinet.face;
  const path = `cabinets/${cabinet.id}/face`;
  const [problem, setProblem] = useState<string | null>(null);
  const attempt = (outcome: Outcome) => {
    setProblem(outcome.ok ? null : outcome.message);
    return outcome;
  };
  const setParts = (label: string, next: readonly Opening[]) =>
    attempt(act({ label, edits: [{ path: `${path}/parts`, value: next }] }));
  const move = (at: number, by: -1 | 1) => {
    const next = [...parts];
    const [moved] = next.splice(at, 1);
    if (moved) next.splice(at + by, 0, moved);
    setParts('Front moved', next);
  };
  const add = () => {
    const id = nextId(
      'o',
      parts.map((part) => part.id),
    );
    setParts('Front added', [...parts, { id, size: { rule: 'share', weight: 1 }, fill: { kind: 'drawer' } }]);
  };
  const openingsFirst = resolved.settings.fronts.lay.value === 'openings';
  const graduated = parts.some((part) => part.size.rule === 'graduated');
  return (
    <div className="flex flex-col gap-1.5">
      <ol className="flex flex-col gap-1.5">
        {parts.map((opening, at) => {
          const cell = face.ok ? face.cells[at] : undefined;
          return (
            <li key={opening.id} className="flex flex-col gap-1">
              <OpeningBlock
                opening={opening}
                at={at}
                count={parts.length}
                solved={solved}
                height={cell?.sized.mm}
                attempt={attempt}
                onMove={(by) => move(at, by)}
                onRemove={() =>
                  setParts(
                    'Front removed',
                    parts.filter((part) => part.id !== opening.id),
                  )
                }
              />
              {at < parts.length - 1 && (
                <DividerRow opening={opening} below={parts[at + 1] as Opening} solved={solved} attempt={attempt} />
              )}
            </li>
          );
        })}
      </ol>
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
      <button type="button" className="act self-start" disabled={parts.length >= 24} onClick={add}>
        <Plus size={16} aria-hidden="true" /> Add below
      </button>
      {graduated && (
        <div className="flex items-center gap-1">
          <select
            aria-label="Graduation grows by"
            className="entry min-w-0 flex-1"
            value={graduation.kind}
            onChange={(event) =>
              attempt(
                act({
                  label: 'Graduation',
                  edits: [
                    {
                      path: `${path}/graduation`,
                      value:
                        event.currentTarget.value === 'geometric'
                          ? { kind: 'geometric', ratio: 1.25 }
                          : { kind: 'arithmetic', step: style.unit === 'in' ? 38.1 : 40 },
                    },
                  ],
                }),
              )
            }
          >
            <option value="arithmetic">each taller by the same step</option>
            <option value="geometric">each taller by the same ratio</option>
          </select>
          {graduation.kind === 'arithmetic' ? (
            <LengthField
              label="Graduation step"
              mm={graduation.step}
              style={style}
              className="w-20 font-semibold"
              onCommit={(mm) =>
                act({ label: 'Graduation step', edits: [{ path: `${path}/graduation/step`, value: mm }] })
              }
            />
          ) : (
            <PlainField
              label="Graduation ratio"
              value={graduation.ratio}
              onCommit={(value) =>
                act({ label: 'Graduation ratio', edits: [{ path: `${path}/graduation/ratio`, value }] })
              }
            />
          )}
        </div>
      )}
      <p className="text-[0.875rem] leading-snug text-ink-soft">
        {openingsFirst ? 'Sizes here are clear openings.' : 'Sizes here are faces.'} A pinned size stays; the others
        take up the change.
      </p>
    </div>
  );
}

function DividerRow({
  opening,
  below,
  solved,
  attempt,
}: {
  opening: Opening;
  below: Opening;
  solved: SolvedCabinet;
  attempt: (outcome: Outcome) => Outcome;
}) {
  const act = useBench((state) => state.act);
  const kind = dividerBelow(opening, below, solved.resolved);
  const path = `cabinets/${solved.cabinet.id}/face/parts/${opening.id}/divider`;
  return (
    <label className="flex items-center gap-1 pl-3 text-[0.9375rem] text-ink-soft">
      <span className="shrink-0">behind the gap</span>
      <select
        className="min-h-7 min-w-0 flex-1 bg-transparent"
        value={opening.divider ?? ''}
        onChange={(event) =>
          attempt(act({ label: 'Divider', edits: [{ path, value: event.currentTarget.value || undefined }] }))
        }
      >
        <option value="">{DIVIDERS[kind]} (standard)</option>
        {Object.entries(DIVIDERS).map(([word, label]) => (
          <option key={word} value={word}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

const DIVIDERS = { stretcher: 'a stretcher', shelf: 'a fixed shelf', none: 'nothing' } as const;

function OpeningBlock({
  opening,
  at,
  count,
  solved,
  height,
  attempt,
  onMove,
  onRemove,
}: {
  opening: Opening;
  at: number;
  count: number;
  solved: SolvedCabinet;
  height: number | undefined;
  attempt: (outcome: Outcome) => Outcome;
  onMove: (by: -1 | 1) => void;
  onRemove: () => void;
}) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const selected = useBench((state) => state.selected);
  const path = `cabinets/${solved.cabinet.id}/face/parts/${opening.id}`;
  const { size, pin, fill } = opening;
  const name = `Front ${at + 1}`;
  const mine = solved.fronts.some((front) => front.openingId === opening.id && front.key === selected);
  const setRule = (rule: SizeRule['rule']) => {
    const value: SizeRule =
      rule === 'fixed' ? { rule, mm: Math.max(1, height ?? 100) } : rule === 'share' ? { rule, weight: 1 } : { rule };
    const edits = rule === 'fixed' && pin !== undefined ? [{ path: `${path}/pin`, value: undefined }] : [];
    attempt(act({ label: `${name} size`, edits: [{ path: `${path}/size`, value }, ...edits] }));
  };
  const icon = 'grid size-7 place-items-center hover:text-pencil disabled:opacity-30';
  return (
    <div className={`flex flex-col gap-0.5 border-l-4 pl-2 ${mine ? 'border-pencil' : 'border-timber-front'}`}>
      <div className="flex items-center">
        <select
          aria-label={`${name} is`}
          className="entry min-w-0 flex-1 font-semibold"
          value={fillWord(fill)}
          onChange={(event) =>
            attempt(
              act({
                label: name,
                edits: [{ path: `${path}/fill`, value: fillFor(event.currentTarget.value as FillWord, fill) }],
              }),
            )
          }
        >
          {Object.entries(FILLS).map(([word, label]) => (
            <option key={word} value={word}>
              {label}
            </option>
          ))}
        </select>
        <button type="button" className={icon} aria-label={`${name} up`} disabled={at === 0} onClick={() => onMove(-1)}>
          <ArrowUp size={15} />
        </button>
        <button
          type="button"
          className={icon}
          aria-label={`${name} down`}
          disabled={at === count - 1}
          onClick={() => onMove(1)}
        >
          <ArrowDown size={15} />
        </button>
        <button type="button" className={icon} aria-label={`${name} away`} disabled={count === 1} onClick={onRemove}>
          <Trash2 size={15} />
        </button>
      </div>
      <div className="flex items-center gap-1">
        <select
          aria-label={`${name} size`}
          className="entry min-w-0 flex-1"
          value={size.rule}
          onChange={(event) => setRule(event.currentTarget.value as SizeRule['rule'])}
        >
          <option value="share">takes a share</option>
          <option value="fixed">fixed at</option>
          <option value="graduated">graduated</option>
        </select>
        {size.rule === 'share' && pin === undefined && (
          <PlainField
            label={`${name} share`}
            value={size.weight}
            onCommit={(weight) =>
              act({ label: `${name} share`, edits: [{ path: `${path}/size/weight`, value: weight }] })
            }
          />
        )}
        {size.rule === 'fixed' || pin !== undefined ? (
          <LengthField
            label={`${name} height`}
            mm={pin ?? (size.rule === 'fixed' ? size.mm : 0)}
            style={style}
            names={entryNames(solved)}
            className="w-20 font-semibold"
            onCommit={(mm) =>
              act({
                label: `${name} height`,
                edits: [{ path: pin === undefined ? `${path}/size/mm` : `${path}/pin`, value: mm }],
              })
            }
          />
        ) : (
          <span className="w-20 text-right font-semibold">
            {height === undefined ? '?' : <Length mm={height} style={style} />}
          </span>
        )}
        {size.rule === 'fixed' ? (
          <span className="size-7" />
        ) : (
          <button
            type="button"
            className={`${icon} ${pin === undefined ? '' : 'text-pencil'}`}
            aria-pressed={pin !== undefined}
            aria-label={pin === undefined ? `Pin ${name} at its size` : `Let ${name} go`}
            disabled={height === undefined && pin === undefined}
            onClick={() =>
              attempt(
                act({
                  label: pin === undefined ? `${name} pinned` : `${name} let go`,
                  edits: [{ path: `${path}/pin`, value: pin === undefined ? height : undefined }],
                }),
              )
            }
          >
            {pin === undefined ? <Pin size={15} /> : <PinOff size={15} />}
          </button>
        )}
      </div>
      {fill.kind !== 'drawer' && (
        <div className="flex items-center gap-1">
          <span className="flex-1">Adjustable shelves</span>
          <PlainField
            label={`${name} shelves`}
            value={fill.shelves}
            whole
            onCommit={(shelves) =>
              act({ label: `${name} shelves`, edits: [{ path: `${path}/fill/shelves`, value: shelves }] })
            }
          />
          <span className="size-7" />
        </div>
      )}
    </div>
  );
}

function PlainField({
  label,
  value,
  whole = false,
  onCommit,
}: {
  label: string;
  value: number;
  whole?: boolean;
  onCommit: (value: number) => Outcome;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const commit = () => {
    if (typed === null) return;
    const next = Number(typed.replace(',', '.'));
    if (typed.trim() === '' || !Number.isFinite(next) || (whole && !Number.isInteger(next))) {
      setProblem(whole ? 'A whole number was expected here.' : 'A plain number such as 1 or 1.5 was expected here.');
      return;
    }
    const outcome = onCommit(next);
    setProblem(outcome.ok ? null : outcome.message);
    if (outcome.ok) setTyped(null);
  };
  return (
    <span className="relative">
      <input
        aria-label={label}
        aria-invalid={problem !== null}
        className="entry w-12 text-right font-semibold"
        inputMode={whole ? 'numeric' : 'decimal'}
        value={typed ?? String(value)}
        onChange={(event) => {
          setTyped(event.currentTarget.value);
          setProblem(null);
        }}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Enter') commit();
          if (event.key === 'Escape') setTyped(null);
        }}
      />
      {problem && (
        <span
          role="alert"
          className="absolute top-full right-0 z-10 w-52 bg-finding-pale px-1.5 py-1 text-[0.875rem] text-finding"
        >
          {problem}
        </span>
      )}
    </span>
  );
}
