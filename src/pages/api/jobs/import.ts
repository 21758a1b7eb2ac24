import type { APIRoute } from 'astro';
import { answer, onlyBy, readBytes } from '../../../server/answer.js';
import { figureSoon } from '../../../server/compute/background.js';
import { figure } from '../../../server/compute/pool.js';
import { database, writtenElsewhere } from '../../../server/database.js';

/** Reads a job file and stores it as a new job, on another thread. */
export const POST: APIRoute = (context) =>
  answer(
    context,
    async () => {
      const bytes = await readBytes(context.request);
      const stored = await writtenElsewhere((file) => figure('take', { file, bytes }, context.request.signal));
      figureSoon(database());
      return stored;
    },
    201,
  );

export const ALL = onlyBy('POST');
