import type { APIRoute } from 'astro';
import { answer } from '../../../../server/answer.js';
import { database } from '../../../../server/database.js';
import { dismissedCautions } from '../../../../server/shop.js';

export const GET: APIRoute = (context) => answer(context, () => ({ dismissed: dismissedCautions(database()) }));
