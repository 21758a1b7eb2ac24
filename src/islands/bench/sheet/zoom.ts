import { select } from 'd3-selection';
import { type D3ZoomEvent, type ZoomBehavior, zoom, zoomIdentity } from 'd3-zoom';
import { type RefObject, useEffect, useRef } from 'react';
import { useBench, useBenchStore } from '../context.js';

/** How near the sheet is looked at: so many times its scale, moved by so much (px). */
export interface Zoom {
  readonly times: number;
  readonly x: number;
  readonly y: number;
}

export const NO_ZOOM: Zoom = { times: 1, x: 0, y: 0 };

const LEAST = 0.4;
const MOST = 24;

/** What a press there is for is something else than moving the paper. */
const HELD = '[data-handle], [data-line], [role="button"], input, button';

/** Lets wheel, pinch and drag come nearer and move the paper. */
export function useZoom(paper: RefObject<SVGSVGElement | null>, shown: boolean): void {
  const store = useBenchStore();
  const behaviour = useRef<ZoomBehavior<SVGSVGElement, unknown> | null>(null);
  const { times, x, y } = useBench((state) => state.zoom);
  useEffect(() => {
    const svg = paper.current;
    if (!svg || !shown) return;
    const made = zoom<SVGSVGElement, unknown>()
      .scaleExtent([LEAST, MOST])
      .clickDistance(4)
      .filter((event: Event) => {
        if (event.type === 'wheel') return true;
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
  }, [paper, shown, store]);
  // What keys and the address say is where the next wheel goes on from.
  useEffect(() => {
    const svg = paper.current;
    if (svg && behaviour.current) behaviour.current.transform(select(svg), zoomIdentity.translate(x, y).scale(times));
  }, [paper, times, x, y]);
}

/** How far the middle of the sheet lies from where it is without zoom (px). */
export function offsetOf({ times, x, y }: Zoom, { width, height }: { width: number; height: number }) {
  return { x: x + (times - 1) * (width / 2), y: y + (times - 1) * (height / 2) };
}

/** So many times nearer, about the middle of the sheet. */
export function nearer({ times, x, y }: Zoom, by: number, { width, height }: { width: number; height: number }): Zoom {
  const next = Math.min(MOST, Math.max(LEAST, times * by));
  const [cx, cy] = [width / 2, height / 2];
  const k = next / times;
  return { times: next, x: cx - (cx - x) * k, y: cy - (cy - y) * k };
}

/** A zoom as an address says it: "2.50,-120,40"; undefined for anything else. */
export function zoomSaid(said: string | null): Zoom | undefined {
  const [times, x, y] = (said ?? '').split(',').map(Number);
  if (times === undefined || x === undefined || y === undefined) return undefined;
  const fine = [times, x, y].every(Number.isFinite) && times >= LEAST && times <= MOST;
  return fine ? { times, x, y } : undefined;
}

export function sayZoom({ times, x, y }: Zoom): string | null {
  return times === 1 && x === 0 && y === 0 ? null : `${times.toFixed(3)},${Math.round(x)},${Math.round(y)}`;
}
