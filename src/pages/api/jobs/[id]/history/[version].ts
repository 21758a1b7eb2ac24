import type { APIRoute } from 'astro';
import { answer, jsonText, onlyBy } from '../../../../../server/answer.js';
import { figure } from '../../../../../server/compute/pool.js';
import { database, databaseFile } from '../../../../../server/database.js';
import { jobRow } from '../../../../../server/jobs.js';
import { Refusal } from '../../../../../server/refusal.js';

/** A job as it stood after one of its saves. */
export const GET: APIRoute = (context) =>
  answer(context, async () => {
    const { id } = jobRow(database(), context.params.id ?? '');
    const version = context.params.version ?? '';
    if (!/^\d{1,12}$/.test(version)) throw new Refusal(400, 'version', 'The number of a version was expected.');
    const asked = { file: databaseFile(), id, version: Number(version) };
    return jsonText(await figure('state', asked, context.request.signal));
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
