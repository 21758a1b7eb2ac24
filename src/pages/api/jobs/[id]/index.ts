import type { APIRoute } from 'astro';
import { answer, onlyBy, readLargeBody } from '../../../../server/answer.js';
import { deleteJob } from '../../../../server/bin.js';
import { figureSoon, pruneSoon } from '../../../../server/compute/background.js';
import { bringForward, isBehind } from '../../../../server/corrections.js';
import { database, written } from '../../../../server/database.js';
import { tellSaved } from '../../../../server/events.js';
import { readStoredJob } from '../../../../server/jobs.js';
import { PROGRAM } from '../../../../server/program.js';
import { saveEdits } from '../../../../server/save.js';

const idOf = (params: Record<string, string | undefined>) => params.id ?? '';

export const GET: APIRoute = (context) => answer(context, () => readStoredJob(database(), idOf(context.params)));

/** Saves edits to the version they name; 409 with the present state when that is no longer the latest. */
export const PATCH: APIRoute = (context) =>
  answer(context, async () => {
    const id = idOf(context.params);
    const save = await readLargeBody(context.request, 'save');
    // What it came to by earlier rules is kept before it changes.
    if (isBehind(database(), id)) await bringForward(database(), id, readStoredJob(database(), id).document);
    const saved = written((db) => saveEdits(db, id, save));
    tellSaved(id, saved.version);
    figureSoon(database());
    pruneSoon(id, saved.version);
    return { ...saved, program: PROGRAM };
  });

export const DELETE: APIRoute = (context) =>
  answer(context, () => written((db) => deleteJob(db, idOf(context.params))));

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD', 'PATCH', 'DELETE');
