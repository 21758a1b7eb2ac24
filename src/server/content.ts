import { createHash } from 'node:crypto';
import type { JobHead } from '../core/document/index.js';
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

/** A head put together again, unchecked; one from before contents were kept apart is whole. */
export function loadHead(db: Db, stored: { head: string; house: string | null; hardware: string | null }): object {
  const head = JSON.parse(stored.head) as object;
  if (stored.house === null || stored.hardware === null) return head;
  return { ...head, house: load(db, stored.house), hardware: load(db, stored.hardware) };
}

function load(db: Db, hash: string): unknown {
  const row = db.prepare<[string], { text: string }>('SELECT text FROM content WHERE hash = ?').get(hash);
  // A head without it is refused in words when it is read.
  return row && (JSON.parse(row.text) as unknown);
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
