import { createHash } from 'node:crypto';
import type { JobHead } from '../core/decisions/index.js';
import type { Db } from './database.js';

/** A head as it is stored: without its two large parts, which are kept by what they say. */
export interface StoredHead {
  readonly head: string;
  readonly house: string;
  readonly hardware: string;
}

/** Stores a head; house standards and hardware that are known already are not written again. */
export function storeHead(db: Db, { house, hardware, ...head }: JobHead): StoredHead {
  return { head: JSON.stringify(head), house: keep(db, house), hardware: keep(db, hardware) };
}

function keep(db: Db, value: unknown): string {
  const text = JSON.stringify(value);
  const hash = createHash('sha256').update(text).digest('hex').slice(0, 32);
  db.prepare('INSERT INTO content (hash, text) VALUES (?, ?) ON CONFLICT DO NOTHING').run(hash, text);
  return hash;
}

/** A head put together again, unchecked. */
export function loadHead(db: Db, stored: { head: string; house: string | null; hardware: string | null }): object {
  const { head, house, hardware } = stored;
  return headFrom({ head, house: textOf(db, house), hardware: textOf(db, hardware) }, stored.house !== null);
}

/** A head from its texts. What is kept apart and is not there is left out: such a head is refused in words when it is read. One from before contents were kept apart is whole. */
export function headFrom(
  { head, house, hardware }: { head: string; house: string | null; hardware: string | null },
  apart: boolean,
): object {
  const parsed = (text: string | null) => (text === null ? undefined : (JSON.parse(text) as unknown));
  const own = JSON.parse(head) as object;
  return apart ? { ...own, house: parsed(house), hardware: parsed(hardware) } : own;
}

/** What a hash stands for; null for none. */
export function textOf(db: Db, hash: string | null): string | null {
  if (hash === null) return null;
  const row = db.prepare<[string], { text: string }>('SELECT text FROM content WHERE hash = ?').get(hash);
  return row?.text ?? null;
}

/** Lets contents go that nothing names any more. */
export function dropContent(db: Db, hashes: readonly (string | null)[]): void {
  const drop = db.prepare(
    `DELETE FROM content WHERE hash = @hash
       AND NOT EXISTS (SELECT 1 FROM job WHERE house = @hash) AND NOT EXISTS (SELECT 1 FROM job WHERE hardware = @hash)
       AND NOT EXISTS (SELECT 1 FROM snapshot WHERE house = @hash)
       AND NOT EXISTS (SELECT 1 FROM snapshot WHERE hardware = @hash)`,
  );
  for (const hash of new Set(hashes)) if (hash !== null) drop.run({ hash });
}
