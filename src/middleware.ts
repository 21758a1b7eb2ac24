import { defineMiddleware } from 'astro:middleware';
import { json } from './server/answer.js';

const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
const LOOPBACK = /^(localhost|127(\.\d+){3}|\[::1\])(:\d+)?$/;

/** True when the server was told to listen beyond this machine. */
const openToNetwork = !/^(127\.|localhost$|::1$|$)/.test(process.env.HOST ?? '');

const refuse = (code: string, message: string) => json({ error: { code, message, fields: [] } }, 403);

/**
 * The app serves one machine. A write from a page of another origin is refused, and so is a host name that is not this
 * machine's, so that no web page the maker happens to visit can reach in. The Host header is what the browser really
 * asked for; the adapter's idea of the address may differ.
 */
export const onRequest = defineMiddleware(async ({ request }, next) => {
  const host = request.headers.get('host') ?? '';
  if (!openToNetwork && !LOOPBACK.test(host)) return refuse('wrong-host', 'This Alcove answers only on this machine.');
  const origin = request.headers.get('origin');
  if (!READING.has(request.method) && origin !== null && hostOf(origin) !== host)
    return refuse('wrong-origin', 'This request comes from another site and was refused.');
  const response = await next();
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  return response;
});

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host : undefined;
}
