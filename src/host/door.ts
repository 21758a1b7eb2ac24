import type { IncomingMessage } from 'node:http';
import type { HostSettings } from './settings.js';
import { nameIn } from './settings.js';

/** Why a request is turned away at the door: a status, a word for programs, a sentence for people. */
export interface Refused {
  readonly status: number;
  readonly code: string;
  readonly message: string;
  readonly headers?: Readonly<Record<string, string>>;
}

const METHODS = ['GET', 'HEAD', 'POST', 'PUT', 'PATCH', 'DELETE', 'OPTIONS'];
const READING = new Set(['GET', 'HEAD', 'OPTIONS']);
/** What this browser says of where a request comes from: the page itself, or typed by the maker. */
const OWN_SITE = new Set(['same-origin', 'none']);

/**
 * Looks at a request before anything is done for it: its address, its method, the host name it asks for, and for every
 * write where it comes from, so that no page of another site can reach in.
 */
export function atTheDoor(request: IncomingMessage, { names }: HostSettings): Refused | undefined {
  const { method = '', url = '', headers } = request;
  if (!isAddress(url)) return { status: 400, code: 'address', message: 'This address cannot be read.' };
  const host = nameIn(headers.host ?? '');
  if (host === undefined || !names.has(host))
    return {
      status: 403,
      code: 'wrong-host',
      message: 'This Alcove does not answer to that name; ALCOVE_NAMES lists the names it has.',
    };
  if (!METHODS.includes(method))
    return {
      status: 405,
      code: 'method',
      message: `Nothing here answers to ${method.slice(0, 20)}.`,
      headers: { allow: METHODS.join(', ') },
    };
  if (READING.has(method)) return undefined;
  const site = headers['sec-fetch-site'];
  const { origin } = headers;
  const foreign =
    (typeof site === 'string' && !OWN_SITE.has(site)) ||
    (origin !== undefined && origin !== `http://${headers.host}` && origin !== `https://${headers.host}`);
  return foreign
    ? { status: 403, code: 'wrong-origin', message: 'This request comes from another site and was refused.' }
    : undefined;
}

/** True for a path that can be read, and that leads nowhere above. */
export function isAddress(url: string): boolean {
  if (!url.startsWith('/') || url.startsWith('//')) return false;
  const path = url.split(/[?#]/, 1)[0] as string;
  try {
    const decoded = decodeURIComponent(path);
    decodeURIComponent(url.slice(path.length).replaceAll('+', ' '));
    // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
    return !/[\u0000-\u001f\u007f\\]/.test(decoded) && !decoded.split('/').includes('..');
  } catch {
    return false;
  }
}
