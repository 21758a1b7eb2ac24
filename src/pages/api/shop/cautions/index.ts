import type { APIRoute } from 'astro';
import { answer, onlyBy } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { dismissedCautions } from '../../../../server/shop.js';

export const GET: APIRoute = (context) => answer(context, () => ({ dismissed: dismissedCautions(database()) }));

export const HEAD: APIRoute = (context) => GET(context);
export const ALL = onlyBy('GET', 'HEAD');
