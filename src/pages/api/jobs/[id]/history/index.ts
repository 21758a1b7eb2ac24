import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../../server/answer.js';
import { database } from '../../../../../server/database.js';
import { historyOf } from '../../../../../server/history.js';
import { jobRow } from '../../../../../server/jobs.js';
import { Refusal } from '../../../../../server/refusal.js';

/** What was saved of a job and when, the latest first, a hundred at a time; `?before=VERSION` goes on. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const before = context.url.searchParams.get('before');
    if (before !== null && !/^\d{1,12}$/.test(before))
      throw new Refusal(400, 'before', '"before" should be the number of a version.');
    const { id, version } = jobRow(database(), context.params.id ?? '');
    return { version, saved: historyOf(database(), id, before === null ? undefined : Number(before)) };
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
