import * as z from 'zod/mini';
import { inches, type LengthUnit } from '../../ground/index.js';
import { between, countField, idField, lengthField, saying, shareField } from '../fields.js';

/** How big one part of a stack is. A `pin` holds it at a size whatever its rule says; the rest absorb the change. */
const sizeSchema = z.discriminatedUnion('rule', [
  z.strictObject({ rule: z.literal('fixed'), mm: saying(lengthField({ min: 1 }), { word: 'size' }) }),
  z.strictObject({ rule: z.literal('share'), weight: shareField(0.01, 100) }),
  z.strictObject({ rule: z.literal('graduated') }),
]);
export type SizeRule = z.infer<typeof sizeSchema>;

const dividerSchema = z.enum(['stretcher', 'shelf', 'web', 'partition', 'none']);
export type DividerKind = z.infer<typeof dividerSchema>;

/**
 * Heights decided one by one, each with the id of what it places: `s2` is the second shelf from below, `h1` the lowest
 * hinge. What is not listed is left to the rules.
 */
const heightSchema = z.strictObject({
  id: z
    .string()
    .check(z.regex(/^[sh]([1-9]|[12]\d|30)$/, 'the id of a shelf or a hinge was expected, such as s1 or h2')),
  mm: saying(lengthField(), { word: 'size' }),
});
export type DecidedHeight = z.infer<typeof heightSchema>;
const heightsOf = (one: string) =>
  z.optional(
    saying(z.array(heightSchema).check(z.maxLength(30)), { word: `height of ${one}`, one: `height of ${one}` }),
  );

/** What goes into a drawer or stands on a tray: how high it is (mm), and what all of it weighs (kg). */
const contentsSchema = z.strictObject({
  height: z.optional(lengthField({ min: 1, max: 1500 })),
  weight: z.optional(shareField(0.1, 300)),
});
export type DrawerContents = z.infer<typeof contentsSchema>;
const contents = z.optional(saying(contentsSchema, { word: 'what goes in' }));
/** How far its runners, and the box on them, stand above the lowest they can (mm). */
const raised = z.optional(saying(lengthField({ max: 1000 }), { word: 'runners raised', since: 15 }));

/** What a room is for, behind a front or in an open bay. */
const roomFills = [
  z.strictObject({
    kind: z.literal('shelves'),
    shelves: countField(0, 30),
    /** Undersides above the floor of the room. */
    shelvesAt: heightsOf('shelf'),
  }),
  z.strictObject({ kind: z.literal('drawer'), contents, raised }),
  z.strictObject({ kind: z.literal('tray'), contents, raised }),
  z.strictObject({ kind: z.literal('waste') }),
  z.strictObject({ kind: z.literal('bottles') }),
  z.strictObject({ kind: z.literal('rail') }),
  z.strictObject({ kind: z.literal('nothing') }),
] as const;
const roomFillSchema = z.discriminatedUnion('kind', [...roomFills]);
/** What fills a room that is not divided further. */
export type RoomFill = z.infer<typeof roomFillSchema>;

/** What each kind of room is called, and numbered among its like. */
export const ROOM_NAMES = {
  shelves: 'room',
  drawer: 'inner drawer',
  tray: 'tray',
  waste: 'bin room',
  bottles: 'bottle cells',
  rail: 'hanging room',
  nothing: 'room',
} as const satisfies Record<RoomFill['kind'], string>;

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
const interiorSchema: z.ZodMiniType<Interior> = z.lazy(() => z.union([roomFillSchema, interiorSplitSchema]));

const within = {
  /** The room behind it, divided in its own way; left out where there is nothing in it. */
  interior: z.optional(
    saying(
      z.lazy(() => interiorSchema),
      { since: 11 },
    ),
  ),
};
const hung = {
  ...within,
  /** Hinge centres above the lower edge of the door; both doors of a pair alike. */
  hingesAt: heightsOf('hinge'),
};

/** What closes an opening. */
const leafFills = [
  z.strictObject({ kind: z.literal('drawer'), contents, raised }),
  z.strictObject({ kind: z.literal('false') }),
  z.strictObject({ kind: z.literal('door'), hinged: z.enum(['left', 'right']), ...hung }),
  z.strictObject({ kind: z.literal('pair'), ...hung }),
  z.strictObject({ kind: z.literal('lift'), ...within }),
  z.strictObject({ kind: z.literal('waste') }),
  z.strictObject({ kind: z.literal('open'), ...within }),
] as const;
const leafSchema = z.discriminatedUnion('kind', [...leafFills]);
export type LeafFill = z.infer<typeof leafSchema>;

/** What each kind of fill is called where it is chosen, and numbered among its like. */
export const FILL_NAMES = {
  drawer: 'drawer front',
  false: 'false front',
  door: 'door',
  pair: 'doors',
  lift: 'lift-up front',
  waste: 'bin front',
  open: 'open bay',
} as const satisfies Record<LeafFill['kind'], string>;

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

const roomSchema = z.strictObject({
  id: idField,
  size: saying(sizeSchema, { passed: true }),
  pin: z.optional(saying(lengthField({ min: 1 }), { word: 'held at' })),
  divider: z.optional(dividerSchema),
  fill: saying(
    z.lazy(() => interiorSchema),
    { passed: true },
  ),
});
const interiorSplitSchema = z.strictObject({
  kind: z.enum(['rows', 'columns']),
  graduation: graduationSchema,
  parts: saying(z.array(roomSchema).check(z.minLength(1), z.maxLength(24)), { one: 'room', passed: true }),
});

/** An opening divided again: `rows` from top to bottom, `columns` from left to right. Splits nest to any depth. */
export const splitSchema = z.strictObject({
  kind: z.enum(['rows', 'columns']),
  graduation: graduationSchema,
  get parts() {
    return saying(z.array(openingSchema).check(z.minLength(1), z.maxLength(24)), { one: 'opening', passed: true });
  },
});

const openingSchema = z.strictObject({
  id: idField,
  size: saying(sizeSchema, { passed: true }),
  pin: z.optional(saying(lengthField({ min: 1 }), { word: 'held at' })),
  /** What stands between this one and the next; the house standard when left out. */
  divider: z.optional(dividerSchema),
  /** How far its middle is pinned off the middle of the gap: upwards in rows, to the right in columns. */
  dividerOff: z.optional(saying(lengthField({ min: -100, max: 100 }), { word: 'divider aside of the middle' })),
  get fill(): z.ZodMiniUnion<[typeof leafSchema, typeof splitSchema]> {
    return saying(z.union([leafSchema, splitSchema]), { passed: true });
  },
});
export type Split = z.infer<typeof splitSchema>;
export type Opening = z.infer<typeof openingSchema>;
export type Fill = Opening['fill'];

/** True when an opening is divided again. */
export function isSplit(fill: Fill): fill is Split {
  return fill.kind === 'rows' || fill.kind === 'columns';
}

/** True when a room is divided again. */
export function isDivided(fill: Interior): fill is InteriorSplit {
  return fill.kind === 'rows' || fill.kind === 'columns';
}

/** True for what has a room of its own behind it: doors, what lifts, an open bay. */
export function hasRoom(fill: Fill): fill is Extract<LeafFill, { interior?: Interior | undefined }> {
  return fill.kind === 'door' || fill.kind === 'pair' || fill.kind === 'lift' || fill.kind === 'open';
}

/** What is behind a front or in an open bay; undefined where nothing is, or nothing can be. */
export function interiorOf(fill: Fill): Interior | undefined {
  return hasRoom(fill) ? fill.interior : undefined;
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
