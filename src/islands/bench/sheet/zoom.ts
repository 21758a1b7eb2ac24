/** How near the sheet is looked at: so many times its scale, moved by so much (px). */
export interface Zoom {
  readonly times: number;
  readonly x: number;
  readonly y: number;
}

export const NO_ZOOM: Zoom = { times: 1, x: 0, y: 0 };

export const LEAST = 0.4;
export const MOST = 24;

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
