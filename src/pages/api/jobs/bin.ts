import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../server/answer.js';
import { listBin } from '../../../server/bin.js';
import { database } from '../../../server/database.js';

/** Jobs that were deleted and can be brought back. */
export const GET: APIRoute = (context) => answer(context, () => ({ jobs: listBin(database()) }));

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
