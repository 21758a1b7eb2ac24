import type { APIRoute } from 'astro';
import { answer, onlyBy, readText } from '../../../server/answer.js';
import { database, written } from '../../../server/database.js';
import { figureSoon } from '../../../server/figuring/background.js';
import { figure } from '../../../server/figuring/pool.js';
import { createJob } from '../../../server/jobs.js';
import { invalid } from '../../../server/refusal.js';

/** Reads a job file and stores it as a new job. */
export const POST: APIRoute = (context) =>
  answer(
    context,
    async () => {
      const text = await readText(context.request);
      const read = await figure('read', { text }, context.request.signal);
      if (!read.ok) throw invalid(read.errors);
      const { id, version } = written((db) => createJob(db, read.value, 'imported'));
      figureSoon(database());
      return { id, version };
    },
    201,
  );

export const ALL = onlyBy('POST');
