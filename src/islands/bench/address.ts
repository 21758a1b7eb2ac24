import { useEffect } from 'react';
import { useBench } from './context.js';
import { keepCorner, keepLayers, keptCorner, keptLayers } from './sheet/layers.js';
import { isView } from './sheet/views/index.js';
import { NO_ZOOM, sayZoom, zoomSaid } from './sheet/zoom.js';
import type { Opened } from './store.js';

/** How the bench stands, as its address says it, and as this browser has kept it. */
export function openedBy(search: string): Opened {
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
export function useAddress() {
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
  // What is about who looks, not about the job, is kept in the browser.
  const layers = useBench((state) => state.layers);
  const cornerShown = useBench((state) => state.cornerShown);
  useEffect(() => keepLayers(layers), [layers]);
  useEffect(() => keepCorner(cornerShown), [cornerShown]);
}
