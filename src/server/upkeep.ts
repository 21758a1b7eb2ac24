import { backUpToday, CopyError, clearPartial } from './backup.js';
import { emptyBin } from './bin.js';
import { figure } from './compute/pool.js';
import { database, databaseFile, databaseRefusal, dataFolder } from './database.js';
import { countDay } from './days.js';
import { setConcern } from './health.js';
import { log } from './log.js';
import { Refusal } from './refusal.js';
import type { Examined } from './wholeness.js';

/** It is looked whether a day has begun each so often; what failed is tried again sooner, and then slower and slower (ms). */
const EACH = 10 * 60_000;
const FIRST_RETRY = 5000;

/** On another thread: a large database takes a while to look through. */
const examineElsewhere = (file: string): Promise<Examined> => figure('examine', { file });

/**
 * What is done for the shop once each day it is used, beside the work, at the start and as the days go by: the database
 * is looked through, a copy of it is made and looked through, and the bin lets go of what lay there long enough.
 */
export function keepUp(): void {
  let retry = FIRST_RETRY;
  const look = (after: number) => {
    // Nothing waits for it, whoever comes first least of all.
    setTimeout(() => void tick(), after).unref();
  };
  const tick = async () => {
    const done = await upkeep().catch((error: unknown) => {
      // Stopped amid it: the next start does it.
      if (!(error instanceof Refusal)) log.error({ err: error }, 'the upkeep of the day failed');
      return false;
    });
    retry = done ? FIRST_RETRY : Math.min(EACH, retry * 2);
    look(done ? EACH : retry);
  };
  look(SOON);
}

const SOON = 500;

let lookedOn: number | undefined;

/** True when all of it is done for the day. */
async function upkeep(): Promise<boolean> {
  const db = openNow();
  if (!db) return false;
  const day = countDay(db);
  if (day === lookedOn) {
    // It was whole when it was looked through, and can be used again where it could not for a while.
    setConcern('database', undefined);
    return true;
  }
  const folder = dataFolder();
  const whole = await examineElsewhere(databaseFile());
  setConcern(
    'database',
    whole.ok
      ? undefined
      : `The database is damaged (${whole.why}). Stop Alcove and bring back the last copy: npm run restore lists them.`,
  );
  try {
    clearPartial(folder);
    // What is damaged is not copied: it would push out a good copy in the end.
    if (whole.ok) await backUpToday(db, folder, new Date(), examineElsewhere);
    setConcern('copy', undefined);
  } catch (error) {
    setConcern('copy', sentenceOf(error));
    log.error({ err: error }, 'the copy of the day failed');
    return false;
  }
  emptyBin(db, day);
  if (whole.ok) lookedOn = day;
  return whole.ok;
}

/** The database, where it can be used now. */
function openNow() {
  try {
    return database();
  } catch (error) {
    setConcern(
      'database',
      databaseRefusal(error)?.message ?? 'The database cannot be opened; the log has the details.',
    );
    return undefined;
  }
}

/** True while the database answers. */
export function usable(): boolean {
  try {
    database().prepare('SELECT 1 FROM identity').get();
    return true;
  } catch {
    return false;
  }
}

function sentenceOf(error: unknown): string {
  if (error instanceof CopyError) return error.message;
  const why = databaseRefusal(error)?.message ?? (error instanceof Error ? error.message : String(error));
  return `The copy of the day could not be made: ${why} It is tried again.`;
}
