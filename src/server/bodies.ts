import * as z from 'zod/mini';
import { editSchema } from '../core/decisions/index.js';
import { parseBody } from './parse.js';

const editsSchema = z.array(editSchema).check(z.maxLength(20_000));

/** One save: what was decided since the version it names. */
const saveSchema = z.strictObject({
  version: z.int().check(z.minimum(1)),
  /** Of the database the version was read from; another one says that a copy was brought back since. */
  epoch: z.optional(z.string().check(z.maxLength(60))),
  /** Of this save alone: when it comes again, because its answer was lost, it is known. */
  id: z.optional(
    z.string().check(z.regex(/^[a-zA-Z0-9-]{8,60}$/, 'an id of letters, digits and hyphens was expected')),
  ),
  label: z._default(z.string().check(z.maxLength(200)), 'edit'),
  edits: editsSchema,
  /** What gave way to another window's edits: kept in the history, not carried out. */
  setAside: z.optional(editsSchema),
  /** The form of the document in which the edits are said. */
  format: z.optional(z.int().check(z.minimum(1), z.maximum(9999))),
  /** The program whose page sends it, as that page was told. */
  program: z.optional(z.string().check(z.regex(/^[a-zA-Z0-9.-]{1,40}$/, 'the name of a program was expected'))),
});
export type Save = z.infer<typeof saveSchema>;

/** A cabinet to be kept as a start. */
const startSchema = z.strictObject({
  name: z.string().check(z.trim(), z.minLength(1, 'a name was expected'), z.maxLength(80)),
  /** A job of one cabinet. */
  document: z.unknown(),
});

/** How bodies that may be large are read: small ones at once, large ones on another thread. */
export const bodies = {
  save: (bytes: Uint8Array) => parseBody(bytes, saveSchema),
  start: (bytes: Uint8Array) => parseBody(bytes, startSchema),
} as const;
export type BodyKind = keyof typeof bodies;
export type Body<K extends BodyKind> = ReturnType<(typeof bodies)[K]>;
