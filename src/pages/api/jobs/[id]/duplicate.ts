import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { figureSoon } from '../../../../server/compute/background.js';
import { database, written } from '../../../../server/database.js';
import { duplicateJob } from '../../../../server/jobs.js';

export const POST: APIRoute = (context) =>
  answer(
    context,
    () => {
      const { id, version } = written((db) => duplicateJob(db, context.params.id ?? ''));
      figureSoon(database());
      return { id, version };
    },
    201,
  );

export const ALL = onlyBy('POST');
