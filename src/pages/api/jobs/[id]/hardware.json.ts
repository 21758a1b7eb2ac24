import type { APIRoute } from 'astro';
import { writeHardware } from '../../../../core/document/index.js';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';

/** The hardware library of a job as an open file, the same bytes for the same library. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const { document } = readStoredJob(database(), context.params.id ?? '');
    return new Response(writeHardware(document.hardware), {
      headers: {
        'content-type': 'application/json; charset=utf-8',
        'content-disposition': `attachment; filename="${fileNameFor(`${document.name} hardware`)}.alcove-hardware.json"`,
      },
    });
  });
