import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { figure } from '../../../../server/compute/pool.js';
import { database, written } from '../../../../server/database.js';
import { removeStart, startText, unreadable } from '../../../../server/starts.js';

export const GET: APIRoute = (context) =>
  answer(context, async () => {
    const text = startText(database(), context.params.id ?? '');
    const read = await figure('read', { text }, context.request.signal);
    if (!read.ok) throw unreadable(read.errors[0]?.message);
    return { document: read.value };
  });

/** Takes a start away; cabinets begun from it stay as they are. */
export const DELETE: APIRoute = (context) =>
  answer(context, () => {
    written((db) => removeStart(db, context.params.id ?? ''));
    return {};
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'DELETE');
