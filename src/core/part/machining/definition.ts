import type { Dim } from '../../ground/index.js';
import type { Fastens } from './fastener.js';

/** Which face an operation enters: face 1 is the inside or show face. */
export type PanelFace = 1 | 2;

/**
 * An edge of a part: where u (along the length) or v (along the width) is 0 or full. Distances on a part are measured
 * from a named edge, the one the fence or the stop runs against.
 */
export type EdgeReference = 'u0' | 'u1' | 'v0' | 'v1';

/** Whose work an operation is, so that it can be found again without reading its reason. */
export interface By {
  /** What asked for it: a kind of fitted thing by its id, or a piece of construction. */
  readonly kind: string;
  /** Which of its cuts this is: `cup`, `plate`, `pilot`. */
  readonly what?: string;
  /** The front it is for. */
  readonly front?: string;
  /** The opening it is for. */
  readonly opening?: string;
}

/** What every operation says besides what it cuts. */
export interface Why {
  /** Why it is there. */
  readonly reason: string;
  readonly by: By;
  /** Key of the part that sits in it or is fastened through it. */
  readonly holds?: string;
  /** How much of other parts a fastener passes before it reaches what it holds (mm), where something lies between. */
  readonly past?: number;
  /** What goes in there, where a fastener begins here. */
  readonly fastens?: Fastens;
  /** Operations of one group belong into each other, as pilot holes into their mortise. */
  readonly group?: string;
}

/** What an operation looks like to those who only ask how near it comes to another. */
export type AnyOperation = Why & { readonly kind: string };

/** Finished size of a part (mm). */
export interface PartSize {
  readonly length: number;
  readonly width: number;
  readonly thickness: number;
}

export type Run = readonly [low: number, high: number];

/** The space one cut or hole takes in a part: along u and v, and w from face 1. All in mm. */
export interface Space {
  readonly operation: AnyOperation;
  /** True for what is bored; grooves may cross grooves, nothing may cross a hole. */
  readonly bored: boolean;
  readonly low: readonly [u: number, v: number, w: number];
  readonly high: readonly [u: number, v: number, w: number];
  /** A hole seen from its face is round. */
  readonly round?: { readonly u: number; readonly v: number; readonly radius: number };
  /** The face a hole is bored from, when it is not bored through. */
  readonly face?: PanelFace | undefined;
  /** A pocket hole is deepest at its edge and runs out on the face. */
  readonly ramp?: Ramp;
  /** What lies slanting in plan: its corners in order. `low` and `high` are then the room round it. */
  readonly corners?: readonly FacePoint[];
}

/** A place along the length and across the width (mm). */
export type FacePoint = readonly [u: number, v: number];

/** What lies within these runs of length and width (mm). */
export interface PlanBounds {
  readonly u: Run;
  readonly v: Run;
}

export interface Ramp {
  /** The axis across its edge, where that edge lies, and which way is into the part. */
  readonly axis: 0 | 1;
  readonly edge: number;
  readonly inward: 1 | -1;
  readonly face: PanelFace;
  readonly thickness: number;
}

/** What an operation takes out of a part, in u, v, w (mm): a block, a round bore along one axis, a prism through w, or one along u. */
export type Cut =
  | { readonly shape: 'block'; readonly low: Space['low']; readonly high: Space['high'] }
  | {
      readonly shape: 'bore';
      readonly axis: 0 | 1 | 2;
      /** Its middle across the axis, in the order of the other two axes. */
      readonly centre: readonly [number, number];
      readonly radius: number;
      readonly run: Run;
    }
  | {
      readonly shape: 'prism';
      /** The corners of what is cut away in plan, in order; it has no hollow in it. */
      readonly corners: readonly FacePoint[];
      readonly w: Run;
    }
  | {
      readonly shape: 'ridge';
      /** The corners of what is cut away seen from the end of the part, in v and w; it has no hollow in it. */
      readonly corners: readonly (readonly [v: number, w: number])[];
      readonly u: Run;
    };

/** What an operation looks like from above, in u and v (mm). `face` is absent for what goes through or lies within. */
export type Outline =
  | { readonly shape: 'region'; readonly u: Run; readonly v: Run; readonly face?: PanelFace }
  | {
      readonly shape: 'hole';
      readonly u: number;
      readonly v: number;
      readonly diameter: number;
      readonly face?: PanelFace;
    }
  | {
      readonly shape: 'line';
      readonly from: readonly [u: number, v: number];
      readonly to: readonly [u: number, v: number];
      /** Absent for a line inside the wood, which is dashed from both faces. */
      readonly face?: PanelFace;
      readonly heavy?: boolean;
      /** True for what is seen from both faces, as the shoulders of a tenon are. */
      readonly seen?: true;
    };

/** What the edges and faces of a part are called where it stands. */
export interface PartNames {
  edge(edge: EdgeReference): string;
  face(face: PanelFace): string;
  readonly thickness: Dim;
}

/** One hole, groove or slot of a part as a row of its table, from its reference edges. */
export interface MachiningRow {
  readonly what: string;
  readonly where: string;
  /** From the edge it is measured from. */
  readonly offset?: Dim;
  /** Of each of several alike. */
  readonly positions: readonly Dim[];
  /** What else is measured: from the second edge, where a stopped cut begins and ends, shoulders at the edges. */
  readonly further?: readonly Dim[];
  readonly size: Dim;
  /** Its other size across its face, where it is neither round nor a strip. */
  readonly by?: Dim;
  readonly depth?: Dim;
  readonly reason: string;
}

/** A kind of operation and all that is particular to it. A new kind is one file here and one line in the registry. */
export interface OperationDefinition<O extends AnyOperation> {
  readonly kind: O['kind'];
  /** The room it takes, for clearances. */
  spaces(operation: O, size: PartSize): Space[];
  /** Where all of that lies seen from the face, for what is bored in lines: cheaper than every hole of it. */
  bounds?(operation: O, size: PartSize): PlanBounds;
  /** What it removes, for solids. */
  cuts(operation: O, size: PartSize): Cut[];
  /** How it is drawn on the panel; a cut that changes the part's own outline draws nothing of its own. */
  outline(operation: O, size: PartSize): Outline[];
  row(operation: O, names: PartNames): Omit<MachiningRow, 'reason'>;
  /** In a few words, for lists. `show` writes a length in mm. */
  words(operation: O, names: PartNames, show: (mm: number) => string): string;
}
