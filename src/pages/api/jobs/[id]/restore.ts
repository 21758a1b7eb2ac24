import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { restoreJob } from '../../../../server/jobs.js';

export const POST: APIRoute = (context) => answer(context, () => restoreJob(database(), context.params.id ?? ''));

export const ALL = onlyBy('POST');
