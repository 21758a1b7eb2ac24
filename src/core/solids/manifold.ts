import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { Block, PartShape } from './shape.js';

/** Solids by a kept library of constructive solid geometry; loaded the first time it is asked for. */
export interface Solids {
  /** Volume that two parts have in common, in mm³: their blanks less what is cut, plain bores left in. */
  shared(a: PartShape, b: PartShape): number;
}

let loaded: Promise<Solids> | undefined;

export function loadSolids(): Promise<Solids> {
  loaded ??= load();
  return loaded;
}

/** Cuts reach this far beyond the faces they come out of, so that no skin is left by rounding (mm). */
const OVER = 1e-4;

async function load(): Promise<Solids> {
  const { default: open } = await import('manifold-3d');
  const library: ManifoldToplevel = await open();
  library.setup();
  const { Manifold } = library;
  // Nothing of the library's memory is given back unless it is said so, what is only made on the way included.
  const block = ({ min, max }: Block, over = 0): Manifold => {
    const cube = Manifold.cube([max[0] - min[0] + 2 * over, max[1] - min[1] + 2 * over, max[2] - min[2] + 2 * over]);
    const placed = cube.translate([min[0] - over, min[1] - over, min[2] - over]);
    cube.delete();
    return placed;
  };
  const meets = (a: Block, b: Block) => [0, 1, 2].every((k) => min(a, b, k) - max(a, b, k) > 1e-6);
  return {
    shared(a, b) {
      const room: Block = {
        min: [max(a.blank, b.blank, 0), max(a.blank, b.blank, 1), max(a.blank, b.blank, 2)],
        max: [min(a.blank, b.blank, 0), min(a.blank, b.blank, 1), min(a.blank, b.blank, 2)],
      };
      if (!meets(a.blank, b.blank)) return 0;
      // Only what is cut where the two blanks meet can part them.
      const cuts = [
        ...[...a.blocks, ...b.blocks].filter((cut) => meets(cut, room)).map((cut) => block(cut, OVER)),
        ...[...a.prisms, ...b.prisms].map((corners) => Manifold.hull(corners.map(([x, y, z]) => [x, y, z]))),
      ];
      const whole = block(room);
      const together = cuts.length > 0 ? Manifold.union(cuts) : undefined;
      const left = together ? whole.subtract(together) : whole;
      const volume = left.volume();
      for (const solid of new Set([whole, left, ...(together ? [together] : []), ...cuts])) solid.delete();
      return volume;
    },
  };
}

const max = (a: Block, b: Block, k: number) => Math.max(a.min[k] as number, b.min[k] as number);
const min = (a: Block, b: Block, k: number) => Math.min(a.max[k] as number, b.max[k] as number);
