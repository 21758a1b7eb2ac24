import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { eventsOf } from '../../../../server/events.js';
import { epochOf, jobRow } from '../../../../server/jobs.js';

/** Says each save of a job when it happens. */
export const GET: APIRoute = (context) =>
  answer(context, () => {
    const { id, version } = jobRow(database(), context.params.id ?? '');
    return eventsOf(id, version, epochOf(database()), context.request.signal);
  });

export const ALL = onlyBy('GET');
