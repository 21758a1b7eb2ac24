import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import { answer, onlyBy, readBody } from '../../../../server/answer.js';
import { correctedJob, correctionsSeen } from '../../../../server/corrections.js';
import { database, written } from '../../../../server/database.js';
import { readStoredJob } from '../../../../server/jobs.js';

const request = z.strictObject({ seen: z.literal(true) });

/** What corrected rules changed in a stored job. */
export const GET: APIRoute = (context) =>
  answer(context, () => correctedJob(database(), readStoredJob(database(), context.params.id ?? '')));

/** Somebody has looked at it. */
export const PUT: APIRoute = (context) =>
  answer(context, async () => {
    await readBody(context.request, request);
    written((db) => correctionsSeen(db, readStoredJob(db, context.params.id ?? '').id));
    return { seen: true };
  });

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'PUT');
