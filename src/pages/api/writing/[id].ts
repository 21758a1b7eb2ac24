import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../server/answer.js';
import { Refusal } from '../../../server/refusal.js';
import { writingOf } from '../../../server/writing.js';

/** How far a file is that is being written, by the id it was asked under. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const writing = writingOf(context.params.id ?? '');
    if (!writing) throw new Refusal(404, 'nothing-written', 'No file is being written under this id.');
    return writing;
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
