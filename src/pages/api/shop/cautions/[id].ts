import type { APIRoute } from 'astro';
import * as z from 'zod/mini';
import { answer, onlyBy, readBody } from '../../../../server/answer.js';
import { written } from '../../../../server/database.js';
import { setDismissed } from '../../../../server/shop.js';

const request = z.strictObject({ dismissed: z.boolean() });

/** Dismisses a caution for the shop, or lets it stand again. */
export const PUT: APIRoute = (context) =>
  answer(context, async () => {
    const { dismissed } = await readBody(context.request, request);
    return { dismissed: written((db) => setDismissed(db, context.params.id ?? '', dismissed)) };
  });

export const ALL = onlyBy('PUT');
