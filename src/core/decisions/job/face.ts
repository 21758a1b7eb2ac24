import * as z from 'zod/mini';
import { idField, lengthField, saying } from '../fields.js';
import type { FillForm } from './fills.js';
import { dividerSchema, graduationSchema, type Split, sizeSchema } from './openings.js';

const member = {
  id: idField,
  size: saying(sizeSchema, { passed: true }),
  pin: z.optional(saying(lengthField({ min: 1 }), { word: 'held at' })),
  divider: z.optional(dividerSchema),
};

/** Fields that a kind adds to fills it has not declared, by their kinds. */
export type MoreFields = Readonly<Record<string, Readonly<Record<string, z.ZodMiniType>>>>;

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
