import type { Drawing, DrawingPoint } from '../../part/index.js';

/** An edge of what is drawn: a level line at v, or an upright one at h (mm). */
export interface DrawnEdge {
  /** The axis it is measured along. */
  readonly axis: 'h' | 'v';
  readonly at: number;
  readonly from: number;
  readonly to: number;
}

/** Every straight edge of what is drawn, each once. */
export function edgesOf({ items }: Pick<Drawing, 'items'>): DrawnEdge[] {
  const found = new Map<string, DrawnEdge>();
  const add = (axis: DrawnEdge['axis'], at: number, a: number, b: number) => {
    const edge = { axis, at, from: Math.min(a, b), to: Math.max(a, b) };
    if (edge.to - edge.from > 0.01)
      found.set(`${axis} ${at.toFixed(2)} ${edge.from.toFixed(1)} ${edge.to.toFixed(1)}`, edge);
  };
  const line = (a: DrawingPoint, b: DrawingPoint) => {
    if (Math.abs(a.h - b.h) < 0.01) add('h', a.h, a.v, b.v);
    else if (Math.abs(a.v - b.v) < 0.01) add('v', a.v, a.h, b.h);
  };
  for (const item of items) {
    if (item.kind === 'region' || item.kind === 'hardware') {
      const { from, to } = item;
      add('h', from.h, from.v, to.v);
      add('h', to.h, from.v, to.v);
      add('v', from.v, from.h, to.h);
      add('v', to.v, from.h, to.h);
    } else if (item.kind === 'shape') {
      item.points.forEach((point, at) => line(point, item.points[(at + 1) % item.points.length] as DrawingPoint));
    } else if (item.kind === 'hole') {
      // Holes are measured from their middle.
      add('h', item.at.h, item.at.v - item.diameter / 2, item.at.v + item.diameter / 2);
      add('v', item.at.v, item.at.h - item.diameter / 2, item.at.h + item.diameter / 2);
    }
  }
  return [...found.values()];
}

/** The edge nearest to a point, no further off than `reach` (mm); of edges as near the shortest, which is the most particular. */
export function edgeNear(edges: readonly DrawnEdge[], { h, v }: DrawingPoint, reach: number): DrawnEdge | undefined {
  let best: { edge: DrawnEdge; off: number } | undefined;
  for (const edge of edges) {
    const [across, along] = edge.axis === 'h' ? [h, v] : [v, h];
    const beyond = Math.max(0, edge.from - along, along - edge.to);
    const off = Math.hypot(across - edge.at, beyond);
    if (off > reach) continue;
    const nearer = !best || off < best.off - 1e-9;
    const shorter = best && Math.abs(off - best.off) <= 1e-9 && edge.to - edge.from < best.edge.to - best.edge.from;
    if (nearer || shorter) best = { edge, off };
  }
  return best?.edge;
}

/** What lies between two edges (mm): straight across where both run one way; nothing where they cross. */
export function between(a: DrawnEdge, b: DrawnEdge): number | undefined {
  return a.axis === b.axis ? Math.abs(a.at - b.at) : undefined;
}
