import * as z from 'zod/mini';
import { inches, type LengthUnit } from '../../ground/index.js';
import { between, idField, lengthField, saying, shareField } from '../fields.js';
import { type FillForm, isFill, type LeafFill, type RoomFill } from './fills.js';

/** How big one part of a stack is. A `pin` holds it at a size whatever its rule says; the rest absorb the change. */
const sizeSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('fixed'), mm: saying(lengthField({ min: 1 }), { word: 'size' }) }),
  z.strictObject({ rule: z.literal('share'), weight: shareField(0.01, 100) }),
  z.strictObject({ rule: z.literal('graduated') }),
]);
export type SizeRule = z.infer<typeof sizeSchema>;

const dividerSchema = z.enum(['stretcher', 'shelf', 'web', 'partition', 'none']);
export type DividerKind = z.infer<typeof dividerSchema>;

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
const graduationSchema = z.discriminatedUnion('kind', [
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

/** Fields that a kind adds to fills it has not declared, by their kinds. */
export type MoreFields = Readonly<Record<string, Readonly<Record<string, z.ZodMiniType>>>>;

const member = {
  id: idField,
  size: saying(sizeSchema, { passed: true }),
  pin: z.optional(saying(lengthField({ min: 1 }), { word: 'held at' })),
  divider: z.optional(dividerSchema),
};

/** The division of a face, given all that openings and rooms may be. */
export function splitSchemaOf(fills: readonly FillForm[], more: readonly MoreFields[]): z.ZodMiniType<Split> {
  const objects = (where: FillForm['of']) =>
    fills
      .filter(({ of }) => of === where)
      .toSorted((a, b) => a.says.rank - b.says.rank)
      .map(({ says: { kind, room }, shape }) =>
        z.strictObject({
          kind: z.literal(kind),
          ...shape,
          ...(where === 'opening' ? Object.assign({}, ...more.map((fields) => fields[kind] ?? {})) : {}),
          // The room behind it, divided in its own way; left out where there is nothing in it.
          ...(room
            ? {
                interior: z.optional(
                  saying(
                    z.lazy(() => interior),
                    { since: 11 },
                  ),
                ),
              }
            : {}),
        }),
      ) as unknown as [z.ZodMiniObject<{ kind: z.ZodMiniLiteral<string> }>];
  const division = { kind: z.enum(['rows', 'columns']), graduation: graduationSchema };
  const roomFill = z.discriminatedUnion('kind', objects('room'));
  const interior: z.ZodMiniType = z.lazy(() => z.union([roomFill, interiorSplit]));
  const room = z.strictObject({
    ...member,
    fill: saying(
      z.lazy(() => interior),
      { passed: true },
    ),
  });
  const interiorSplit = z.strictObject({
    ...division,
    parts: saying(z.array(room).check(z.minLength(1), z.maxLength(24)), { one: 'room', passed: true }),
  });
  const leaf = z.discriminatedUnion('kind', objects('opening'));
  const split: z.ZodMiniType = z.strictObject({
    ...division,
    get parts() {
      return saying(z.array(opening).check(z.minLength(1), z.maxLength(24)), { one: 'opening', passed: true });
    },
  });
  const opening = z.strictObject({
    ...member,
    dividerOff: z.optional(saying(lengthField({ min: -100, max: 100 }), { word: 'divider aside of the middle' })),
    get fill() {
      return saying(z.union([leaf, split]), { passed: true });
    },
  });
  return split as z.ZodMiniType<Split>;
}

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
