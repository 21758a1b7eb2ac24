import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { written } from '../../../../server/database.js';
import { restoreJob } from '../../../../server/jobs.js';

export const POST: APIRoute = (context) =>
  answer(context, () => written((db) => restoreJob(db, context.params.id ?? '')));

export const ALL = onlyBy('POST');
