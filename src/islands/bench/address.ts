import { useEffect } from 'react';
import { useBench } from './context.js';
import { keepCorner, keepLayers, keptCorner, keptLayers } from './sheet/layers.js';
import { isView } from './sheet/views/index.js';
import { NO_ZOOM, sayZoom, zoomSaid } from './sheet/zoom.js';
import type { Opened, OpenTape } from './store.js';

/** How the bench stands, as its address says it, and as this browser has kept it. */
export function openedBy(search: string): Opened {
  const said = new URLSearchParams(search);
  const view = said.get('view');
  return {
    ...(isView(view) ? { view } : {}),
    selected: said.get('part'),
    tape: tapeSaid(said.get('tape')),
    partsShown: said.has('parts'),
    decisionsShown: said.has('decisions'),
    layers: keptLayers(),
    cornerShown: keptCorner(),
    zoom: zoomSaid(said.get('zoom')) ?? NO_ZOOM,
  };
}

/** The open tape in one word of the address: where it stands, whose it is, and what was opened inside it. */
function sayTape(tape: OpenTape | null): string | null {
  return tape && [tape.inPlace ? 'under' : 'aside', tape.of, ...tape.trail].map(encodeURIComponent).join('|');
}

function tapeSaid(word: string | null): OpenTape | null {
  try {
    const [where, of, ...trail] = (word ?? '').split('|').map(decodeURIComponent);
    return of ? { of, trail, inPlace: where === 'under' } : null;
  } catch {
    // What nobody wrote opens nothing.
    return null;
  }
}

/** The address says how the bench stands, so that a reload or a link comes back to it. */
export function useAddress() {
  const cabinetId = useBench((state) => state.cabinetId);
  const view = useBench((state) => state.view);
  const selected = useBench((state) => state.selected);
  const partsShown = useBench((state) => state.partsShown);
  const decisionsShown = useBench((state) => state.decisionsShown);
  const zoom = useBench((state) => sayZoom(state.zoom));
  const tape = useBench((state) => sayTape(state.tape));
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
    say('tape', tape);
    // A browser takes only so many changes of the address at a time.
    const later = setTimeout(() => window.history.replaceState(null, '', url), 150);
    return () => clearTimeout(later);
  }, [cabinetId, view, selected, partsShown, decisionsShown, zoom, tape]);
  // What is about who looks, not about the job, is kept in the browser.
  const layers = useBench((state) => state.layers);
  const cornerShown = useBench((state) => state.cornerShown);
  useEffect(() => keepLayers(layers), [layers]);
  useEffect(() => keepCorner(cornerShown), [cornerShown]);
}
