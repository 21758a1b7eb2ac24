import type { APIRoute } from 'astro';
import { answer, onlyBy, readBody } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { deleteJob, readStoredJob } from '../../../../server/jobs.js';
import { changeSchema, saveChange } from '../../../../server/save.js';

const idOf = (params: Record<string, string | undefined>) => params.id ?? '';

export const GET: APIRoute = (context) => answer(context, () => readStoredJob(database(), idOf(context.params)));

/** Saves a change to the version it names; 409 with the present state when that is no longer the latest. */
export const PATCH: APIRoute = (context) =>
  answer(context, async () =>
    saveChange(database(), idOf(context.params), await readBody(context.request, changeSchema)),
  );

export const DELETE: APIRoute = (context) => answer(context, () => deleteJob(database(), idOf(context.params)));

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'PATCH', 'DELETE');
