import type { ReactNode } from 'react';
import type { RoomName } from '../../../core/build/index.js';
import { fillFor, fillWord, OPENINGS } from '../../../core/commands/index.js';
import {
  type EditPath,
  interiorOf,
  isSplit,
  newId,
  type Opening,
  pathTo,
  type Split,
} from '../../../core/decisions/index.js';
import { capital } from '../../../core/ground/index.js';
import { form, type SolvedCabinet } from '../../../core/solve/index.js';
import type { Outcome } from '../../fields/LengthField.js';
import { useBench } from '../context.js';
import { InteriorRow } from './InteriorEditor.js';
import { MemberActs } from './MemberActs.js';
import { MemberSize } from './MemberSize.js';

/** What the editors of one face share. */
export interface EditorContext {
  readonly solved: SolvedCabinet;
  readonly attempt: (outcome: Outcome) => Outcome;
  /** What each opening is called, by its id. */
  readonly names: ReadonlyMap<string, string>;
  /** What each room behind a front is called. */
  readonly rooms: ReadonlyMap<string, RoomName>;
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

/** One opening: what closes it, how large it is and why, what is behind it. */
export function OpeningBlock({ opening, at, split, path, context, onMove, onRemove, children }: BlockProps) {
  const act = useBench((state) => state.act);
  const selected = useBench((state) => state.selected);
  const unit = useBench((state) => state.job.display.unit);
  const { solved, attempt } = context;
  const { fill } = opening;
  const called = context.names.get(opening.id) ?? 'opening';
  const name = capital(called);
  const mine = solved.fronts.some(
    (front) => front.openingId === opening.id && front.parts.some((part) => part.key === selected),
  );
  const setFill = (word: string) =>
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
          onChange={(event) => setFill(event.currentTarget.value)}
        >
          {OPENINGS.map(({ word, label }) => (
            <option key={word} value={word}>
              {label}
            </option>
          ))}
        </select>
        <MemberActs
          name={name}
          axis={split.kind}
          at={at}
          count={split.parts.length}
          onMove={onMove}
          onRemove={onRemove}
        />
      </div>
      <MemberSize
        member={opening}
        name={name}
        path={path}
        axis={split.kind}
        shown={sizeOf(solved, split, opening.id)}
        context={context}
      />
      {form.fills.opening[fill.kind]?.room && (
        <InteriorRow
          label={`${name}, inside`}
          fill={interiorOf(fill)}
          path={pathTo.openingField(path, 'fill/interior')}
          whole
          context={context}
        />
      )}
      {children}
    </div>
  );
}

/** The size an opening came out at along its split; undefined while the face does not close. */
function sizeOf({ face, resolved }: SolvedCabinet, split: Split, id: string): number | undefined {
  if (!face.ok) return undefined;
  const laid = face.splits.find(({ parts }) => parts === split.parts || parts.some((part) => part.id === id));
  const at = laid?.parts.findIndex((part) => part.id === id) ?? -1;
  const leading = resolved.settings.fronts.lay.value === 'fronts' ? laid?.face : laid?.clear;
  return leading?.[at]?.size.value;
}
