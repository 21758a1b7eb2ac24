import { randomBytes, randomInt, scrypt, timingSafeEqual } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { promisify } from 'node:util';
import * as z from 'zod/mini';
import { SettingError } from './settings.js';

const hex = z.string().check(z.regex(/^[0-9a-f]{16,}$/));
const keptSchema = z.object({
  salt: hex,
  hash: hex,
  secret: hex,
  /** Signs which browsers came in before; stays when the code changes. */
  known: z.optional(hex),
});

/** The access code as it is kept: hashed, with the secret that signs who has come in. */
export type Kept = z.infer<typeof keptSchema>;

/** Letters and digits that are not taken for one another when read aloud. */
const ALPHABET = 'abcdefghjkmnpqrstuvwxyz23456789';
const GROUPS = 3;
const LETTERS = 4;
/** Shorter codes are guessed. */
const SHORTEST = 8;

const fileIn = (data: string) => join(data, 'access.json');

/** True where a shop has a code already. */
export const hasCode = (data: string) => existsSync(fileIn(data));

/** Says when a code was set, without reading it. */
export const codeSetAt = (data: string) => statSync(fileIn(data), { throwIfNoEntry: false })?.mtimeMs;

/** The code of a shop; undefined where it has none. Throws in words where it is damaged. */
export function readCode(data: string): Kept | undefined {
  if (!hasCode(data)) return undefined;
  let value: unknown;
  try {
    value = JSON.parse(readFileSync(fileIn(data), 'utf8'));
  } catch {
    value = undefined;
  }
  const read = keptSchema.safeParse(value);
  if (read.success) return read.data;
  throw new SettingError(
    `The access code of this shop is kept in ${fileIn(data)}, and that file is damaged. npm run access-code makes another; everybody comes in anew then.`,
  );
}

/** Makes a code, or takes one that was chosen, and keeps it hashed. Everybody has to come in anew. */
export async function setCode(data: string, chosen?: string): Promise<string> {
  const code = chosen ?? madeUp();
  if (!isLongEnough(code))
    throw new SettingError(
      `An access code should have at least ${SHORTEST} letters or digits; hyphens and spaces do not count.`,
    );
  const salt = randomBytes(16).toString('hex');
  const kept: Kept = {
    salt,
    hash: await hashOf(code, salt),
    secret: randomBytes(32).toString('hex'),
    known: knownBefore(data) ?? randomBytes(32).toString('hex'),
  };
  writeWhole(fileIn(data), JSON.stringify(kept));
  return code;
}

function knownBefore(data: string): string | undefined {
  try {
    return readCode(data)?.known;
  } catch {
    return undefined;
  }
}

/** Writes a file for its owner alone, whole or not at all. */
export function writeWhole(file: string, text: string): void {
  mkdirSync(dirname(file), { recursive: true, mode: 0o700 });
  const partial = `${file}.part`;
  writeFileSync(partial, text, { mode: 0o600 });
  renameSync(partial, file);
}

const madeUp = () =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: LETTERS }, () => ALPHABET[randomInt(ALPHABET.length)]).join(''),
  ).join('-');

/** Hyphens, blanks and capitals do not matter in a code that is typed. */
const plain = (code: string) => code.normalize('NFKC').toLowerCase().replaceAll(/[\s-]/g, '');
const isLongEnough = (code: string) => (plain(code).match(/[\p{L}\p{N}]/gu)?.length ?? 0) >= SHORTEST;

const derive = promisify(scrypt) as (text: string, salt: Buffer, length: number) => Promise<Buffer>;
/** Made beside the thread that serves: it takes as long as a guess should. */
const hashOf = async (code: string, salt: string) =>
  (await derive(plain(code), Buffer.from(salt, 'hex'), 32)).toString('hex');

/** True for the code as it was set. What is too short to be one costs nothing to refuse. */
export async function isCode(kept: Kept, code: string): Promise<boolean> {
  return isLongEnough(code) && equal(await hashOf(code, kept.salt), kept.hash);
}

/** Compares two texts in a time that says nothing of where they differ. */
export function equal(a: string, b: string): boolean {
  const [one, other] = [Buffer.from(a), Buffer.from(b)];
  return one.length === other.length && timingSafeEqual(one, other);
}
