import type { APIRoute } from 'astro';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer, jsonText, onlyBy } from '../../../../server/answer.js';
import { figure } from '../../../../server/compute/pool.js';
import { database, databaseFile } from '../../../../server/database.js';
import { jobRow } from '../../../../server/jobs.js';

/** A job with all that was saved of it, as far as it is kept: the states written down whole, and every save. */
export const GET: APIRoute = (context) =>
  answer(context, async () => {
    const { id, name } = jobRow(database(), context.params.id ?? '');
    return jsonText(await figure('history', { file: databaseFile(), id }, context.request.signal), {
      'content-disposition': `attachment; filename="${fileNameFor(name)}.history.json"`,
    });
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
