import * as z from 'zod/mini';
import { inches, type LengthUnit } from '../../ground/index.js';
import { between, lengthField, saying, shareField } from '../fields.js';
import type { DecidedHeight } from './heights.js';

/** How big one part of a stack is. A `pin` holds it at a size whatever its rule says; the rest absorb the change. */
export const sizeSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('fixed'), mm: saying(lengthField({ min: 1 }), { word: 'size' }) }),
  z.strictObject({ rule: z.literal('share'), weight: shareField(0.01, 100) }),
  z.strictObject({ rule: z.literal('graduated') }),
]);
export type SizeRule = z.infer<typeof sizeSchema>;

export const dividerSchema = z.enum(['stretcher', 'shelf', 'web', 'partition', 'none']);
export type DividerKind = z.infer<typeof dividerSchema>;

/** A fill as it may stand in the document; what a kind put into it only that kind knows. */
export interface KindFill {
  kind: string;
  interior?: Interior | undefined;
  [field: string]: unknown;
}

interface DoorFill {
  kind: 'door';
  hinged: 'left' | 'right';
  interior?: Interior | undefined;
}
interface RoomBehind<K extends string> {
  kind: K;
  interior?: Interior | undefined;
}
interface ShelvesFill {
  kind: 'shelves';
  shelves: number;
  /** Undersides above the floor of the room. */
  shelvesAt?: DecidedHeight[] | undefined;
}

/** The fills of the construction, by their kinds. */
interface OwnFills {
  readonly door: DoorFill;
  readonly pair: RoomBehind<'pair'>;
  readonly false: { kind: 'false' };
  readonly open: RoomBehind<'open'>;
  readonly shelves: ShelvesFill;
  readonly nothing: { kind: 'nothing' };
}

/** What fills an opening that is not divided further. */
export type LeafFill = OwnFills['door' | 'pair' | 'false' | 'open'] | KindFill;
/** What fills a room that is not divided further. */
export type RoomFill = OwnFills['shelves' | 'nothing'] | KindFill;

/** True for a fill of the construction of one kind. */
export function isFill<K extends keyof OwnFills>(
  fill: { readonly kind: string } | undefined,
  kind: K,
): fill is OwnFills[K] {
  return fill?.kind === kind;
}

/** A room divided again: `rows` from top to bottom, `columns` from left to right. */
export interface InteriorSplit {
  kind: 'rows' | 'columns';
  graduation: Graduation;
  parts: Room[];
}
export interface Room {
  id: string;
  size: SizeRule;
  pin?: number | undefined;
  divider?: DividerKind | undefined;
  fill: Interior;
}
export type Interior = RoomFill | InteriorSplit;
/** How the graduated members of a stack grow from top to bottom (or left to right). */
export const graduationSchema = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('arithmetic'), step: lengthField({ min: -1000, max: 1000 }) }),
  z.strictObject({ kind: z.literal('geometric'), ratio: between(0.2, 5) }),
]);
export type Graduation = z.infer<typeof graduationSchema>;

/** How a stack grows until somebody decides: by 40 mm or 1 1/2 in, or by a quarter. */
export function startingGraduation(kind: Graduation['kind'], unit: LengthUnit): Graduation {
  if (kind === 'geometric') return { kind, ratio: 1.25 };
  return { kind, step: unit === 'in' ? inches(1.5) : 40 };
}

/** An opening divided again: `rows` from top to bottom, `columns` from left to right. Splits nest to any depth. */
export interface Split {
  kind: 'rows' | 'columns';
  graduation: Graduation;
  parts: Opening[];
}
export interface Opening {
  id: string;
  size: SizeRule;
  pin?: number | undefined;
  /** What stands between this one and the next; the house standard when left out. */
  divider?: DividerKind | undefined;
  /** How far its middle is pinned off the middle of the gap: upwards in rows, to the right in columns. */
  dividerOff?: number | undefined;
  fill: Fill;
}
export type Fill = LeafFill | Split;

const isDivision = (kind: string): boolean => kind === 'rows' || kind === 'columns';

/** True when an opening is divided again. */
export function isSplit(fill: Fill): fill is Split {
  return isDivision(fill.kind);
}

/** True when a room is divided again. */
export function isDivided(fill: Interior): fill is InteriorSplit {
  return isDivision(fill.kind);
}

/** What is behind a front or in an open bay; undefined where nothing is, or nothing can be. */
export function interiorOf(fill: Fill): Interior | undefined {
  return isSplit(fill) || isFill(fill, 'false') ? undefined : fill.interior;
}

/** A room with so many adjustable shelves; undefined for none. */
export function shelved(shelves: number): Interior | undefined {
  return shelves > 0 ? { kind: 'shelves', shelves } : undefined;
}

/** Every opening of a split, the split ones before what they hold. */
export function openingsOf(split: Split): Opening[] {
  return split.parts.flatMap((opening) => [opening, ...(isSplit(opening.fill) ? openingsOf(opening.fill) : [])]);
}

/** Every room of a division, the divided ones before what they hold. */
export function roomsOf(interior: InteriorSplit): Room[] {
  return interior.parts.flatMap((room) => [room, ...(isDivided(room.fill) ? roomsOf(room.fill) : [])]);
}

/** Ids of all openings of a face and of the rooms behind them: parts are named for them, so each is there once. */
export function memberIds(split: Split): string[] {
  return openingsOf(split).flatMap(({ id, fill }) => {
    const interior = interiorOf(fill);
    return [id, ...(interior && isDivided(interior) ? roomsOf(interior).map((room) => room.id) : [])];
  });
}

/** How many divisions lie one inside the other, those of rooms included. */
export function depthOf(split: Split): number {
  return (
    1 + Math.max(0, ...split.parts.map(({ fill }) => (isSplit(fill) ? depthOf(fill) : interiorDepth(interiorOf(fill)))))
  );
}

function interiorDepth(interior: Interior | undefined): number {
  if (!interior || !isDivided(interior)) return 0;
  return 1 + Math.max(0, ...interior.parts.map(({ fill }) => interiorDepth(fill)));
}
