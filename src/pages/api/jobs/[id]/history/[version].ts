import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../../server/answer.js';
import { database } from '../../../../../server/database.js';
import { stateAt } from '../../../../../server/history.js';
import { jobRow } from '../../../../../server/jobs.js';
import { Refusal } from '../../../../../server/refusal.js';

/** A job as it stood after one of its saves. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const { id } = jobRow(database(), context.params.id ?? '');
    const version = context.params.version ?? '';
    if (!/^\d{1,12}$/.test(version)) throw new Refusal(400, 'version', 'The number of a version was expected.');
    return { version: Number(version), document: stateAt(database(), id, Number(version)) };
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
