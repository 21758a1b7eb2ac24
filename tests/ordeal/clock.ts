import assert from 'node:assert/strict';
import { rmSync } from 'node:fs';
import { mock } from 'node:test';
import { backUpToday } from '../../src/server/backup.js';
import { deleteJob, emptyBin, listBin, restoreJob } from '../../src/server/bin.js';
import { backupsIn } from '../../src/server/copies.js';
import { openDatabase } from '../../src/server/database.js';
import { countDay } from '../../src/server/days.js';
import { historyOf, pruneBefore, stateAt } from '../../src/server/history.js';
import { createJob, readStoredJob } from '../../src/server/jobs.js';
import { Random } from '../generator/random.js';
import { temporaryFolder } from '../support/server.js';
import { jobNamed, saveWidth } from '../support/shop.js';

export interface Clocked {
  readonly shops: number;
  readonly saves: number;
  readonly pruned: number;
  readonly states: number;
  readonly copies: number;
}

const DAY = 86_400_000;

/**
 * Shops whose clock is set to any year between saves, starts, copies and prunings. Afterwards every save that is listed is
 * read as it was saved, in the order in which it was; the bin holds what was put there fewer than ninety days of use ago;
 * the newest copies are there.
 */
export async function setClocks(shops: number, seed = 4): Promise<Clocked> {
  const random = new Random(seed);
  let [saves, pruned, states, copies] = [0, 0, 0, 0];
  for (let shop = 0; shop < shops; shop += 1) {
    const data = temporaryFolder();
    const db = openDatabase(data);
    mock.timers.enable({ apis: ['Date'], now: Date.UTC(2026, random.whole(0, 11), 15) });
    try {
      const { id } = createJob(db, jobNamed('Clocked'));
      const { id: binned } = createJob(db, jobNamed('In the bin'));
      const widths = new Map<number, number>();
      let deletedAfter: number | undefined;
      let days = 0;
      for (let at = 0; at < 120; at += 1) {
        if (random.chance(0.25)) {
          // A day goes by, or somebody sets the clock to another year.
          const now = random.chance(0.6)
            ? Date.now() + DAY
            : Date.UTC(random.whole(1970, 2099), random.whole(0, 11), 3);
          mock.timers.setTime(Math.max(0, now));
          const before = days;
          days = countDay(db);
          assert.ok(days - before <= 1 || before === 0, `${days - before} days in one`);
        }
        const width = 300 + random.whole(0, 600);
        widths.set(saveWidth(db, id, width), width);
        saves += 1;
        if (random.chance(0.1))
          pruned += pruneBefore(db, id, widths.size + 1 - random.whole(5, 30), days - random.whole(0, 4));
        if (random.chance(0.08) && deletedAfter === undefined) {
          deleteJob(db, binned);
          deletedAfter = days;
        }
        emptyBin(db, days);
        if (random.chance(0.1) && (await backUpToday(db, data))) copies += 1;
      }
      const listed = historyOf(db, id, undefined, 10_000);
      for (const [at, { version, unreadable }] of listed.entries()) {
        assert.ok(!unreadable && (at === 0 || version < (listed[at - 1]?.version ?? 0)));
        const width = widths.get(version);
        if (width === undefined) continue;
        assert.equal(stateAt(db, id, version).cabinets[0]?.size.width, width, `shop ${shop}, version ${version}`);
        states += 1;
      }
      assert.equal(readStoredJob(db, id).document.cabinets[0]?.size.width, widths.get(121));
      if (deletedAfter !== undefined) {
        assert.equal(listBin(db).length, 1, `shop ${shop}: deleted on day ${deletedAfter} of ${days}`);
        restoreJob(db, binned);
        assert.equal(readStoredJob(db, binned).document.name, 'In the bin');
      }
      assert.equal(db.pragma('integrity_check', { simple: true }), 'ok');
      assert.deepEqual(db.pragma('foreign_key_check'), []);
      assert.ok(backupsIn(data).length <= 14);
    } finally {
      mock.timers.reset();
      db.close();
    }
    rmSync(data, { recursive: true });
  }
  return { shops, saves, pruned, states, copies };
}
