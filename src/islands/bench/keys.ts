import { useEffect } from 'react';
import { openingKey } from '../../core/build/index.js';
import { type Heading, nextOpening } from '../../core/commands/index.js';
import { chosenOpenings, useOpeningAct } from './chosen.js';
import { useBenchStore } from './context.js';
import { layersByKey } from './sheet/layers.js';
import { views } from './sheet/views/index.js';
import { NO_ZOOM, nearer } from './sheet/zoom.js';
import { type BenchState, type BenchStore, benchCabinet } from './store.js';

/** Between a number and its letter no more than this passes (ms). */
const NUMBER_MS = 1500;

const WAYS: Readonly<Record<string, Heading>> = {
  ArrowLeft: 'left',
  ArrowRight: 'right',
  ArrowUp: 'up',
  ArrowDown: 'down',
};

/** Keys that come nearer, and those that go back. */
const ZOOMS: Readonly<Record<string, number>> = { '+': 1.25, '=': 1.25, '-': 0.8 };

/** Keys that stand for one thing each. */
const PLAIN: Readonly<Record<string, (state: BenchState) => void>> = {
  '0': ({ zoomTo }) => zoomTo(NO_ZOOM),
  v: ({ showCorner, cornerShown }) => showCorner(!cornerShown),
  t: ({ showParts, partsShown }) => showParts(!partsShown),
  d: ({ showDecisions, decisionsShown }) => showDecisions(!decisionsShown),
  u: ({ tape, showUsers, usersShown }) => tape && showUsers(!usersShown),
  '[': (state) => stepCabinet(state, -1),
  ']': (state) => stepCabinet(state, 1),
  Escape: ({ select, closeTape }) => {
    select(null);
    closeTape();
  },
};

function stepCabinet({ job: { cabinets }, cabinetId, showCabinet }: BenchState, by: 1 | -1): void {
  const at = cabinets.findIndex((cabinet) => cabinet.id === cabinetId);
  const next = cabinets[(at + by + cabinets.length) % cabinets.length];
  if (next) showCabinet(next.id);
}

/** The keys of the whole bench; those of the chosen openings come first. */
export function useKeys(openKeys: () => void): void {
  const store = useBenchStore();
  const act = useOpeningAct();
  useEffect(() => {
    const ofOpenings = openingKeys(store, act);
    const onKey = (event: KeyboardEvent) => {
      const typing =
        event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable]');
      if (typing) return;
      const { undo, redo } = store.getState();
      if (event.ctrlKey || event.metaKey) {
        const key = event.key.toLowerCase();
        if (key !== 'z' && key !== 'y') return;
        event.preventDefault();
        if (key === 'y' || event.shiftKey) redo();
        else undo();
        return;
      }
      if (event.altKey || ofOpenings(event)) return;
      if (event.key === '?') openKeys();
      else viewKey(store, event.key);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [store, openKeys, act]);
}

/** What is shown, and how. */
function viewKey(store: BenchStore, key: string): void {
  const state = store.getState();
  const named = views.find((view) => view.key === key);
  const layers = layersByKey(state.layers, key);
  const times = ZOOMS[key];
  if (named) state.show(named.id);
  else if (layers) state.setLayers(layers);
  else if (times !== undefined) {
    const paper = document.querySelector('main svg[role="group"]')?.getBoundingClientRect();
    if (paper) state.zoomTo(nearer(state.zoom, times, paper));
  } else if (Object.hasOwn(PLAIN, key)) PLAIN[key]?.(state);
}

/** Keys of the chosen openings: a number and r or c, their menu, arrows from one to the next. True for a key of theirs. */
function openingKeys(store: BenchStore, act: ReturnType<typeof useOpeningAct>): (event: KeyboardEvent) => boolean {
  let number = '';
  let since = 0;
  return (event) => {
    const state = store.getState();
    const solved = benchCabinet(state);
    const ids = solved ? chosenOpenings(state, solved) : [];
    if (!solved || ids.length === 0) return false;
    const { key, timeStamp } = event;
    const waiting = timeStamp - since < NUMBER_MS ? number : '';
    number = '';
    if (/^[0-9]$/.test(key) && (key !== '0' || waiting !== '')) {
      number = waiting + key;
      since = timeStamp;
      return true;
    }
    if ((key === 'r' || key === 'c') && Number(waiting) >= 2) {
      act({ divide: key === 'r' ? 'rows' : 'columns', in: Math.min(24, Number(waiting)) });
      return true;
    }
    if (key === 'm') {
      const chosen = document.querySelector(`[data-chosen="${CSS.escape(ids[0] ?? '')}"]`)?.getBoundingClientRect();
      event.preventDefault();
      state.openMenu(chosen ? { x: chosen.left + 16, y: chosen.top + 16 } : { x: 200, y: 200 });
      return true;
    }
    if (key === 'Delete') {
      act({ hand: 'Delete' });
      return true;
    }
    const way = WAYS[key];
    // Whatever else has the focus has arrows of its own.
    if (!way || event.target !== document.body) return false;
    const next = nextOpening(solved, ids.at(-1) ?? '', way);
    event.preventDefault();
    if (next === undefined) return true;
    if (event.shiftKey) state.choose([...state.also, next]);
    else state.select(openingKey(next));
    return true;
  };
}
