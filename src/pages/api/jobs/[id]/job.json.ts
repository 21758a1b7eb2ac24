import type { APIRoute } from 'astro';
import { writeJob } from '../../../../core/document/index.js';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';

/** The job as an open file, the same bytes for the same job. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const { document } = readStoredJob(database(), context.params.id ?? '');
    return new Response(writeJob(document), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${fileNameFor(document.name)}.alcove.json"`,
      },
    });
  });
