import { Plus } from 'lucide-react';
import { dividerInside } from '../../../core/build/index.js';
import { fillWord, ROOMS, roomFor, roomLike } from '../../../core/commands/index.js';
import {
  type DividerKind,
  type Edit,
  type EditPath,
  type Interior,
  type InteriorSplit,
  isDivided,
  type KindFill,
  newId,
  pathTo,
  type Room,
} from '../../../core/decisions/index.js';
import { capital } from '../../../core/ground/index.js';
import { form, type SolvedCabinet } from '../../../core/solve/index.js';
import { PlainField } from '../../fields/PlainField.js';
import { useBench } from '../context.js';
import { MemberActs } from './MemberActs.js';
import { MemberSize } from './MemberSize.js';
import type { EditorContext } from './OpeningBlock.js';

/** What a room is for: nothing, shelves, a drawer, a tray, a rail, or divided again. `path` is where it is filled. */
export function InteriorRow({
  label,
  fill,
  path,
  whole = false,
  context,
}: {
  label: string;
  fill: Interior | undefined;
  path: EditPath;
  /** Of all there is behind a front nothing need be said; one room of several is there even when it is empty. */
  whole?: boolean;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const unit = useBench((state) => state.job.display.unit);
  const { attempt } = context;
  const counts = fill && form.fills.room[fill.kind]?.counts;
  const choose = (word: string) => {
    const chosen = roomFor(word, fill, () => newId('r'), unit);
    attempt(act({ label, edits: [{ path, value: whole && chosen.kind === 'nothing' ? undefined : chosen }] }));
  };
  return (
    <>
      <div className="flex items-center gap-1">
        <span className="shrink-0 text-ink-soft">inside</span>
        <select
          aria-label={label}
          className="entry min-w-0 flex-1"
          value={fill ? fillWord(fill) : 'nothing'}
          onChange={(event) => choose(event.currentTarget.value)}
        >
          {ROOMS.map(({ word, label: words }) => (
            <option key={word} value={word}>
              {words}
            </option>
          ))}
        </select>
        {fill && counts && (
          <PlainField
            label={`${label}: ${counts.label}`}
            value={Number((fill as KindFill)[counts.field])}
            whole
            onCommit={(value) => act({ label, edits: [{ path: pathTo.entry(path, counts.field), value }] })}
          />
        )}
      </div>
      {fill && isDivided(fill) && <RoomList split={fill} path={path} label={label} context={context} />}
    </>
  );
}

/** The rooms of a division, with what stands between them. */
function RoomList({
  split,
  path,
  label,
  context,
}: {
  split: InteriorSplit;
  path: EditPath;
  label: string;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const { solved, attempt } = context;
  const { parts } = split;
  const rows = split.kind === 'rows';
  const change = (words: string, edit: Edit) => attempt(act({ label: words, edits: [edit] }));
  return (
    <div className="flex flex-col gap-1 border-l-2 border-rule pl-2">
      <ol className="flex flex-col gap-1">
        {parts.map((room, at) => {
          const { name: called = 'room', short = 'room' } = context.rooms.get(room.id) ?? {};
          const name = capital(called);
          const own = pathTo.opening(path, room.id);
          return (
            <li key={room.id} className="flex flex-col gap-0.5">
              <div className="flex items-center">
                <span className="min-w-0 flex-1 truncate font-semibold" title={name}>
                  {capital(short)}
                </span>
                <MemberActs
                  name={name}
                  axis={split.kind}
                  at={at}
                  count={parts.length}
                  onMove={(by) =>
                    change('Room moved', { path: own, moveBefore: parts[by < 0 ? at - 1 : at + 2]?.id ?? null })
                  }
                  onRemove={() => change('Room removed', { path: own, value: undefined })}
                />
              </div>
              <InteriorRow
                label={`${name} is for`}
                fill={room.fill}
                path={pathTo.openingField(own, 'fill')}
                context={context}
              />
              <MemberSize
                member={room}
                name={name}
                path={own}
                axis={split.kind}
                shown={roomSize(solved, room.id)}
                context={context}
              />
              {at < parts.length - 1 && (
                <RoomDivider room={room} axis={split.kind} path={own} name={name} context={context} />
              )}
            </li>
          );
        })}
      </ol>
      <button
        type="button"
        className="act self-start"
        disabled={parts.length >= 24}
        aria-label={`${label}: add a room`}
        onClick={() =>
          change('Room added', {
            path: pathTo.split(path, 'parts'),
            insert: roomLike(parts.at(-1)?.fill, () => newId('r')),
          })
        }
      >
        <Plus size={16} aria-hidden="true" /> {rows ? 'Room below' : 'Room at the right'}
      </button>
    </div>
  );
}

const BETWEEN_ROWS = { shelf: 'a fixed shelf', stretcher: 'a rail', web: 'a web frame', none: 'nothing' } as const;
const BETWEEN_COLUMNS = { partition: 'a partition', none: 'nothing' } as const;

function RoomDivider({
  room,
  axis,
  path,
  name,
  context,
}: {
  room: Room;
  axis: 'rows' | 'columns';
  path: EditPath;
  name: string;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const words: Readonly<Partial<Record<DividerKind, string>>> = axis === 'rows' ? BETWEEN_ROWS : BETWEEN_COLUMNS;
  return (
    <label className="flex items-center gap-1 pl-3 text-[0.9375rem] text-ink-soft">
      <span className="shrink-0">{axis === 'rows' ? 'under it' : 'right of it'}</span>
      <select
        aria-label={`${axis === 'rows' ? 'Under' : 'Right of'} ${name}`}
        className="min-h-7 min-w-0 flex-1 bg-transparent"
        value={dividerInside(room, axis)}
        onChange={(event) =>
          context.attempt(
            act({
              label: 'Divider inside',
              edits: [{ path: pathTo.openingField(path, 'divider'), value: event.currentTarget.value }],
            }),
          )
        }
      >
        {Object.entries(words).map(([word, label]) => (
          <option key={word} value={word}>
            {label}
          </option>
        ))}
      </select>
    </label>
  );
}

/** The clear size a room came out at along its division; undefined while that does not close. */
function roomSize({ interiors }: SolvedCabinet, id: string): number | undefined {
  for (const { parts, sizes } of interiors.splits) {
    const at = parts.findIndex((room) => room.id === id);
    if (at >= 0) return sizes[at]?.size.value;
  }
  return undefined;
}
