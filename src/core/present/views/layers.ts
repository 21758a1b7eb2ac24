import type { DimensionItem, Drawing, DrawingItem } from '../../part/index.js';

/** How many sizes stand on a drawing: none, those of the whole, those of the openings besides, all. */
export const SIZES = {
  none: 'no sizes',
  overall: 'of the whole',
  openings: 'and of the openings',
  all: 'all',
} as const;
export type Sizes = keyof typeof SIZES;

/** What can be shown or left out of a drawing, each by itself. */
export interface Layers {
  readonly sizes: Sizes;
  /** Hidden lines of what lies behind. */
  readonly inside: boolean;
  /** Hinges, pulls, runners and holes. */
  readonly hardware: boolean;
  readonly findings: boolean;
  readonly grain: boolean;
}

export const ALL_LAYERS: Layers = { sizes: 'all', inside: true, hardware: true, findings: true, grain: true };

/** A drawing with what its layers show. What can be dragged stays: it is drawn by what it moves. */
export function inLayers(drawing: Drawing, layers: Layers): Drawing {
  return {
    ...drawing,
    dimensions: drawing.dimensions.filter((item) => isCalledFor(item, layers.sizes)),
    items: drawing.items.flatMap((item) => shown(item, layers)),
  };
}

/** True for a dimension that a choice of sizes calls for. */
export function isCalledFor(item: DimensionItem, sizes: Sizes): boolean {
  if (sizes === 'all') return true;
  if (sizes === 'none') return false;
  return item.overall === true || (sizes === 'openings' && item.opening === true);
}

function shown(item: DrawingItem, { inside, hardware, grain }: Layers): DrawingItem[] {
  if (item.kind === 'hardware' || item.kind === 'hole') return hardware ? [item] : [];
  if (!inside && 'weight' in item && item.weight === 'hidden') return [];
  if (!grain && item.kind === 'region' && item.grain) {
    const { grain: _run, ...plain } = item;
    return [plain];
  }
  return [item];
}
