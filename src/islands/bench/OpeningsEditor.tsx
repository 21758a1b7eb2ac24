import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Pin, PinOff, Plus, Trash2 } from 'lucide-react';
import { useState } from 'react';
import {
  type Fill,
  isSplit,
  nextId,
  type Opening,
  openingsOf,
  type SizeRule,
  type Split,
} from '../../core/job/index.js';
import { dividerAfter } from '../../core/layout/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { LengthField, type Outcome } from '../fields/LengthField.js';
import { PlainField } from '../fields/PlainField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';
import { entryNames } from './names.js';

const FILLS = {
  drawer: 'Drawer',
  false: 'False front',
  doorLeft: 'Door, hinged left',
  doorRight: 'Door, hinged right',
  pair: 'Pair of doors',
  open: 'Open bay',
  columns: 'Divided in columns',
  rows: 'Divided in rows',
} as const;
type FillWord = keyof typeof FILLS;

function fillWord(fill: Fill): FillWord {
  if (fill.kind === 'door') return fill.hinged === 'left' ? 'doorLeft' : 'doorRight';
  return fill.kind;
}

/** The fill a word stands for; a division begins with two of what was there. */
function fillFor(word: FillWord, before: Fill, ids: () => string): Fill {
  const shelves = 'shelves' in before ? before.shelves : 0;
  switch (word) {
    case 'drawer':
    case 'false':
      return { kind: word };
    case 'doorLeft':
      return { kind: 'door', hinged: 'left', shelves };
    case 'doorRight':
      return { kind: 'door', hinged: 'right', shelves };
    case 'pair':
    case 'open':
      return { kind: word, shelves };
    case 'rows':
    case 'columns': {
      if (isSplit(before)) return { ...before, kind: word };
      const part = (): Opening => ({ id: ids(), size: { rule: 'share', weight: 1 }, fill: structuredClone(before) });
      return { kind: word, graduation: { kind: 'arithmetic', step: 40 }, parts: [part(), part()] };
    }
  }
}

interface EditorContext {
  readonly solved: SolvedCabinet;
  readonly attempt: (outcome: Outcome) => Outcome;
  /** A new opening id each time it is called. */
  readonly newId: () => string;
}

/** The tree of openings as it is seen: rows from the top, columns from the left; each part says how its size is decided. */
export function OpeningsEditor({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const [problem, setProblem] = useState<string | null>(null);
  const { cabinet, resolved } = solved;
  const path = `cabinets/${cabinet.id}/face`;
  const taken = openingsOf(cabinet.face).map((opening) => opening.id);
  const context: EditorContext = {
    solved,
    attempt(outcome) {
      setProblem(outcome.ok ? null : outcome.message);
      return outcome;
    },
    newId() {
      const id = nextId('o', taken);
      taken.push(id);
      return id;
    },
  };
  const openingsFirst = resolved.settings.fronts.lay.value === 'openings';
  return (
    <div className="flex flex-col gap-1.5">
      <label className="flex items-center gap-1">
        <span className="flex-1">The face is divided in</span>
        <select
          aria-label="The face is divided in"
          className="entry font-semibold"
          value={cabinet.face.kind}
          onChange={(event) =>
            context.attempt(act({ label: 'Face', edits: [{ path: `${path}/kind`, value: event.currentTarget.value }] }))
          }
        >
          <option value="rows">rows</option>
          <option value="columns">columns</option>
        </select>
      </label>
      <SplitEditor split={cabinet.face} path={path} context={context} />
      {problem && (
        <p role="alert" className="bg-finding-pale px-2 py-1 leading-snug text-finding">
          {problem}
        </p>
      )}
      <p className="text-[0.875rem] leading-snug text-ink-soft">
        {openingsFirst ? 'Sizes here are clear openings.' : 'Sizes here are faces.'} A pinned size stays; the others
        take up the change.
      </p>
    </div>
  );
}

function SplitEditor({ split, path, context }: { split: Split; path: string; context: EditorContext }) {
  const act = useBench((state) => state.act);
  const { parts } = split;
  const setParts = (label: string, next: readonly Opening[]) =>
    context.attempt(act({ label, edits: [{ path: `${path}/parts`, value: next }] }));
  const move = (at: number, by: -1 | 1) => {
    const next = [...parts];
    const [moved] = next.splice(at, 1);
    if (moved) next.splice(at + by, 0, moved);
    setParts('Opening moved', next);
  };
  const add = () => {
    const like = parts.at(-1)?.fill;
    const fill: Fill = like && !isSplit(like) ? structuredClone(like) : { kind: 'drawer' };
    setParts('Opening added', [...parts, { id: context.newId(), size: { rule: 'share', weight: 1 }, fill }]);
  };
  return (
    <div className="flex flex-col gap-1.5">
      <ol className="flex flex-col gap-1.5">
        {parts.map((opening, at) => (
          <li key={opening.id} className="flex flex-col gap-1">
            <OpeningBlock
              opening={opening}
              at={at}
              split={split}
              path={`${path}/parts/${opening.id}`}
              context={context}
              onMove={(by) => move(at, by)}
              onRemove={() =>
                setParts(
                  'Opening removed',
                  parts.filter((part) => part.id !== opening.id),
                )
              }
            />
            {at < parts.length - 1 && (
              <DividerRow
                opening={opening}
                next={parts[at + 1] as Opening}
                split={split}
                path={`${path}/parts/${opening.id}/divider`}
                context={context}
              />
            )}
          </li>
        ))}
      </ol>
      <button type="button" className="act self-start" disabled={parts.length >= 24} onClick={add}>
        <Plus size={16} aria-hidden="true" /> {split.kind === 'rows' ? 'Add below' : 'Add at the right'}
      </button>
      {parts.some((part) => part.size.rule === 'graduated') && (
        <GraduationRow split={split} path={`${path}/graduation`} context={context} />
      )}
    </div>
  );
}

function GraduationRow({ split, path, context }: { split: Split; path: string; context: EditorContext }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { graduation } = split;
  const start = {
    geometric: { kind: 'geometric', ratio: 1.25 },
    arithmetic: { kind: 'arithmetic', step: style.unit === 'in' ? 38.1 : 40 },
  } as const;
  const set = (label: string, at: string, value: unknown) =>
    context.attempt(act({ label, edits: [{ path: at, value }] }));
  return (
    <div className="flex items-center gap-1">
      <select
        aria-label="Graduation grows by"
        className="entry min-w-0 flex-1"
        value={graduation.kind}
        onChange={(event) => set('Graduation', path, start[event.currentTarget.value as keyof typeof start])}
      >
        <option value="arithmetic">each larger by the same step</option>
        <option value="geometric">each larger by the same ratio</option>
      </select>
      {graduation.kind === 'arithmetic' ? (
        <LengthField
          label="Graduation step"
          mm={graduation.step}
          style={style}
          className="w-20 font-semibold"
          onCommit={(mm) => set('Graduation step', `${path}/step`, mm)}
        />
      ) : (
        <PlainField
          label="Graduation ratio"
          value={graduation.ratio}
          onCommit={(value) => set('Graduation ratio', `${path}/ratio`, value)}
        />
      )}
    </div>
  );
}

const ROW_DIVIDERS = { stretcher: 'a stretcher', shelf: 'a fixed shelf', web: 'a web frame', none: 'nothing' } as const;
const COLUMN_DIVIDERS = { partition: 'a partition', none: 'nothing' } as const;

function DividerRow({
  opening,
  next,
  split,
  path,
  context,
}: {
  opening: Opening;
  next: Opening;
  split: Split;
  path: string;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const kind = dividerAfter(opening, next, split.kind, context.solved.resolved);
  const words: Readonly<Record<string, string>> = split.kind === 'rows' ? ROW_DIVIDERS : COLUMN_DIVIDERS;
  const decided = opening.divider !== undefined && opening.divider in words ? opening.divider : '';
  return (
    <label className="flex items-center gap-1 pl-3 text-[0.9375rem] text-ink-soft">
      <span className="shrink-0">behind the gap</span>
      <select
        className="min-h-7 min-w-0 flex-1 bg-transparent"
        value={decided}
        onChange={(event) =>
          context.attempt(act({ label: 'Divider', edits: [{ path, value: event.currentTarget.value || undefined }] }))
        }
      >
        <option value="">{words[kind]} (standard)</option>
        {Object.entries(words).map(([word, label]) => (
          <option key={word} value={word}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

interface BlockProps {
  readonly opening: Opening;
  readonly at: number;
  readonly split: Split;
  readonly path: string;
  readonly context: EditorContext;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
}

const ICON = 'grid size-7 place-items-center hover:text-pencil disabled:opacity-30';

function OpeningBlock({ opening, at, split, path, context, onMove, onRemove }: BlockProps) {
  const act = useBench((state) => state.act);
  const selected = useBench((state) => state.selected);
  const { solved, attempt } = context;
  const { fill } = opening;
  const rows = split.kind === 'rows';
  const name = `Opening ${opening.id.replace(/^o/, '')}`;
  const mine = solved.fronts.some(
    (front) => front.openingId === opening.id && front.parts.some((part) => part.key === selected),
  );
  const [Back, On] = rows ? [ArrowUp, ArrowDown] : [ArrowLeft, ArrowRight];
  const setFill = (word: FillWord) =>
    attempt(act({ label: name, edits: [{ path: `${path}/fill`, value: fillFor(word, fill, context.newId) }] }));
  return (
    <div
      className={`flex flex-col gap-0.5 border-l-4 pl-2 ${mine ? 'border-pencil' : isSplit(fill) ? 'border-rule' : 'border-timber-front'}`}
    >
      <div className="flex items-center">
        <select
          aria-label={`${name} is`}
          className="entry min-w-0 flex-1 font-semibold"
          value={fillWord(fill)}
          onChange={(event) => setFill(event.currentTarget.value as FillWord)}
        >
          {Object.entries(FILLS).map(([word, label]) => (
            <option key={word} value={word}>
              {label}
            </option>
          ))}
        </select>
        <button
          type="button"
          className={ICON}
          aria-label={`${name} ${rows ? 'up' : 'to the left'}`}
          disabled={at === 0}
          onClick={() => onMove(-1)}
        >
          <Back size={15} />
        </button>
        <button
          type="button"
          className={ICON}
          aria-label={`${name} ${rows ? 'down' : 'to the right'}`}
          disabled={at === split.parts.length - 1}
          onClick={() => onMove(1)}
        >
          <On size={15} />
        </button>
        <button
          type="button"
          className={ICON}
          aria-label={`${name} away`}
          disabled={split.parts.length === 1}
          onClick={onRemove}
        >
          <Trash2 size={15} />
        </button>
      </div>
      <SizeRow opening={opening} name={name} path={path} split={split} context={context} />
      {'shelves' in fill && (
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
      {isSplit(fill) && <SplitEditor split={fill} path={`${path}/fill`} context={context} />}
    </div>
  );
}

/** How the size of an opening is decided, and what it comes to. */
function SizeRow({
  opening,
  name,
  path,
  split,
  context,
}: {
  opening: Opening;
  name: string;
  path: string;
  split: Split;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { solved, attempt } = context;
  const { size, pin } = opening;
  const shown = sizeOf(solved, split, opening.id);
  const what = split.kind === 'rows' ? 'height' : 'width';
  const set = (label: string, edits: { path: string; value: unknown }[]) => attempt(act({ label, edits }));
  const setRule = (rule: SizeRule['rule']) => {
    const value: SizeRule =
      rule === 'fixed' ? { rule, mm: Math.max(1, shown ?? 100) } : rule === 'share' ? { rule, weight: 1 } : { rule };
    const unpin = rule === 'fixed' && pin !== undefined ? [{ path: `${path}/pin`, value: undefined }] : [];
    set(`${name} size`, [{ path: `${path}/size`, value }, ...unpin]);
  };
  const pinned = pin !== undefined;
  return (
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
      {size.rule === 'share' && !pinned && (
        <PlainField
          label={`${name} share`}
          value={size.weight}
          onCommit={(weight) =>
            act({ label: `${name} share`, edits: [{ path: `${path}/size/weight`, value: weight }] })
          }
        />
      )}
      {size.rule === 'fixed' || pinned ? (
        <LengthField
          label={`${name} ${what}`}
          mm={pin ?? (size.rule === 'fixed' ? size.mm : 0)}
          style={style}
          names={entryNames(solved)}
          path={`${path}/${pinned ? 'pin' : 'size/mm'}`}
          className="w-20 font-semibold"
          onCommit={(mm) =>
            act({ label: `${name} ${what}`, edits: [{ path: pinned ? `${path}/pin` : `${path}/size/mm`, value: mm }] })
          }
        />
      ) : (
        <span className="w-20 text-right font-semibold">
          {shown === undefined ? '?' : <Length mm={shown} style={style} />}
        </span>
      )}
      {size.rule === 'fixed' ? (
        <span className="size-7" />
      ) : (
        <button
          type="button"
          className={`${ICON} ${pinned ? 'text-pencil' : ''}`}
          aria-pressed={pinned}
          aria-label={pinned ? `Let ${name} go` : `Pin ${name} at its size`}
          disabled={shown === undefined && !pinned}
          onClick={() =>
            set(pinned ? `${name} let go` : `${name} pinned`, [
              { path: `${path}/pin`, value: pinned ? undefined : shown },
            ])
          }
        >
          {pinned ? <PinOff size={15} /> : <Pin size={15} />}
        </button>
      )}
    </div>
  );
}

/** The size an opening came out at along its split; undefined while the face does not close. */
function sizeOf({ face, resolved }: SolvedCabinet, split: Split, id: string): number | undefined {
  if (!face.ok) return undefined;
  const laid = face.splits.find(({ parts }) => parts === split.parts || parts.some((part) => part.id === id));
  const at = laid?.parts.findIndex((part) => part.id === id) ?? -1;
  const leading = resolved.settings.fronts.lay.value === 'fronts' ? laid?.face : laid?.clear;
  return leading?.[at]?.size.mm;
}
