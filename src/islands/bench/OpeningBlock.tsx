import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp, Pin, PinOff, Trash2 } from 'lucide-react';
import type { ReactNode } from 'react';
import { FILLS, type FillWord, fillFor, fillWord, sizeNames } from '../../core/acts/index.js';
import {
  type Edit,
  type EditPath,
  isSplit,
  newId,
  type Opening,
  pathTo,
  type SizeRule,
  type Split,
} from '../../core/job/index.js';
import type { SolvedCabinet } from '../../core/solve.js';
import { capital } from '../../core/words.js';
import { LengthField, type Outcome } from '../fields/LengthField.js';
import { PlainField } from '../fields/PlainField.js';
import { Length } from '../figures/Length.js';
import { useBench } from './context.js';

/** What the editors of one face share. */
export interface EditorContext {
  readonly solved: SolvedCabinet;
  readonly attempt: (outcome: Outcome) => Outcome;
  /** What each opening is called, by its id. */
  readonly names: ReadonlyMap<string, string>;
}

interface BlockProps {
  readonly opening: Opening;
  readonly at: number;
  readonly split: Split;
  readonly path: EditPath;
  readonly context: EditorContext;
  readonly onMove: (by: -1 | 1) => void;
  readonly onRemove: () => void;
  /** The openings it is divided into. */
  readonly children?: ReactNode;
}

const ICON = 'grid size-7 place-items-center hover:text-pencil disabled:opacity-30';

/** One opening: what closes it, how large it is and why, how many shelves stand behind it. */
export function OpeningBlock({ opening, at, split, path, context, onMove, onRemove, children }: BlockProps) {
  const act = useBench((state) => state.act);
  const selected = useBench((state) => state.selected);
  const unit = useBench((state) => state.job.display.unit);
  const { solved, attempt } = context;
  const { fill } = opening;
  const rows = split.kind === 'rows';
  const called = context.names.get(opening.id) ?? 'opening';
  const name = capital(called);
  const mine = solved.fronts.some(
    (front) => front.openingId === opening.id && front.parts.some((part) => part.key === selected),
  );
  const [Back, On] = rows ? [ArrowUp, ArrowDown] : [ArrowLeft, ArrowRight];
  const setFill = (word: FillWord) =>
    attempt(
      act({
        label: name,
        edits: [{ path: pathTo.openingField(path, 'fill'), value: fillFor(word, fill, () => newId('o'), unit) }],
      }),
    );
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
              act({
                label: `${name} shelves`,
                edits: [{ path: pathTo.openingField(path, 'fill/shelves'), value: shelves }],
              })
            }
          />
          <span className="size-7" />
        </div>
      )}
      {children}
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
  path: EditPath;
  split: Split;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { solved, attempt } = context;
  const { size, pin } = opening;
  const shown = sizeOf(solved, split, opening.id);
  const what = split.kind === 'rows' ? 'height' : 'width';
  const set = (label: string, edits: Edit[]) => attempt(act({ label, edits }));
  const setRule = (rule: SizeRule['rule']) => {
    const value: SizeRule =
      rule === 'fixed' ? { rule, mm: Math.max(1, shown ?? 100) } : rule === 'share' ? { rule, weight: 1 } : { rule };
    const unpin =
      rule === 'fixed' && pin !== undefined ? [{ path: pathTo.openingField(path, 'pin'), value: undefined }] : [];
    set(`${name} size`, [{ path: pathTo.openingField(path, 'size'), value }, ...unpin]);
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
            act({ label: `${name} share`, edits: [{ path: pathTo.openingField(path, 'size/weight'), value: weight }] })
          }
        />
      )}
      {size.rule === 'fixed' || pinned ? (
        <LengthField
          label={`${name} ${what}`}
          mm={pin ?? (size.rule === 'fixed' ? size.mm : 0)}
          style={style}
          names={sizeNames(solved)}
          path={pathTo.openingField(path, pinned ? 'pin' : 'size/mm')}
          className="w-20 font-semibold"
          onCommit={(mm) =>
            act({
              label: `${name} ${what}`,
              edits: [{ path: pathTo.openingField(path, pinned ? 'pin' : 'size/mm'), value: mm }],
            })
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
              { path: pathTo.openingField(path, 'pin'), value: pinned ? undefined : shown },
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
