import type { Dim } from '../derive/index.js';
import type { Material } from '../job/index.js';
import type { Operation, PartNames, PartSize } from '../machining/index.js';
import { type Edge, type Extent, edgeName, extentOf, type Placement } from './placement.js';

/** What a part does in the cabinet. Tints, groups and material roles follow it. */
export type PartRole =
  | 'side'
  | 'bottom'
  | 'top'
  | 'stretcher'
  | 'back'
  | 'nailer'
  | 'plinth'
  | 'divider'
  | 'shelf'
  | 'door'
  | 'drawer front'
  | 'partition'
  | 'web'
  | 'frame'
  | 'end'
  | 'filler';

/** Which blank a front comes out of, so that the grain runs on: piece 2 of 3 of G1. */
export interface GrainPlace {
  readonly group: string;
  readonly piece: number;
  readonly of: number;
}

export interface Band {
  readonly edge: Edge;
  readonly thickness: Dim;
}

/** One piece of the cabinet. All sizes in mm with their derivation. */
export interface Part {
  /** Stable within the cabinet: `side/left`, `door/o2/left`. Selection and drawings refer to it. */
  readonly key: string;
  readonly name: string;
  readonly role: PartRole;
  readonly material: Material;
  /** Finished sizes; length runs along the grain. */
  readonly length: Dim;
  readonly width: Dim;
  readonly thickness: Dim;
  /** What comes off the saw: finished less the bands. */
  readonly cutLength: Dim;
  readonly cutWidth: Dim;
  readonly bands: readonly Band[];
  /** Left and right twins are mirror images and never share a row. */
  readonly hand?: 'left' | 'right';
  readonly placement: Placement;
  /** Cabinet position of the part's u0 and v0 edges, where other parts join it. */
  readonly at?: { readonly u: Dim; readonly v: Dim };
  readonly machining: readonly Operation[];
  readonly grain?: GrainPlace;
  readonly note?: string;
}

export interface PartDraft {
  readonly key: string;
  readonly name: string;
  readonly role: PartRole;
  readonly material: Material;
  readonly length: Dim;
  readonly width: Dim;
  readonly thickness: Dim;
  readonly bands?: readonly Band[];
  readonly hand?: 'left' | 'right';
  /** Stock left on for trimming after glue-up; sheet parts have none. */
  readonly allowance?: { readonly length?: Dim; readonly width?: Dim };
  readonly placement: Placement;
  readonly at?: { readonly u: Dim; readonly v: Dim };
  readonly machining?: readonly Operation[];
  readonly note?: string;
}

/** Completes a part: names its sizes and takes the bands off for the cut sizes. */
export function makePart({ allowance, ...draft }: PartDraft): Part {
  const bands = (draft.bands ?? []).filter((band) => band.thickness.mm > 0);
  const name = draft.name.toLowerCase();
  const length = draft.length.as(`${name} length`);
  const width = draft.width.as(`${name} width`);
  return {
    ...draft,
    length,
    width,
    bands,
    cutLength: cutSize(length, bands, 'u', allowance?.length, `${name} cut length`),
    cutWidth: cutSize(width, bands, 'v', allowance?.width, `${name} cut width`),
    machining: draft.machining ?? [],
  };
}

/** Cut size = finished size − the thickness of each band on the edges across it + what is left on for trimming. */
function cutSize(size: Dim, bands: readonly Band[], across: 'u' | 'v', allowance: Dim | undefined, label: string): Dim {
  const off = bands.filter((band) => band.edge.startsWith(across)).map((band) => band.thickness);
  const [first, second] = off;
  let cut = size;
  if (first) cut = second === first ? cut.minus(first.times(2)) : off.reduce((left, band) => left.minus(band), cut);
  if (allowance && allowance.mm > 0) cut = cut.plus(allowance);
  return cut === size ? size : cut.as(label);
}

/** What its two faces are called in the shop: a partition has a left and a right, a front a face and a back. */
export function faceName({ role }: Part, face: 1 | 2): string {
  switch (role) {
    case 'partition':
      return face === 1 ? 'left face' : 'right face';
    case 'door':
    case 'drawer front':
    case 'frame':
    case 'filler':
      return face === 1 ? 'face' : 'back';
    default:
      return face === 1 ? 'inside face' : 'outside face';
  }
}

/** What its edges and faces are called where it stands. */
export function partNames(part: Part): PartNames {
  return {
    edge: (edge) => edgeName(part.placement, edge),
    face: (face) => faceName(part, face),
    thickness: part.thickness,
  };
}

/** Its finished size in mm. */
export function sizeOf(part: Part): PartSize {
  return { length: part.length.mm, width: part.width.mm, thickness: part.thickness.mm };
}

/** Parts never change: their extents are figured once. */
const extents = new WeakMap<Part, Extent>();

/** The space the part takes up in the cabinet (mm). */
export function partExtent(part: Part): Extent {
  const known = extents.get(part);
  if (known) return known;
  const extent = extentOf(part.placement, part.length.mm, part.width.mm, part.thickness.mm);
  extents.set(part, extent);
  return extent;
}
