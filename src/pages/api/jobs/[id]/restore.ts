import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { restoreJob } from '../../../../server/bin.js';
import { written } from '../../../../server/database.js';
import { tellSaved } from '../../../../server/events.js';

/** Takes a job out of the bin; windows that still have it open save it again. */
export const POST: APIRoute = (context) =>
  answer(context, () => {
    const id = context.params.id ?? '';
    const { version } = written((db) => restoreJob(db, id));
    tellSaved(id, version);
    return { id, version };
  });

export const ALL = onlyBy('POST');
