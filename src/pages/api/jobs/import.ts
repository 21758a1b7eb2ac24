import type { APIRoute } from 'astro';
import { readJobText } from '../../../core/document/index.js';
import { answer, onlyBy, readText } from '../../../server/answer.js';
import { database } from '../../../server/database.js';
import { createJob } from '../../../server/jobs.js';
import { invalid } from '../../../server/refusal.js';

/** Reads a job file and stores it as a new job. */
export const POST: APIRoute = (context) =>
  answer(
    context,
    async () => {
      const read = readJobText(await readText(context.request));
      if (!read.ok) throw invalid(read.errors);
      const { id, version } = createJob(database(), read.value, 'imported');
      return { id, version };
    },
    201,
  );

export const ALL = onlyBy('POST');
