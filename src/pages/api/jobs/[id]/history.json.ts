import type { APIRoute } from 'astro';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { wholeHistory } from '../../../../server/history.js';
import { readStoredJob } from '../../../../server/jobs.js';

/** A job with all that was saved of it, as far as it is kept: the states written down whole, and every save. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const { id, version, document } = readStoredJob(database(), context.params.id ?? '');
    const history = {
      format: 'alcove-history',
      version: 1,
      job: document,
      at: version,
      ...wholeHistory(database(), id),
    };
    return new Response(`${JSON.stringify(history, null, 1)}\n`, {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${fileNameFor(document.name)}.history.json"`,
      },
    });
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
