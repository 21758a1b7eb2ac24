import { useEffect, useMemo, useState } from 'react';
import type { CorrectedJob } from '../../core/corrections/index.js';
import type { Job } from '../../core/document/index.js';
import { nextOpening, openingKey as openingKeyOf, type Way } from '../../core/handling/index.js';
import { CabinetStrip } from './CabinetStrip.js';
import { chosenOpenings, useOpeningAct } from './chosen.js';
import { BenchContext, useBench, useBenchStore, useSolvedCabinet } from './context.js';
import { Decisions } from './decisions/Decisions.js';
import { BinsPanel } from './inspector/BinsPanel.js';
import { CabinetPanel } from './inspector/CabinetPanel.js';
import { CautionsPanel } from './inspector/CautionsPanel.js';
import { CorrectionsPanel } from './inspector/CorrectionsPanel.js';
import { DrawerPanel } from './inspector/DrawerPanel.js';
import { FindingsPanel } from './inspector/FindingsPanel.js';
import { FrontPanel } from './inspector/FrontPanel.js';
import { GapPanel } from './inspector/GapPanel.js';
import { HingePanel } from './inspector/HingePanel.js';
import { LiftPanel } from './inspector/LiftPanel.js';
import { OpeningPanel } from './inspector/OpeningPanel.js';
import { PartPanel } from './inspector/PartPanel.js';
import { ShelfPanel } from './inspector/ShelfPanel.js';
import { TapePanel } from './inspector/TapePanel.js';
import { ThingPanel } from './inspector/ThingPanel.js';
import { KeysDialog } from './KeysDialog.js';
import { PartsLine } from './parts/PartsLine.js';
import { PartsTable } from './parts/PartsTable.js';
import { keepCorner, keepLayers, keptCorner, keptLayers, layersByKey } from './sheet/layers.js';
import { OpeningMenu } from './sheet/OpeningMenu.js';
import { Sheet } from './sheet/Sheet.js';
import { isTall, isView, views } from './sheet/views/index.js';
import { NO_ZOOM, nearer, sayZoom, zoomSaid } from './sheet/zoom.js';
import { benchCabinet, createBenchStore, type Opened } from './store.js';
import { TopBar } from './TopBar.js';

export interface BenchProps {
  readonly stored: {
    readonly id: string;
    readonly version: number;
    readonly updatedAt: string;
    readonly epoch: string;
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
    <BenchContext value={store}>
      <BenchView
        jobId={stored.id}
        version={stored.version}
        epoch={stored.epoch}
        savedAt={stored.updatedAt}
        dismissed={dismissed}
        corrected={corrected}
      />
    </BenchContext>
  );
}

interface BenchViewProps {
  readonly jobId: string;
  readonly version: number;
  readonly epoch: string;
  readonly savedAt: string;
  readonly dismissed: readonly string[];
  readonly corrected: CorrectedJob;
}

function BenchView({ jobId, version, epoch, savedAt, dismissed, corrected }: BenchViewProps) {
  const solved = useSolvedCabinet();
  const foldable = useBench((state) => !isTall(state.view));
  const partsShown = useBench((state) => state.partsShown) && foldable;
  const decisionsShown = useBench((state) => state.decisionsShown);
  const [keysOpen, setKeysOpen] = useState(false);
  useKeys(() => setKeysOpen(true));
  useAddress();
  return (
    <div className="relative grid h-dvh min-h-[600px] grid-cols-[minmax(0,1fr)] grid-rows-[auto_auto_1fr] overflow-hidden">
      <TopBar jobId={jobId} version={version} epoch={epoch} onKeys={() => setKeysOpen(true)} />
      <CabinetStrip />
      {solved ? (
        <div
          className={`grid min-h-0 ${decisionsShown ? 'grid-cols-[18.75rem_minmax(0,1fr)_17.5rem]' : 'grid-cols-[minmax(0,1fr)_17.5rem]'}`}
        >
          {decisionsShown && <Decisions solved={solved} />}
          <main
            className={`grid min-h-0 grid-cols-[minmax(0,1fr)] px-1 pb-2 ${partsShown ? 'grid-rows-[minmax(0,1fr)_auto_13.5rem]' : 'grid-rows-[minmax(0,1fr)_auto]'}`}
          >
            <Sheet solved={solved} savedAt={savedAt} />
            <PartsLine solved={solved} foldable={foldable} />
            {partsShown && <PartsTable solved={solved} />}
          </main>
          <aside
            className="relative flex min-h-0 flex-col gap-2 overflow-y-auto px-2 pb-2"
            aria-label="Tape and findings"
          >
            <CorrectionsPanel jobId={jobId} corrected={corrected} />
            <TapePanel solved={solved} />
            <CabinetPanel solved={solved} />
            <ThingPanel solved={solved} />
            <OpeningPanel solved={solved} />
            <GapPanel solved={solved} />
            <PartPanel solved={solved} />
            <ShelfPanel solved={solved} />
            <FrontPanel solved={solved} />
            <HingePanel solved={solved} />
            <DrawerPanel solved={solved} />
            <LiftPanel solved={solved} />
            <BinsPanel solved={solved} />
            <FindingsPanel solved={solved} />
            <CautionsPanel solved={solved} dismissed={dismissed} />
          </aside>
        </div>
      ) : (
        <main className="p-16 text-lg">
          <h1 className="text-2xl font-semibold">No cabinet on the bench</h1>
          <p className="mt-2">
            Add a base or wall cabinet above; it is drawn at once from the house standards, and everything about it can
            be changed.
          </p>
        </main>
      )}
      {solved && <OpeningMenu solved={solved} />}
      <KeysDialog open={keysOpen} onOpenChange={setKeysOpen} />
    </div>
  );
}

/** How the bench stands, as its address says it. */
function openedBy(search: string): Opened {
  const said = new URLSearchParams(search);
  const view = said.get('view');
  return {
    ...(isView(view) ? { view } : {}),
    selected: said.get('part'),
    partsShown: said.has('parts'),
    decisionsShown: said.has('decisions'),
    layers: keptLayers(),
    cornerShown: keptCorner(),
    zoom: zoomSaid(said.get('zoom')) ?? NO_ZOOM,
  };
}

/** The address says how the bench stands, so that a reload or a link comes back to it. */
function useAddress() {
  const cabinetId = useBench((state) => state.cabinetId);
  const view = useBench((state) => state.view);
  const selected = useBench((state) => state.selected);
  const partsShown = useBench((state) => state.partsShown);
  const decisionsShown = useBench((state) => state.decisionsShown);
  const zoom = useBench((state) => sayZoom(state.zoom));
  useEffect(() => {
    const url = new URL(window.location.href);
    const say = (name: string, value: string | null) => {
      if (value === null) url.searchParams.delete(name);
      else url.searchParams.set(name, value);
    };
    say('cabinet', cabinetId);
    say('view', view === 'all' ? null : view);
    say('part', selected);
    say('parts', partsShown ? 'shown' : null);
    say('decisions', decisionsShown ? 'shown' : null);
    say('zoom', zoom);
    // A browser takes only so many changes of the address at a time.
    const later = setTimeout(() => window.history.replaceState(null, '', url), 150);
    return () => clearTimeout(later);
  }, [cabinetId, view, selected, partsShown, decisionsShown, zoom]);
}

/** Between the number and its letter no more than this passes (ms). */
const NUMBER_MS = 1500;

const WAYS: Readonly<Record<string, Way>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** Keys that come nearer, and those that go back. */
const ZOOMS: Readonly<Record<string, number>> = { '+': 1.25, '=': 1.25, '-': 0.8 };

function useKeys(openKeys: () => void) {
  const store = useBenchStore();
  const act = useOpeningAct();
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]');
      const state = store.getState();
      const command = event.ctrlKey || event.metaKey;
      if (command && event.key.toLowerCase() === 'z' && !typing) {
        event.preventDefault();
        if (event.shiftKey) state.redo();
        else state.undo();
      } else if (command && event.key.toLowerCase() === 'y' && !typing) {
        event.preventDefault();
        state.redo();
      } else if (!typing && !command && !event.altKey && !openingKey(event)) {
        const named = views.find(({ key }) => key === event.key);
        if (event.key === '?') openKeys();
        else if (named) state.show(named.id);
        else if (event.key === 'v') {
          state.showCorner(!state.cornerShown);
          keepCorner(!state.cornerShown);
        } else if (ZOOMS[event.key]) zoomBy(ZOOMS[event.key] as number);
        else if (event.key === '0') state.zoomTo(NO_ZOOM);
        else if (event.key === 't') state.showParts(!state.partsShown);
        else if (event.key === 'u' && state.tape) state.showUsers(!state.usersShown);
        else if (event.key === 'd') state.showDecisions(!state.decisionsShown);
        else if (layersByKey(state.layers, event.key)) {
          state.setLayers(layersByKey(state.layers, event.key) ?? {});
          keepLayers(store.getState().layers);
        } else if (event.key === '[' || event.key === ']') stepCabinet(event.key === ']' ? 1 : -1);
        else if (event.key === 'Escape') {
          state.select(null);
          state.closeTape();
        }
      }
    };
    /** Keys of the chosen openings: a number and r or c, their menu, arrows from one to the next. */
    let number = '';
    let since = 0;
    const openingKey = (event: KeyboardEvent): boolean => {
      const state = store.getState();
      const solved = benchCabinet(state);
      const ids = solved ? chosenOpenings(state, solved) : [];
      if (!solved || ids.length === 0) return false;
      if (/^[1-9]$/.test(event.key) || (event.key === '0' && number !== '')) {
        number = event.timeStamp - since < NUMBER_MS ? number + event.key : event.key;
        since = event.timeStamp;
        return true;
      }
      const count = event.timeStamp - since < NUMBER_MS ? Number(number) : 0;
      number = '';
      if ((event.key === 'r' || event.key === 'c') && count >= 2) {
        act({ divide: event.key === 'r' ? 'rows' : 'columns', in: Math.min(24, count) });
        return true;
      }
      if (event.key === 'm') {
        const chosen = document.querySelector(`[data-chosen="${CSS.escape(ids[0] ?? '')}"]`)?.getBoundingClientRect();
        event.preventDefault();
        state.openMenu(chosen ? { x: chosen.left + 16, y: chosen.top + 16 } : { x: 200, y: 200 });
        return true;
      }
      if (event.key === 'Delete') {
        act({ hand: 'Delete' });
        return true;
      }
      const way = WAYS[event.key];
      const onDrawing = event.target === document.body || (event.target as Element).closest?.('[data-opening]');
      if (!way || !onDrawing) return false;
      const next = nextOpening(solved, ids.at(-1) ?? '', way);
      event.preventDefault();
      if (next === undefined) return true;
      if (event.shiftKey) state.choose([...state.also, next]);
      else state.select(openingKeyOf(next));
      return true;
    };
    const zoomBy = (by: number) => {
      const paper = document.querySelector('main svg[role="group"]')?.getBoundingClientRect();
      if (paper) store.getState().zoomTo(nearer(store.getState().zoom, by, paper));
    };
    const stepCabinet = (by: number) => {
      const { job, cabinetId, showCabinet } = store.getState();
      const at = job.cabinets.findIndex((cabinet) => cabinet.id === cabinetId);
      const next = job.cabinets[(at + by + job.cabinets.length) % job.cabinets.length];
      if (next) showCabinet(next.id);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, openKeys, act]);
}
