import type { GrainRuns, Material } from '../../decisions/index.js';
import { type Dim, gather, measuredFrom, type Span } from '../../ground/index.js';
import type { Operation, PartNames, PartSize } from '../machining/index.js';
import {
  type Axes,
  type Axis,
  type AxisIndex,
  type Edge,
  type Extent,
  edgeName,
  extentOf,
  isForward,
  type Placement,
} from './placement.js';

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
  | 'filler'
  | 'drawer box'
  | 'packing'
  | 'spacer'
  | 'cell';

/** Which blank a front comes out of, so that the grain runs on: piece 2 of 3 of G1. */
export interface GrainPlace {
  readonly group: string;
  readonly piece: number;
  readonly of: number;
}

export interface Band {
  readonly edge: Edge;
  readonly thickness: Dim;
  /** What the bander mills off before it bands; the part is cut larger by it. */
  readonly milled?: Dim;
}

/** Stock left on at an edge beyond the finished size, to be scribed or trimmed in place. */
export interface Oversize {
  readonly edge: Edge;
  readonly size: Dim;
}

/** Where a part begins and ends along each axis of the cabinet. */
export interface Stands {
  readonly x: Span;
  readonly y: Span;
  readonly z: Span;
}

/** A piece of a framed front, a face frame, a web frame, a plinth, a drawer box, or a shelf with its strip. */
export interface Piece {
  readonly kind: 'slab' | 'panel' | 'stile' | 'rail' | 'cross' | 'fixed shelf' | 'strip' | 'box';
  readonly where?: 'left' | 'right' | 'top' | 'bottom' | 'front' | 'rear' | 'middle';
}

/** One piece of the cabinet. All sizes in mm with their derivation. */
export interface Part {
  /** Stable within the cabinet: `side/left`, `door/o2/left`. Selection and drawings refer to it. */
  readonly key: string;
  readonly name: string;
  /** What it is a piece of, where it is not a thing by itself: "Door 1, left". */
  readonly whole: string | undefined;
  /** Parts of one unit are made up before the box is put together: a front, a frame, a plinth. Its own key otherwise. */
  readonly unit: string;
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
  readonly hand: 'left' | 'right' | undefined;
  /** Where it stands: its size along each axis is its length, width or thickness. */
  readonly stands: Stands;
  readonly placement: Placement;
  /** The space it takes up in the cabinet (mm). */
  readonly extent: Extent;
  /** True where other parts are joined to its faces. */
  readonly receives: boolean;
  /** Key of the part to whose face it is glued, whatever else holds it. */
  readonly gluedTo: string | undefined;
  /** Which piece it is of something made of several. */
  readonly piece: Piece | undefined;
  /** Id of the opening it serves, for a shelf in it. */
  readonly opening: string | undefined;
  readonly machining: readonly Operation[];
  readonly grain: GrainPlace | undefined;
  /** Which way the grain runs in it where that is decided; else along its length where the material has any. */
  readonly grainRuns: GrainRuns | undefined;
  /** Stock left on for trimming after glue-up. */
  readonly allowance: Allowance | undefined;
  readonly over: readonly Oversize[];
  /** Bought as it is, not cut in this shop. */
  readonly bought: boolean;
  readonly note: string | undefined;
}

/** Stock left on along the length and across the width. */
interface Allowance {
  readonly length?: Dim;
  readonly width?: Dim;
}

export interface PartDraft {
  readonly key: string;
  /** With a whole it is called after that: "Door 1, left: top rail". */
  readonly name: string;
  readonly whole?: string;
  readonly unit?: string;
  readonly role: PartRole;
  readonly material: Material;
  readonly bands?: readonly Band[];
  readonly hand?: 'left' | 'right';
  /** Stock left on for trimming after glue-up; sheet parts have none. */
  readonly allowance?: Allowance;
  readonly stands: Stands;
  /** Which way its length, its width and its thickness run. */
  readonly axes: Axes;
  readonly receives?: boolean;
  readonly gluedTo?: string;
  readonly piece?: Piece;
  readonly opening?: string;
  readonly machining?: readonly Operation[];
  /** Which way its grain runs, where that is not along its length. */
  readonly grainRuns?: GrainRuns;
  readonly note?: string;
}

/**
 * Completes a part: its sizes and its place follow from where it stands, each size under its own name and address
 * (`side/left.length`); bands come off for the cut sizes.
 */
export function makePart(draft: PartDraft): Part {
  const { key, whole, role, material, stands, axes, allowance } = draft;
  const name = whole === undefined ? draft.name : `${whole}: ${draft.name}`;
  const bands = draft.bands?.some(isThin) ? draft.bands.filter((band) => !isThin(band)) : (draft.bands ?? NO_BANDS);
  const called = name.toLowerCase();
  const length = along(stands, axes.u).size.as(`${called} length`, `${key}.length`);
  const width = along(stands, axes.v).size.as(`${called} width`, `${key}.width`);
  const thickness = along(stands, axes.w).size.at(`${key}.thickness`);
  const { u, v, w } = axes;
  const placement = {
    origin: [corner(stands, axes, 'x'), corner(stands, axes, 'y'), corner(stands, axes, 'z')] as const,
    u,
    v,
    w,
  };
  // Every part has every field, in one order: what reads parts reads them all alike.
  return {
    key,
    name,
    whole,
    unit: draft.unit ?? key,
    role,
    material,
    length,
    width,
    thickness,
    ...cutSizes({ key, name, length, width, bands, allowance, over: NO_OVER }),
    bands,
    hand: draft.hand,
    stands,
    placement,
    extent: extentOf(placement, length.value, width.value, thickness.value),
    receives: draft.receives ?? false,
    gluedTo: draft.gluedTo,
    piece: draft.piece,
    opening: draft.opening,
    machining: draft.machining ?? NO_MACHINING,
    grain: undefined,
    grainRuns: draft.grainRuns,
    allowance,
    over: NO_OVER,
    bought: false,
    note: draft.note,
  };
}

/** What a part is cut to: its finished sizes less bands, with what is milled off and what is left on. */
export function cutSizes({
  key,
  name,
  length,
  width,
  bands,
  allowance,
  over,
}: Pick<Part, 'key' | 'name' | 'length' | 'width' | 'bands' | 'allowance' | 'over'>): Pick<
  Part,
  'cutLength' | 'cutWidth'
> {
  const called = name.toLowerCase();
  const size = (of: Dim, across: 'u' | 'v', left: Dim | undefined, which: 'cutLength' | 'cutWidth') =>
    cutSize(
      of,
      bands,
      across,
      leftOn(over, across, left),
      `${called} cut ${across === 'u' ? 'length' : 'width'}`,
      `${key}.${which}`,
    );
  return {
    cutLength: size(length, 'u', allowance?.length, 'cutLength'),
    cutWidth: size(width, 'v', allowance?.width, 'cutWidth'),
  };
}

/** All that is left on across a direction, one by one. */
function leftOn(over: readonly Oversize[], across: 'u' | 'v', allowance: Dim | undefined): readonly Dim[] {
  const own = gather(over, ({ edge, size }) => (edge.startsWith(across) ? [size] : []));
  return allowance && allowance.value > 0 ? [allowance, ...own] : own;
}

const NO_OVER: readonly Oversize[] = [];
const NO_BANDS: readonly Band[] = [];
const NO_MACHINING: readonly Operation[] = [];

/** Bands of one thickness on some edges, and what is milled off for each. */
export function bandsOn(edges: readonly Edge[], thickness: Dim, milled: Dim): readonly Band[] {
  return edges.map((edge) => ({ edge, thickness, ...(milled.value > 0 ? { milled } : {}) }));
}

/** A band of no thickness is none. */
function isThin({ thickness }: Band): boolean {
  return thickness.value <= 0;
}

function along(stands: Stands, axis: Axis): Span {
  return stands[axis[1] as keyof Stands];
}

/** The coordinate of the corner u = v = w = 0. */
function corner(stands: Stands, { u, v, w }: Axes, name: keyof Stands): number {
  const axis = u[1] === name ? u : v[1] === name ? v : w;
  return (isForward(axis) ? stands[name].low : stands[name].high).value;
}

const NAMES = { x: ['left', 'right'], y: ['front', 'rear'], z: ['bottom', 'top'] } as const;

/**
 * Where an edge or face of a part lies in the cabinet, under its address (`side/left.front`): `u0` where its length
 * starts, `w0` its face 1.
 */
export function edgeOf({ key, stands, placement }: Part, edge: Edge | 'w0' | 'w1'): Dim {
  const axis = placement[edge[0] as 'u'];
  const low = isForward(axis) === (edge[1] === '0');
  const name = axis[1] as keyof Stands;
  return stands[name][low ? 'low' : 'high'].at(`${key}.${NAMES[name][low ? 0 : 1]}`);
}

/** How far a plane of the cabinet lies from where a part's length or width starts, whichever way that runs. */
export function alongPart(part: Part, axis: 'u' | 'v', plane: Dim): Dim {
  const start = edgeOf(part, `${axis}0`);
  return isForward(part.placement[axis]) ? measuredFrom(plane, start) : measuredFrom(start, plane);
}

/** From where to where a part goes along an axis of the cabinet, under the addresses of its edges and faces. */
export function spanAlong(part: Part, axis: AxisIndex): Span {
  const name = (['x', 'y', 'z'] as const)[axis];
  const { low, high, size } = part.stands[name];
  const [before, after] = NAMES[name];
  return { low: low.at(`${part.key}.${before}`), high: high.at(`${part.key}.${after}`), size };
}

/** Cut size = finished size − the thickness of each band on the edges across it + what is milled off + what is left on for trimming. */
function cutSize(
  size: Dim,
  bands: readonly Band[],
  across: 'u' | 'v',
  left: readonly Dim[],
  label: string,
  address: string,
): Dim {
  const banded = bands.filter((band) => band.edge.startsWith(across));
  const off = banded.map((band) => band.thickness);
  const [first, second] = off;
  let cut = size;
  if (first) cut = second === first ? cut.minus(first.times(2)) : off.reduce((left, band) => left.minus(band), cut);
  for (const { milled } of banded) if (milled && milled.value > 0) cut = cut.plus(milled);
  for (const each of left) cut = cut.plus(each);
  return cut === size ? size : cut.as(label, address);
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

/** How long an edge is: across the part at its ends, along it at its sides. */
export function lengthAlong({ length, width }: Part, edge: Edge): Dim {
  return edge.startsWith('u') ? width : length;
}

/** Its finished size in mm. */
export function sizeOf(part: Part): PartSize {
  return { length: part.length.value, width: part.width.value, thickness: part.thickness.value };
}
