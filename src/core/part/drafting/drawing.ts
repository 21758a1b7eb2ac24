import type { AnyPath, Edit, EditPath } from '../../decisions/index.js';
import type { Dim } from '../../ground/index.js';
import { type Part, toCabinet } from '../parts/index.js';

/**
 * A drawing as data: primitives with meaning, in mm. The screen, paper and export writers all render this same value.
 * `h` runs to the right, `v` upwards.
 */
export interface DrawingPoint {
  readonly h: number;
  readonly v: number;
}

/** Line weights carry meaning: cut outline heavy, visible edge medium, hidden thin dashed, centre thin chain. */
export type LineWeight = 'outline' | 'visible' | 'hidden' | 'centre' | 'swing';

/** What a region is made of or stands for; renderers tint by it. */
export type Tint = 'case' | 'front' | 'back' | 'plinth' | 'shelf' | 'frame' | 'box' | 'machining' | 'bay' | 'void';

export interface RegionItem {
  readonly kind: 'region';
  readonly tint: Tint;
  readonly weight: LineWeight;
  readonly from: DrawingPoint;
  readonly to: DrawingPoint;
  /** Direction of the grain lines, where they show. */
  readonly grain?: 'h' | 'v';
  /** End grain is hatched. */
  readonly cut?: boolean;
  /** Key of the part it shows. */
  readonly shows?: string;
}

/** A region between any two opposite corners. */
export function regionBetween(
  a: DrawingPoint,
  b: DrawingPoint,
  look: Omit<RegionItem, 'kind' | 'from' | 'to'>,
): RegionItem {
  return {
    kind: 'region',
    from: { h: Math.min(a.h, b.h), v: Math.min(a.v, b.v) },
    to: { h: Math.max(a.h, b.h), v: Math.max(a.v, b.v) },
    ...look,
  };
}

export interface LineItem {
  readonly kind: 'line';
  readonly weight: LineWeight;
  readonly points: readonly DrawingPoint[];
  readonly shows?: string;
}

/** A closed outline that is no rectangle, such as a notched side. */
export interface ShapeItem {
  readonly kind: 'shape';
  readonly tint: Tint;
  readonly weight: LineWeight;
  readonly points: readonly DrawingPoint[];
  readonly shows?: string;
}

/** A hole seen from above. Diameter in mm. */
export interface HoleItem {
  readonly kind: 'hole';
  readonly at: DrawingPoint;
  readonly diameter: number;
  readonly weight: LineWeight;
  readonly shows?: string;
}

/** A short text on the drawing, such as a part's mark. */
export interface MarkItem {
  readonly kind: 'mark';
  readonly at: DrawingPoint;
  readonly text: string;
  /** Height there is for it (mm); where that is little it is set without its frame, or not at all. */
  readonly room?: number;
  readonly shows?: string;
}

/** What a piece of hardware is drawn as: our own small symbols, never more than its outline at true size. */
export type HardwareSymbol = 'cup' | 'plate' | 'leaf' | 'pull' | 'knob';

export interface HardwareItem {
  readonly kind: 'hardware';
  readonly symbol: HardwareSymbol;
  readonly from: DrawingPoint;
  readonly to: DrawingPoint;
  /** True where it lies behind what is drawn over it. */
  readonly hidden: boolean;
  /** Key of the hinge, or of the front it is on. */
  readonly shows?: string;
  /** True where it can be chosen by itself, apart from the front it is on. */
  readonly alone?: true;
}

export type DrawingItem = RegionItem | ShapeItem | LineItem | HoleItem | MarkItem | HardwareItem;

/**
 * Something that can be dragged, or stepped with the arrow keys, to other places: a shelf to other holes, a hinge to other
 * heights. What is let go at a stop decides `value` for the entry at `path`.
 */
export interface DragHandle<P extends AnyPath = EditPath> {
  readonly id: string;
  readonly label: string;
  /** What it moves, drawn along while it is dragged. */
  readonly from: DrawingPoint;
  readonly to: DrawingPoint;
  readonly shows: string;
  /** Where it is now along v. */
  readonly at: number;
  readonly stops: readonly { readonly at: number; readonly value: number }[];
  /** The entry of a list of heights that a place decides: its id, and the path to it. */
  readonly entry: string;
  readonly path: P;
}

export type DrawingSide = 'left' | 'right' | 'top' | 'bottom';

/** A dimension: which span, on which side of the drawing, how far out, and what it edits when it is typed over. */
export interface DimensionItem {
  readonly id: string;
  readonly side: DrawingSide;
  /** 0 is nearest the object. */
  readonly level: number;
  readonly from: number;
  readonly to: number;
  readonly dim: Dim;
  /** The decision a typed value sets; absent for numbers that only follow from others. */
  readonly edits?: EditPath;
  /** Decisions that have to go with it for the typed value to count. */
  readonly alongside?: readonly Edit[];
  readonly shows?: string;
  /** One of the sizes of the whole, which stay when a sheet has room for few. */
  readonly overall?: true;
  /** A size of an opening or of the front before it. */
  readonly opening?: true;
  /** A word beside the figure, where the drawing alone does not say what is measured. */
  readonly caption?: string;
}

/** A dimension between two positions (mm) on a side of the drawing. */
export function dimension(
  id: string,
  side: DrawingSide,
  level: number,
  from: number,
  to: number,
  dim: Dim,
  edits?: EditPath,
): DimensionItem {
  return { id, side, level, from, to, dim, ...(edits ? { edits } : {}) };
}

/** The same as one of the sizes of the whole. */
export function overall(item: DimensionItem): DimensionItem {
  return { ...item, overall: true };
}

export interface TitleBlock {
  readonly job: string;
  readonly cabinet: string;
  readonly view: string;
}

export interface Drawing {
  readonly title: TitleBlock;
  readonly min: DrawingPoint;
  readonly max: DrawingPoint;
  readonly items: readonly DrawingItem[];
  readonly dimensions: readonly DimensionItem[];
  readonly handles?: readonly DragHandle[];
  /** How places on parts come to lie in this view. */
  readonly spots?: Spots;
}

/** The two axes of the cabinet a view shows; or a panel by itself, turned over about its width where it is mirrored. */
export type Spots =
  | { readonly h: 'x' | 'y'; readonly v: 'y' | 'z' }
  | { readonly panel: { readonly turned: number | undefined } };

const AXIS = { x: 0, y: 1, z: 2 } as const;

/** Where a place on a part (along its length and width, mm) lies in a view. */
export function spotOn(
  spots: Spots,
  { placement }: Pick<Part, 'placement'>,
  at: { readonly u: number; readonly v: number },
): DrawingPoint {
  const { u, v } = at;
  if ('panel' in spots) return { h: spots.panel.turned === undefined ? v : spots.panel.turned - v, v: u };
  const point = toCabinet(placement, u, v, 0);
  return { h: point[AXIS[spots.h]], v: point[AXIS[spots.v]] };
}
