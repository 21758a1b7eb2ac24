import type { IncomingMessage } from 'node:http';
import type { Caller } from './caller.js';
import { type HostSettings, nameIn } from './settings.js';

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
export function atTheDoor(request: IncomingMessage, caller: Caller, { names }: HostSettings): Refused | undefined {
  const { method = '', url = '', headers } = request;
  if (pathIn(url) === undefined) return { status: 400, code: 'address', message: 'This address cannot be read.' };
  const host = nameIn(caller.host);
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
    (origin !== undefined && origin !== `http://${caller.host}` && origin !== `https://${caller.host}`);
  return foreign
    ? { status: 403, code: 'wrong-origin', message: 'This request comes from another site and was refused.' }
    : undefined;
}

/**
 * The path of an address, with what is written in `%` read; undefined for one that cannot be read, leads above, or says in
 * other words what has plain ones: whoever looks at it afterwards sees what pages and endpoints see.
 */
export function pathIn(url: string): string | undefined {
  const raw = url.split(/[?#]/, 1)[0] as string;
  try {
    const path = decodeURIComponent(raw);
    decodeURIComponent(url.slice(raw.length).replaceAll('+', ' '));
    // biome-ignore lint/suspicious/noControlCharactersInRegex: they are what is looked for
    if (!path.startsWith('/') || path.includes('//') || /[\u0000-\u001f\u007f\\]/.test(path)) return undefined;
    const steps = path.split('/');
    // A slash within a step would be one step here and two there.
    return steps.length === raw.split('/').length && !steps.includes('..') && !steps.includes('.') ? path : undefined;
  } catch {
    return undefined;
  }
}
