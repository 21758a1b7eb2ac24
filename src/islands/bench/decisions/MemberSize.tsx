import { Pin, PinOff } from 'lucide-react';
import type { SplitAxis } from '../../../core/build/index.js';
import { sizeNames } from '../../../core/commands/index.js';
import { type Edit, type EditPath, type Opening, pathTo, type SizeRule } from '../../../core/decisions/index.js';
import { LengthField } from '../../fields/LengthField.js';
import { PlainField } from '../../fields/PlainField.js';
import { Length } from '../../figures/Length.js';
import { useBench } from '../context.js';
import type { EditorContext } from './OpeningBlock.js';

const ICON = 'grid size-7 place-items-center hover:text-pencil disabled:opacity-30';

type Member = Pick<Opening, 'id' | 'size' | 'pin'>;

/** How the size of an opening, or of a room behind one, is decided, and what it comes to. */
export function MemberSize({
  member,
  name,
  path,
  axis,
  shown,
  context,
}: {
  member: Member;
  name: string;
  path: EditPath;
  axis: SplitAxis;
  /** What it came out at; undefined while its division does not close. */
  shown: number | undefined;
  context: EditorContext;
}) {
  const act = useBench((state) => state.act);
  const style = useBench((state) => state.job.display);
  const { solved, attempt } = context;
  const { size, pin } = member;
  const what = axis === 'rows' ? 'height' : 'width';
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
