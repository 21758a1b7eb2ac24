import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import {
  between,
  countedIds,
  houseSetFor,
  nameField,
  newCabinet,
  type StartingPoint,
  startingPoints,
} from '../../../core/decisions/index.js';
import { newJob } from '../../../core/solve/index.js';
import { answer, onlyBy, readBody } from '../../../server/answer.js';
import { figureSoon } from '../../../server/compute/background.js';
import { database, written } from '../../../server/database.js';
import { createJob } from '../../../server/jobs.js';
import { shopNow } from '../../../server/list.js';

export const GET: APIRoute = (context) => answer(context, () => shopNow(database()));

const newJobRequest = z.strictObject({
  name: nameField(120),
  unit: z.enum(['mm', 'in']),
  cabinet: z.strictObject({
    from: z.enum(Object.keys(startingPoints) as [StartingPoint]),
    width: between(50, 6000),
    height: between(50, 4000),
    depth: between(50, 2000),
  }),
});

/** Begins a job with one cabinet drawn from the house standards. */
export const POST: APIRoute = (context) =>
  answer(
    context,
    async () => {
      const { name, unit, cabinet: wanted } = await readBody(context.request, newJobRequest);
      const job = newJob(name, houseSetFor(unit));
      const cabinet = newCabinet(job, wanted.from, countedIds());
      cabinet.size = { width: wanted.width, height: { from: 'overall', mm: wanted.height }, depth: wanted.depth };
      job.cabinets.push(cabinet);
      const { id, version } = written((db) => createJob(db, job));
      figureSoon(database());
      return { id, version };
    },
    201,
  );

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'POST');
