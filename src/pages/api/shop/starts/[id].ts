import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database, written } from '../../../../server/database.js';
import { readStart, removeStart } from '../../../../server/starts.js';

export const GET: APIRoute = (context) =>
  answer(context, () => ({ document: readStart(database(), context.params.id ?? '') }));

/** Takes a start away; cabinets begun from it stay as they are. */
export const DELETE: APIRoute = (context) =>
  answer(context, () => {
    written((db) => removeStart(db, context.params.id ?? ''));
    return {};
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'DELETE');
