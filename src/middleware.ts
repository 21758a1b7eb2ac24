import { defineMiddleware } from 'astro:middleware';
import { json } from './server/answer.js';

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * The app serves one machine. A write from a page of another origin is refused, and so is a host name that is not this
 * machine's, so that no web page the maker happens to visit can reach in.
 */
export const onRequest = defineMiddleware(async ({ request, url }, next) => {
  const host = url.hostname.replace(/^\[|\]$/g, '');
  const loopback = host === 'localhost' || host === '::1' || /^127\./.test(host);
  const open = process.env.HOST !== undefined && !/^(127\.|localhost$|::1$)/.test(process.env.HOST);
  if (!loopback && !open)
    return json(
      { error: { code: 'wrong-host', message: 'This Alcove answers only on this machine.', fields: [] } },
      403,
    );
  if (!READING.has(request.method)) {
    const origin = request.headers.get('origin');
    if (origin !== null && origin !== url.origin)
      return json(
        {
          error: { code: 'wrong-origin', message: 'This request comes from another site and was refused.', fields: [] },
        },
        403,
      );
  }
  const response = await next();
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  return response;
});
