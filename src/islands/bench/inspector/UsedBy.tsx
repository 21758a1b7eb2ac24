import { useMemo } from 'react';
import { usersOf } from '../../../core/commands/index.js';
import type { Dim } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Figure } from '../../figures/Figure.js';
import { useBench } from '../context.js';
import { useTapeOf } from '../numbers.js';

/** So many are listed; the rest is counted. */
const MOST = 40;

/** What is figured with a number: its tape read the other way. Folded until it is wanted; u folds and unfolds it. */
export function UsedBy({ solved, dim }: { solved: SolvedCabinet; dim: Dim }) {
  const open = useBench((state) => state.usersShown);
  const showUsers = useBench((state) => state.showUsers);
  return (
    <details
      className="mt-1.5 border-t border-dashed border-rule pt-1"
      open={open}
      onToggle={(event) => showUsers(event.currentTarget.open)}
    >
      <summary className="min-h-7 cursor-pointer font-semibold" title="u">
        Used by
      </summary>
      {open && <Users solved={solved} dim={dim} />}
    </details>
  );
}

function Users({ solved, dim }: { solved: SolvedCabinet; dim: Dim }) {
  const style = useBench((state) => state.job.display);
  const openTape = useTapeOf();
  const users = useMemo(() => usersOf(solved, dim), [solved, dim]);
  if (users.length === 0) return <p className="text-ink-soft">Nothing else is figured with it.</p>;
  return (
    <>
      <ul aria-label={`Used by, of ${dim.label}`}>
        {users.slice(0, MOST).map(({ dim: user }, at) => (
          <li key={at}>
            <button
              type="button"
              className="flex min-h-7 w-full items-baseline justify-between gap-2 text-left hover:text-pencil"
              onClick={() => openTape(user)}
            >
              <span className="first-letter:uppercase">{user.label}</span>
              <span className="shrink-0 font-semibold">
                <Figure dim={user} style={style} />
              </span>
            </button>
          </li>
        ))}
      </ul>
      {users.length > MOST && <p className="text-ink-soft">and {users.length - MOST} more</p>}
    </>
  );
}
