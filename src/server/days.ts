import type Database from 'better-sqlite3';

/**
 * Days on which the shop was used, counted in the database: by these it is decided what is long ago, since a clock may be
 * set to any year. A day counts when the calendar has gone on, or when the program has run a whole day since the last.
 */
export function countDay(db: Database.Database, now = new Date()): number {
  const today = now.toISOString().slice(0, 10);
  const { days, last } = db.prepare('SELECT days, last_day AS last FROM identity').get() as {
    days: number;
    last: string;
  };
  const ran = process.uptime() - (countedAt.get(db) ?? 0) >= WHOLE_DAY;
  if (today <= last && !ran) return days;
  countedAt.set(db, process.uptime());
  const latest = today > last ? today : last;
  db.prepare('UPDATE identity SET days = ?, last_day = ?').run(days + 1, latest);
  return days + 1;
}

/** When this program counted last, by its own running time (s), which no clock changes. */
const countedAt = new WeakMap<Database.Database, number>();
const WHOLE_DAY = 86_400;

/** How many days are counted so far. */
export const dayOf = (db: Database.Database): number =>
  (db.prepare('SELECT days FROM identity').get() as { days: number } | undefined)?.days ?? 0;
