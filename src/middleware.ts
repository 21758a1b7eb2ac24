import { defineMiddleware } from 'astro:middleware';
import { HEADERS, policyWith } from './host/headers.js';

/**
 * The policy of a page, from the hashes the build gave its scripts. Who may come in is decided before, by the host
 * (src/host).
 */
export const onRequest = defineMiddleware(async (_context, next) => {
  const response = await next();
  const built = response.headers.get('content-security-policy') ?? '';
  const scripts = built.split(';').find((each) => each.trim().startsWith('script-src')) ?? '';
  response.headers.set('content-security-policy', policyWith(scripts.match(/'sha\d+-[^']+'/g) ?? []));
  for (const [name, value] of Object.entries(HEADERS)) response.headers.set(name, value);
  // What a page shows is the shop's: no copy of it stays in a browser, or on the way.
  if (!response.headers.has('cache-control')) response.headers.set('cache-control', 'no-store');
  return response;
});
