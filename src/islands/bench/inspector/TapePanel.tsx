import { ChevronLeft, X } from 'lucide-react';
import { termKey } from '../../../core/ground/index.js';
import type { SolvedCabinet } from '../../../core/solve/index.js';
import { Strip, walk } from '../../figures/Strip.js';
import { useBench, useBenchStore } from '../context.js';
import { leadTo } from '../decisions/lead.js';
import { numberOn } from '../numbers.js';
import { UsedBy } from './UsedBy.js';

/** The arithmetic of one number, line by line; every term opens in turn, down to the decisions. */
export function TapePanel({ solved }: { solved: SolvedCabinet }) {
  const open = useBench((state) => state.tape);
  if (!open || open.inPlace) return null;
  return (
    <div className="sheet p-3">
      <Tape solved={solved} />
    </div>
  );
}

/** The open tape, wherever it stands. */
export function Tape({ solved }: { solved: SolvedCabinet }) {
  const open = useBench((state) => state.tape);
  const followTape = useBench((state) => state.followTape);
  const closeTape = useBench((state) => state.closeTape);
  const style = useBench((state) => state.job.display);
  const drawings = useBench((state) => state.drawings);
  const store = useBenchStore();
  if (!open) return null;
  const root = numberOn(solved, { drawings }, open.of);
  const dim = root && walk(root, open.trail);
  return (
    <section aria-label="Tape" data-tape={dim?.label}>
      <div className="flex items-center justify-between">
        <h2 className="caps">Tape</h2>
        <button
          type="button"
          className="grid size-7 place-items-center"
          aria-label="Close the tape"
          onClick={closeTape}
        >
          <X size={16} />
        </button>
      </div>
      {open.trail.length > 0 && (
        <button
          type="button"
          className="flex min-h-7 items-center gap-0.5 text-pencil"
          onClick={() => followTape(open.trail.slice(0, -1))}
        >
          <ChevronLeft size={15} aria-hidden="true" />
          back to {(root && walk(root, open.trail.slice(0, -1))?.label) ?? root?.label}
        </button>
      )}
      {dim ? (
        <>
          <Strip
            dim={dim}
            of={solved.cabinet}
            style={style}
            onFollow={(term) => followTape([...open.trail, termKey(dim, term)])}
            onLead={(path) => leadTo(store, path)}
          />
          <UsedBy solved={solved} dim={dim} />
        </>
      ) : (
        <p className="mt-1">This number is no longer part of the cabinet.</p>
      )}
    </section>
  );
}
