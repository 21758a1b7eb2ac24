import type { APIRoute } from 'astro';
import type { LengthStyle } from '../../../../core/ground/index.js';
import { exports } from '../../../../formats/exports/index.js';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer, onlyBy } from '../../../../server/answer.js';
import { figure } from '../../../../server/compute/pool.js';
import { database } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';
import { Refusal } from '../../../../server/refusal.js';

/** A job given out as one of its files; lengths in the job's unit or, where the file allows it, in `?unit=mm|in`. */
export const GET: APIRoute = (context) =>
  answer(context, async () => {
    const wanted = exports.find(({ id }) => id === context.params.file);
    if (!wanted)
      throw new Refusal(404, 'no-such-file', `A job is given out as ${exports.map(({ id }) => id).join(', ')}.`);
    const unit = wanted.inUnits ? context.url.searchParams.get('unit') : null;
    if (unit !== null && unit !== 'mm' && unit !== 'in')
      throw new Refusal(400, 'wrong-unit', 'The unit should be mm or in.', [
        { path: 'unit', message: 'This should be mm or in.' },
      ]);
    const { document } = readStoredJob(database(), context.params.id ?? '');
    const style: LengthStyle = unit ? { ...document.display, unit } : document.display;
    return new Response(await figure('write', { job: document, file: wanted.id, style }, context.request.signal), {
      headers: {
        'content-type': wanted.type,
        'cache-control': 'no-store',
        'content-disposition': `attachment; filename="${wanted.file(fileNameFor(document.name))}"`,
      },
    });
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
