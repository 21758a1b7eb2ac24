import type { APIRoute } from 'astro';
import { answer, onlyBy, readLargeBody } from '../../../../server/answer.js';
import { figure } from '../../../../server/compute/pool.js';
import { database, written } from '../../../../server/database.js';
import { invalid, Refusal } from '../../../../server/refusal.js';
import { keepStart, listStarts } from '../../../../server/starts.js';

/** Cabinets the shop starts others from. */
export const GET: APIRoute = (context) => answer(context, () => ({ starts: listStarts(database()) }));

/** Keeps a cabinet as a start. */
export const POST: APIRoute = (context) =>
  answer(
    context,
    async () => {
      const { name, document } = await readLargeBody(context.request, 'start');
      // Whatever a file may hold is read away from the thread that serves.
      const read = await figure('read', { text: JSON.stringify(document ?? null) }, context.request.signal);
      if (!read.ok) throw invalid(read.errors);
      const [cabinet, more] = read.value.cabinets;
      if (!cabinet || more)
        throw new Refusal(422, 'one-cabinet', 'A start is one cabinet; a job with one was expected.');
      const [figured] = await figure('figure', { job: read.value, ids: [cabinet.id] }, context.request.signal);
      if (!figured) throw new Refusal(422, 'one-cabinet', 'This cabinet could not be figured.');
      return written((db) => keepStart(db, name, read.value, figured.summary));
    },
    201,
  );

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'POST');
