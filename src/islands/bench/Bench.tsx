import { useMemo, useState } from 'react';
import type { CorrectedJob } from '../../core/commands/index.js';
import type { Job } from '../../core/decisions/index.js';
import { OpenJobContext } from '../openJob/context.js';
import { Saves } from '../openJob/saving/context.js';
import { openedBy, useAddress } from './address.js';
import { RestContext, useComing } from './afterwards.js';
import { CabinetStrip } from './CabinetStrip.js';
import { BenchContext, useBench, useSolvedCabinet } from './context.js';
import { useLookingThrough } from './found.js';
import { useKeys } from './keys.js';
import { PartsLine } from './parts/PartsLine.js';
import { Sheet } from './sheet/Sheet.js';
import { isTall } from './sheet/views/index.js';
import { createBenchStore } from './store.js';
import { TopBar } from './TopBar.js';

export interface BenchProps {
  readonly stored: {
    readonly id: string;
    readonly version: number;
    readonly updatedAt: string;
    readonly epoch: string;
    readonly program: string;
    readonly document: Job;
  };
  readonly cabinetId: string | null;
  /** Cautions the shop has dismissed. */
  readonly dismissed: readonly string[];
  /** What corrected rules changed in it since it was stored. */
  readonly corrected: CorrectedJob;
}

/** One cabinet on the bench: its decisions, its drawing, its parts, and the arithmetic behind every number. */
export function Bench({ stored, cabinetId, dismissed, corrected }: BenchProps) {
  const store = useMemo(
    () => createBenchStore(stored.document, cabinetId, openedBy(window.location.search)),
    [stored.document, cabinetId],
  );
  return (
    <OpenJobContext value={store}>
      <BenchContext value={store}>
        <Saves jobId={stored.id} made={stored}>
          <BenchView jobId={stored.id} savedAt={stored.updatedAt} dismissed={dismissed} corrected={corrected} />
        </Saves>
      </BenchContext>
    </OpenJobContext>
  );
}

interface BenchViewProps {
  readonly jobId: string;
  readonly savedAt: string;
  readonly dismissed: readonly string[];
  readonly corrected: CorrectedJob;
}

function BenchView({ jobId, savedAt, dismissed, corrected }: BenchViewProps) {
  const solved = useSolvedCabinet();
  const foldable = useBench((state) => !isTall(state.view));
  const partsShown = useBench((state) => state.partsShown) && foldable;
  const decisionsShown = useBench((state) => state.decisionsShown);
  const listed = useBench((state) => state.partsShown && state.list === 'steps');
  const [keysOpen, setKeysOpen] = useState(false);
  // What was saved is read before and after: it takes more room than a list.
  const rows = !partsShown
    ? 'grid-rows-[minmax(0,1fr)_auto]'
    : listed
      ? 'grid-rows-[minmax(0,1fr)_auto_17.5rem]'
      : 'grid-rows-[minmax(0,1fr)_auto_13.5rem]';
  useKeys(() => setKeysOpen(true));
  useAddress();
  useLookingThrough();
  const rest = useComing();
  return (
    <RestContext value={rest}>
      <div className="relative grid h-dvh min-h-[600px] grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_1fr] overflow-hidden">
        <TopBar onKeys={() => setKeysOpen(true)} />
        <CabinetStrip />
        {solved ? (
          <div
            className={`grid min-h-0 ${decisionsShown ? 'grid-cols-[18.75rem_minmax(0,1fr)_17.5rem]' : 'grid-cols-[minmax(0,1fr)_17.5rem]'}`}
          >
            {decisionsShown && (rest ? <rest.Decisions solved={solved} /> : <div />)}
            <main className={`grid min-h-0 grid-cols-[minmax(0,1fr)] px-1 pb-2 ${rows}`}>
              <h1 className="sr-only">
                Cabinet {solved.cabinet.number}, {solved.cabinet.name}
              </h1>
              <Sheet solved={solved} savedAt={savedAt} />
              <PartsLine solved={solved} foldable={foldable} />
              {partsShown && (rest ? <rest.PartsTable solved={solved} /> : <div className="sheet" />)}
            </main>
            <aside
              className="relative flex min-h-0 flex-col gap-2 overflow-y-auto px-2 pb-2"
              aria-label="Tape and findings"
            >
              {rest && (
                <>
                  <rest.CorrectionsPanel jobId={jobId} corrected={corrected} />
                  {Object.entries(rest.panels).map(([id, Panel]) => (
                    <Panel key={id} solved={solved} />
                  ))}
                  <rest.CutSheetsPanel jobId={jobId} />
                  <rest.FindingsPanel solved={solved} />
                  <rest.CautionsPanel solved={solved} dismissed={dismissed} />
                </>
              )}
            </aside>
          </div>
        ) : (
          <main className="grid min-h-0 grid-rows-[minmax(0,1fr)_17.5rem] px-1 pb-2">
            <div className="p-16 text-lg">
              <h1 className="text-2xl font-semibold">No cabinet on the bench</h1>
              <p className="mt-2">
                Add a base or wall cabinet above; it is drawn at once from the house standards, and everything about it
                can be changed. What the job held before stands under History.
              </p>
            </div>
            {listed && <div className="sheet min-h-0">{rest && <rest.Steps />}</div>}
          </main>
        )}
        {rest ? (
          <>
            {solved && <rest.OpeningMenu solved={solved} />}
            <rest.KeysDialog open={keysOpen} onOpenChange={setKeysOpen} />
          </>
        ) : (
          <span hidden data-opening />
        )}
      </div>
    </RestContext>
  );
}
