import { ALL_LAYERS, type Layers, SIZES, type Sizes } from '../../../core/present/index.js';

/** Each layer by its word and its key. */
export const LAYER_KEYS = {
  sizes: { label: 'Sizes', key: 'z' },
  inside: { label: 'What lies behind', key: 'i' },
  hardware: { label: 'Hardware and holes', key: 'w' },
  findings: { label: 'Findings', key: 'x' },
  grain: { label: 'Grain', key: 'g' },
} as const satisfies Record<keyof Layers, { label: string; key: string }>;

/** What pressing a key makes of the layers; undefined for a key of none. */
export function layersByKey(layers: Layers, key: string): Partial<Layers> | undefined {
  const found = (Object.keys(LAYER_KEYS) as (keyof Layers)[]).find((layer) => LAYER_KEYS[layer].key === key);
  if (!found) return undefined;
  if (found !== 'sizes') return { [found]: !layers[found] };
  const words = Object.keys(SIZES) as Sizes[];
  return { sizes: words[(words.indexOf(layers.sizes) + 1) % words.length] as Sizes };
}

const KEPT = 'alcove-layers';

/** The layers as they were left in this browser. */
export function keptLayers(): Layers {
  try {
    const kept = JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Layers>;
    const { sizes = ALL_LAYERS.sizes, ...shown } = kept;
    const on = (layer: Exclude<keyof Layers, 'sizes'>) => shown[layer] !== false;
    return {
      sizes: sizes in SIZES ? sizes : ALL_LAYERS.sizes,
      inside: on('inside'),
      hardware: on('hardware'),
      findings: on('findings'),
      grain: on('grain'),
    };
  } catch {
    return ALL_LAYERS;
  }
}

export function keepLayers(layers: Layers): void {
  try {
    localStorage.setItem(KEPT, JSON.stringify(layers));
  } catch {
    // A browser that keeps nothing shows everything the next time.
  }
}

const CORNER = 'alcove-picture-in-corner';

/** Whether the picture stood in its corner when this browser was left. */
export function keptCorner(): boolean {
  try {
    return localStorage.getItem(CORNER) === 'shown';
  } catch {
    return false;
  }
}

export function keepCorner(shown: boolean): void {
  try {
    localStorage.setItem(CORNER, shown ? 'shown' : 'away');
  } catch {
    // It is asked for again the next time.
  }
}
