import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { duplicateJob } from '../../../../server/jobs.js';

export const POST: APIRoute = (context) =>
  answer(
    context,
    () => {
      const { id, version } = duplicateJob(database(), context.params.id ?? '');
      return { id, version };
    },
    201,
  );

export const ALL = onlyBy('POST');
