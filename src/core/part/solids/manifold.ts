import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import type { Block, Bore, PartShape } from './shape.js';

/** A part's surface as triangles, in the cabinet (mm). */
export interface Mesh {
  /** x, y, z of each corner, one after another. */
  readonly corners: Float32Array;
  /** Three corners to a triangle, by their places. */
  readonly triangles: Uint32Array;
}

/** Solids by a kept library of constructive solid geometry; loaded the first time it is asked for. */
export interface Solids {
  /** Volume that two parts have in common, in mm³: their blanks less what is cut, plain bores left in. */
  shared(a: PartShape, b: PartShape): number;
  /** The surface of a part with all that is cut and bored in it. */
  mesh(shape: PartShape): Mesh;
  /** What of a part is left in mm³. */
  volume(shape: PartShape): number;
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
  const bore = ({ axis, from, to, radius }: Bore): Manifold => {
    const [low, high] = from[axis] < to[axis] ? [from, to] : [to, from];
    const upright = Manifold.cylinder(high[axis] - low[axis] + 2 * OVER, radius, radius, facets(radius));
    // The library's cylinders stand along z.
    const turned = axis === 2 ? upright : upright.rotate(axis === 0 ? [0, 90, 0] : [-90, 0, 0]);
    const moved = turned.translate(low.map((at, k) => (k === axis ? at - OVER : at)) as [number, number, number]);
    for (const solid of new Set([upright, turned])) solid.delete();
    return moved;
  };
  const whole = ({ blank, blocks, prisms, bores }: PartShape): Manifold => {
    const cuts = [
      ...blocks.map((cut) => block(cut, OVER)),
      ...prisms.map((corners) => Manifold.hull(corners.map(([x, y, z]) => [x, y, z]))),
      ...bores.map(bore),
    ];
    const plain = block(blank);
    if (cuts.length === 0) return plain;
    const together = Manifold.union(cuts);
    const left = plain.subtract(together);
    for (const solid of [plain, together, ...cuts]) solid.delete();
    return left;
  };
  const meets = (a: Block, b: Block) => [0, 1, 2].every((k) => min(a, b, k) - max(a, b, k) > 1e-6);
  return {
    mesh(shape) {
      const solid = whole(shape);
      const { numProp, vertProperties, triVerts } = solid.getMesh();
      solid.delete();
      const corners = new Float32Array((vertProperties.length / numProp) * 3);
      for (let at = 0; at < corners.length / 3; at += 1)
        for (let k = 0; k < 3; k += 1) corners[at * 3 + k] = vertProperties[at * numProp + k] as number;
      return { corners, triangles: new Uint32Array(triVerts) };
    },
    volume(shape) {
      const solid = whole(shape);
      const volume = solid.volume();
      solid.delete();
      return volume;
    },
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
      const plain = block(room);
      const together = cuts.length > 0 ? Manifold.union(cuts) : undefined;
      const left = together ? plain.subtract(together) : plain;
      const volume = left.volume();
      for (const solid of new Set([plain, left, ...(together ? [together] : []), ...cuts])) solid.delete();
      return volume;
    },
  };
}

/** So many flat sides stand for a round one: enough to look round at its size. */
function facets(radius: number): number {
  return radius < 3 ? 10 : radius < 10 ? 16 : 32;
}

const max = (a: Block, b: Block, k: number) => Math.max(a.min[k] as number, b.min[k] as number);
const min = (a: Block, b: Block, k: number) => Math.min(a.max[k] as number, b.max[k] as number);
