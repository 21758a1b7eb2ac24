import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useRef } from 'react';
import { useBench, useBenchStore } from '../context.js';
import { LEAST, MOST } from './zoom.js';

/** What a press there is for is something else than moving the paper. */
const HELD = '[data-handle], [data-line], [role="button"], input, button';

/** Lets wheel, pinch and drag come nearer and move the paper. */
export function useZoom(paper: RefObject<SVGSVGElement | null>): void {
  const store = useBenchStore();
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const { times, x, y } = useBench((state) => state.zoom);
  useEffect(() => {
    const svg = paper.current;
    if (!svg) return;
    const made = zoom<SVGSVGElement, unknown>()
      .scaleExtent([LEAST, MOST])
      .clickDistance(4)
      .filter((event: Event) => {
        if (event.type === 'wheel' || ('touches' in event && (event as TouchEvent).touches.length > 1)) return true;
        const held = event.target instanceof Element && event.target.closest(HELD) !== null;
        return !held && !(event as MouseEvent).shiftKey && !(event as MouseEvent).button;
      })
      .on('zoom', ({ transform, sourceEvent }: D3ZoomEvent<SVGSVGElement, unknown>) => {
        if (sourceEvent) store.getState().zoomTo({ times: transform.k, x: transform.x, y: transform.y });
      });
    select(svg).call(made).on('dblclick.zoom', null);
    behaviour.current = made;
    return () => {
      select(svg).on('.zoom', null);
      behaviour.current = null;
    };
  }, [paper, store]);
  // What keys and the address say is where the next wheel goes on from.
  useEffect(() => {
    const svg = paper.current;
    if (svg && behaviour.current) behaviour.current.transform(select(svg), zoomIdentity.translate(x, y).scale(times));
  }, [paper, times, x, y]);
}
