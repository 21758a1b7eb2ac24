import { type Remote, wrap } from 'comlink';
import { useEffect, useState } from 'react';
import { BufferAttribute, BufferGeometry, EdgesGeometry } from 'three';
import type { PartShape } from '../../../core/part/index.js';
import type { Scene } from '../../../core/present/index.js';
import type { SolidsWorker } from '../../../workers/solids.js';

/** A part as it is drawn: its surface, and the edges a pencil would draw of it. */
export interface Surface {
  readonly faces: BufferGeometry;
  readonly edges: BufferGeometry;
}

/** Edges between faces that meet at less than this are not drawn (degrees): a bore is round. */
const FLAT = 40;

/** Surfaces that were made, by shape: an edit makes anew only what it touched. */
const kept = new Map<string, Surface>();
const MOST_KEPT = 600;

let worker: Remote<SolidsWorker> | undefined;

function solids(): Remote<SolidsWorker> {
  worker ??= wrap<SolidsWorker>(new Worker(new URL('../../../workers/solids.ts', import.meta.url), { type: 'module' }));
  return worker;
}

const keyOf = (shape: PartShape) => JSON.stringify(shape);

async function made(shape: PartShape): Promise<Surface> {
  const key = keyOf(shape);
  const known = kept.get(key);
  if (known) return known;
  const { corners, triangles } = await solids().mesh(shape);
  const faces = new BufferGeometry();
  faces.setAttribute('position', new BufferAttribute(corners, 3));
  faces.setIndex(new BufferAttribute(triangles, 1));
  faces.computeBoundingSphere();
  const surface = { faces, edges: new EdgesGeometry(faces, FLAT) };
  kept.set(key, surface);
  if (kept.size > MOST_KEPT) forgetOldest();
  return surface;
}

/** Gives back what the oldest takes on the graphics card; where it is still seen it is only sent there again. */
function forgetOldest(): void {
  for (const [key, { faces, edges }] of kept) {
    faces.dispose();
    edges.dispose();
    kept.delete(key);
    return;
  }
}

export interface Surfaces {
  /** By the keys of parts, as far as they are made; those of the cabinet before stand until then. */
  readonly of: ReadonlyMap<string, Surface>;
  readonly missing: number;
}

/** The surfaces of a cabinet's parts, made in a worker; what is known stands there at once. */
export function useSurfaces(scene: Scene): Surfaces {
  const [surfaces, setSurfaces] = useState<Surfaces>({ of: new Map(), missing: scene.parts.length });
  useEffect(() => {
    let wanted = true;
    const of = new Map<string, Surface>();
    const missing = scene.parts.filter(({ key, shape }) => {
      const known = kept.get(keyOf(shape));
      if (known) of.set(key, known);
      return !known;
    });
    setSurfaces({ of: new Map(of), missing: missing.length });
    const make = async () => {
      let left = missing.length;
      let shown = performance.now();
      for (const { key, shape } of missing) {
        of.set(key, await made(shape));
        left -= 1;
        if (!wanted) return;
        // Not every part is worth a picture of its own.
        if (left > 0 && performance.now() - shown < 120) continue;
        shown = performance.now();
        setSurfaces({ of: new Map(of), missing: left });
      }
    };
    void make();
    return () => {
      wanted = false;
    };
  }, [scene]);
  return surfaces;
}
