import type { Dim } from '../../../ground/index.js';
import type {
  Cut,
  MachiningRow,
  OperationDefinition,
  Outline,
  PartNames,
  PartSize,
  PlanBounds,
  Run,
  Space,
} from '../definition.js';
import { cutOut } from './cutOut.js';
import { dovetails } from './dovetails.js';
import { edgeGroove } from './edgeGroove.js';
import { edgeHoles } from './edgeHoles.js';
import { groove } from './groove.js';
import { holes } from './holes.js';
import { mitre } from './mitre.js';
import { mitreSlots } from './mitreSlots.js';
import { notch } from './notch.js';
import { pockets } from './pockets.js';
import { rabbet } from './rabbet.js';
import { recess } from './recess.js';
import { mortises, slots } from './slots.js';
import { tenon } from './tenon.js';

/** Every kind of operation there is. */
const definitions = [
  ...([groove, edgeGroove, rabbet, recess, notch, cutOut, tenon, mitre, dovetails] as const),
  ...([holes, edgeHoles, slots, mitreSlots, mortises, pockets] as const),
] as const;

type OperationOf<D> = D extends OperationDefinition<infer O> ? O : never;
/** Something cut or bored in a part. */
export type Operation = OperationOf<(typeof definitions)[number]>;
export type OperationKind = Operation['kind'];

const byKind = Object.fromEntries(definitions.map((each) => [each.kind, each])) as unknown as Readonly<
  Record<OperationKind, OperationDefinition<Operation>>
>;

/** The room an operation takes in a part of a size, for clearances. */
export function spacesOf(operation: Operation, size: PartSize): Space[] {
  return byKind[operation.kind].spaces(operation, size);
}

/** Where an operation lies seen from the face, and whether it is bored; the spaces, where they had to be made for it. */
export interface Footprint extends PlanBounds {
  readonly bored: boolean;
  readonly spaces?: Space[];
}

export function footprintOf(operation: Operation, size: PartSize): Footprint {
  const { bounds, spaces: all } = byKind[operation.kind];
  if (bounds) return { bored: true, ...bounds(operation, size) };
  const spaces = all(operation, size);
  const along = (axis: 0 | 1): Run => {
    let [low, high] = [Number.POSITIVE_INFINITY, Number.NEGATIVE_INFINITY];
    for (const space of spaces) {
      low = Math.min(low, space.low[axis]);
      high = Math.max(high, space.high[axis]);
    }
    return [low, high];
  };
  return { u: along(0), v: along(1), bored: spaces.some(({ bored }) => bored), spaces };
}

/** What an operation takes out of a part of a size. */
export function cutsOf(operation: Operation, size: PartSize): Cut[] {
  return byKind[operation.kind].cuts(operation, size);
}

/** How an operation is drawn on a panel. */
export function outlineOf(operation: Operation, size: PartSize): Outline[] {
  return byKind[operation.kind].outline(operation, size);
}

/** An operation as a row of the part's table. */
export function rowOf(operation: Operation, names: PartNames): MachiningRow {
  return { reason: operation.reason, ...byKind[operation.kind].row(operation, names) };
}

/** The numbers of a row, in the order in which they are read. */
export function numbersOf({ size, by, depth, offset, further = [], positions }: MachiningRow): Dim[] {
  return [size, by, depth, offset, ...further, ...positions].filter((dim) => dim !== undefined);
}

/** An operation in a few words, for lists. `show` writes a length in mm. */
export function wordsOf(operation: Operation, names: PartNames, show: (mm: number) => string): string {
  return byKind[operation.kind].words(operation, names, show);
}

export type { CutOut } from './cutOut.js';
export type { Dovetails } from './dovetails.js';
export type { EdgeGroove } from './edgeGroove.js';
export type { EdgeHoles } from './edgeHoles.js';
export type { Groove } from './groove.js';
export type { Holes } from './holes.js';
export type { Mitre } from './mitre.js';
export type { Notch } from './notch.js';
export { POCKET, type Pockets, pocketRun } from './pockets.js';
export type { Rabbet } from './rabbet.js';
export type { Recess } from './recess.js';
export type { Mortises, Slots } from './slots.js';
export type { Tenon } from './tenon.js';
