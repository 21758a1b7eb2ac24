import { Plus } from 'lucide-react';
import { dividerAfter } from '../../../core/build/index.js';
import { openingLike } from '../../../core/commands/index.js';
import {
  type Edit,
  type EditPath,
  type Graduation,
  isSplit,
  newId,
  type Opening,
  pathTo,
  type Split,
  startingGraduation,
} from '../../../core/decisions/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { useBench } from '../context.js';
import { useEditing } from './editing.js';
import { type EditorContext, OpeningBlock } from './OpeningBlock.js';

/** The tree of openings as it is seen: rows from the top, columns from the left; each part says how its size is decided. */
export function OpeningsEditor({ solved }: { solved: SolvedCabinet }) {
  const act = useBench((state) => state.act);
  const { context, problem } = useEditing(solved);
  const { cabinet, resolved } = solved;
  const path = pathTo.face(cabinet.id);
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
            context.attempt(
              act({ label: 'Face', edits: [{ path: pathTo.split(path, 'kind'), value: event.currentTarget.value }] }),
            )
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

function SplitEditor({ split, path, context }: { split: Split; path: EditPath; context: EditorContext }) {
  const act = useBench((state) => state.act);
  const { parts } = split;
  const change = (label: string, edit: Edit) => context.attempt(act({ label, edits: [edit] }));
  const move = ({ id }: Opening, at: number, by: -1 | 1) =>
    change('Opening moved', {
      path: pathTo.opening(path, id),
      moveBefore: parts[by < 0 ? at - 1 : at + 2]?.id ?? null,
    });
  const add = () =>
    change('Opening added', {
      path: pathTo.split(path, 'parts'),
      insert: openingLike(parts.at(-1)?.fill, () => newId('o')),
    });
  return (
    <div className="flex flex-col gap-1.5">
      <ol className="flex flex-col gap-1.5">
        {parts.map((opening, at) => (
          <li key={opening.id} className="flex flex-col gap-1">
            <OpeningBlock
              opening={opening}
              at={at}
              split={split}
              path={pathTo.opening(path, opening.id)}
              context={context}
              onMove={(by) => move(opening, at, by)}
              onRemove={() => change('Opening removed', { path: pathTo.opening(path, opening.id), value: undefined })}
            >
              {isSplit(opening.fill) && (
                <SplitEditor
                  split={opening.fill}
                  path={pathTo.openingField(pathTo.opening(path, opening.id), 'fill')}
                  context={context}
                />
              )}
            </OpeningBlock>
            {at < parts.length - 1 && (
              <DividerRow
                opening={opening}
                next={parts[at + 1] as Opening}
                split={split}
                path={pathTo.opening(path, opening.id)}
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
        <GraduationRow split={split} path={path} context={context} />
      )}
    </div>
  );
}

function GraduationRow({ split, path, context }: { split: Split; path: EditPath; context: EditorContext }) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { graduation } = split;
  const set = (label: string, at: EditPath, value: unknown) =>
    context.attempt(act({ label, edits: [{ path: at, value }] }));
  return (
    <div className="flex items-center gap-1">
      <select
        aria-label="Graduation grows by"
        className="entry min-w-0 flex-1"
        value={graduation.kind}
        onChange={(event) =>
          set(
            'Graduation',
            pathTo.split(path, 'graduation'),
            startingGraduation(event.currentTarget.value as Graduation['kind'], style.unit),
          )
        }
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
          onCommit={(mm) => set('Graduation step', pathTo.split(path, 'graduation/step'), mm)}
        />
      ) : (
        <PlainField
          label="Graduation ratio"
          value={graduation.ratio}
          onCommit={(value) => set('Graduation ratio', pathTo.split(path, 'graduation/ratio'), value)}
        />
      )}
    </div>
  );
}

const ROW_DIVIDERS = { stretcher: 'a stretcher', shelf: 'a fixed shelf', web: 'a web frame', none: 'nothing' } as const;
const COLUMN_DIVIDERS = { partition: 'a partition', none: 'nothing' } as const;

export function DividerRow({
  opening,
  next,
  split,
  path,
  context,
}: {
  opening: Opening;
  next: Opening;
  split: Split;
  path: EditPath;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const kind = dividerAfter(opening, next, split.kind, context.solved.resolved);
  const words: Readonly<Record<string, string>> = split.kind === 'rows' ? ROW_DIVIDERS : COLUMN_DIVIDERS;
  const decided = opening.divider !== undefined && opening.divider in words ? opening.divider : '';
  const style = useBench((state) => state.job.display);
  const set = (label: string, field: 'divider' | 'dividerOff', value: unknown) =>
    context.attempt(act({ label, edits: [{ path: pathTo.openingField(path, field), value }] }));
  return (
    <div className="flex flex-col gap-1 pl-3 text-[0.9375rem] text-ink-soft">
      <label className="flex items-center gap-1">
        <span className="shrink-0">behind the gap</span>
        <select
          className="min-h-7 min-w-0 flex-1 bg-transparent"
          value={decided}
          onChange={(event) => set('Divider', 'divider', event.currentTarget.value || undefined)}
        >
          <option value="">{words[kind]} (standard)</option>
          {Object.entries(words).map(([word, label]) => (
            <option key={word} value={word}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {kind !== 'none' && (
        <div className="flex items-center gap-1">
          <span className="flex-1">
            {split.kind === 'rows' ? 'above the middle of the gap' : 'right of the middle of the gap'}
          </span>
          <LengthField
            label={`${context.names.get(opening.id) ?? ''}: divider off the middle of the gap`}
            mm={opening.dividerOff ?? 0}
            style={style}
            className="w-16"
            onCommit={(mm) => set('Divider moved off its gap', 'dividerOff', mm === 0 ? undefined : mm)}
          />
        </div>
      )}
    </div>
  );
}
