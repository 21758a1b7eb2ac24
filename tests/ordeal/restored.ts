import assert from 'node:assert/strict';
import { existsSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { backUpToday } from '../../src/server/backup.js';
import { openDatabase } from '../../src/server/database.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { restore, restoreFromLog, tryNewest } from '../../src/server/restore.js';
import { Random } from '../generator/random.js';
import { temporaryFolder } from '../support/server.js';
import { asKilled, jobNamed, saveWidth } from '../support/shop.js';

export interface RestoredSeen {
  readonly shops: number;
  readonly restored: number;
  readonly fromLog: number;
  readonly refused: number;
}

/** What stands in a folder before something is put in its place. */
interface Stood {
  readonly db: Buffer | undefined;
  readonly wal: Buffer | undefined;
  readonly shm: Buffer | undefined;
}

/**
 * Shops in every state of damage, with logs of their own, of another time or of another shop beside them, are opened,
 * restored from a copy, good or bad, or from their log. What is said to be done is whole and as it was; what is refused
 * leaves everything as it stood; what stood there is kept byte for byte.
 */
export async function restoreShops(shops: number, seed = 6): Promise<RestoredSeen> {
  const random = new Random(seed);
  let [restored, fromLog, refused] = [0, 0, 0];
  for (let shop = 0; shop < shops; shop += 1) {
    const data = temporaryFolder();
    const db = openDatabase(data);
    const ids = Array.from({ length: random.whole(1, 4) }, (_, at) => createJob(db, jobNamed(`Job ${at}`)).id);
    const save = () => saveWidth(db, random.pick(ids), random.whole(300, 900));
    const widths = () => ids.map((id) => readStoredJob(db, id).document.cabinets[0]?.size.width);
    for (let at = random.whole(0, 9); at > 0; at -= 1) save();
    const early = asKilled(data).wal;
    const earlyWidths = widths();
    const name = '2026-11-20';
    assert.ok(await backUpToday(db, data, new Date(`${name}T10:00:00Z`)));
    const begunAnew = random.chance(0.5);
    if (begunAnew) db.pragma('wal_checkpoint(TRUNCATE)');
    for (let at = random.whole(1, 30); at > 0; at -= 1) save();
    const late = asKilled(data);
    const lateWidths = widths();
    db.close();
    const file = join(data, 'alcove.db');
    const torn = () => {
      const pages = late.db.length / 4096;
      return Buffer.from(late.db).fill(
        random.whole(1, 255),
        4096 * random.whole(0, Math.min(3, pages - 1)),
        late.db.length,
      );
    };
    const stood: Stood = {
      db: random.pick([
        () => undefined,
        () => Buffer.alloc(0),
        () => late.db,
        torn,
        () => late.db.subarray(0, late.db.length - 3000),
      ])(),
      wal: random.pick([undefined, early, late.wal, Buffer.alloc(0), Buffer.from('no log at all'.repeat(999))]),
      shm: random.pick([undefined, Buffer.alloc(32_768, 7)]),
    };
    for (const each of readdirSync(data)) if (each.startsWith('alcove.db')) rmSync(join(data, each));
    const ends = { '': stood.db, '-wal': stood.wal, '-shm': stood.shm };
    for (const [end, bytes] of Object.entries(ends)) if (bytes) writeFileSync(file + end, bytes);
    const isAsItStood = (what: string) => {
      for (const [end, bytes] of Object.entries(ends))
        assert.deepEqual(
          existsSync(file + end) ? readFileSync(file + end) : undefined,
          bytes,
          `shop ${shop}, ${what}: ${end}`,
        );
    };
    const isBack = (expected: readonly (number | undefined)[], what: string) => {
      const again = openDatabase(data);
      assert.equal(again.pragma('integrity_check', { simple: true }), 'ok');
      const now = ids.map((id) => readStoredJob(again, id).document.cabinets[0]?.size.width);
      again.close();
      assert.deepEqual(now, expected, `shop ${shop}, ${what}`);
    };
    if (random.chance(0.3)) {
      const done = restoreFromLog(data);
      if (done.ok) {
        fromLog += 1;
        const holdsAll = stood.wal === early || (stood.wal === late.wal && !begunAnew);
        assert.ok(!stood.db?.length && holdsAll, 'only a log that holds all of it');
        isBack(stood.wal === early ? earlyWidths : lateWidths, 'from its log');
      } else {
        refused += 1;
        isAsItStood(done.message);
      }
    } else {
      const copy = join(data, 'backups', `${name}.db`);
      const spoil = random.chance(0.25);
      if (spoil) writeFileSync(copy, readFileSync(copy).fill(0x33, 4096, 4096 * random.whole(2, 8)));
      assert.equal(tryNewest(data).ok, !spoil);
      isAsItStood('tried');
      const done = restore(data, name);
      assert.equal(done.ok, !spoil, `shop ${shop}: ${JSON.stringify(done)}`);
      if (done.ok) {
        restored += 1;
        for (const [end, bytes] of Object.entries(ends)) {
          const kept: string | undefined = done.kept.find((each) => each.endsWith(`.db${end}`));
          assert.deepEqual(kept ? readFileSync(kept) : undefined, bytes, `shop ${shop}: kept${end}`);
        }
        isBack(earlyWidths, 'from its copy');
      } else {
        refused += 1;
        isAsItStood(done.message);
      }
    }
    assert.ok(!readdirSync(data).some((each) => each.startsWith('trying-')));
    rmSync(data, { recursive: true });
  }
  return { shops, restored, fromLog, refused };
}
