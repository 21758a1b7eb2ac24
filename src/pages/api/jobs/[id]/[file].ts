import type { APIRoute } from 'astro';
import type { LengthStyle } from '../../../../core/ground/index.js';
import { exports } from '../../../../formats/exports/index.js';
import { fileNameFor } from '../../../../formats/filename.js';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';
import { Refusal } from '../../../../server/refusal.js';
import { writeFile } from '../../../../server/writing.js';

/** An id that whoever waits chooses, to ask under it how far the file is. */
const WRITING = /^[a-zA-Z0-9-]{8,60}$/;

/**
 * A job given out as one of its files; lengths in the job's unit or, where the file allows it, in `?unit=mm|in`. With
 * `?writing=ID` the address `/api/writing/ID` says meanwhile how far it is.
 */
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
    const writing = context.url.searchParams.get('writing');
    if (writing !== null && !WRITING.test(writing))
      throw new Refusal(400, 'wrong-id', 'An id of 8 to 60 letters, digits and hyphens was expected.', [
        { path: 'writing', message: 'This should be 8 to 60 letters, digits and hyphens.' },
      ]);
    const { document } = readStoredJob(database(), context.params.id ?? '');
    const style: LengthStyle = unit ? { ...document.display, unit } : document.display;
    const asked = { job: document, file: wanted.id, style };
    const bytes = await writeFile(asked, writing, context.request.signal);
    return new Response(bytes, {
      headers: {
        'content-length': String(bytes.length),
        'content-type': wanted.type,
        'cache-control': 'no-store',
        'content-disposition': `attachment; filename="${wanted.file(fileNameFor(document.name))}"`,
      },
    });
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
