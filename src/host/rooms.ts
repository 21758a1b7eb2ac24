import type { IncomingMessage, ServerResponse } from 'node:http';
import type { Access } from './access.js';
import { type BodyAllowance, LARGEST_CODE, receive } from './body.js';
import type { Caller } from './caller.js';
import { pathIn, type Refused } from './door.js';

/** What a request comes with to the rooms at the door. */
export interface AtTheDoor {
  readonly request: IncomingMessage;
  readonly response: ServerResponse;
  readonly caller: Caller;
  readonly path: string;
}

/** Answers with another address. */
function lead({ response }: AtTheDoor, location: string, more: Record<string, string | readonly string[]> = {}): void {
  response.writeHead(303, { location, ...(more as Record<string, string>) });
  response.end();
}

/** Somebody who has not come in is led to the door; a program is told in JSON. */
export function askForCode(door: AtTheDoor): Refused | undefined {
  const { path, request } = door;
  if (path.startsWith('/api/'))
    return { status: 401, code: 'no-access', message: 'This Alcove wants its access code: open /enter.' };
  const to = request.url ?? '/';
  lead(door, to === '/' ? '/enter' : `/enter?to=${encodeURIComponent(to)}`);
  return undefined;
}

/** Takes a code that was given, and leads on to where its giver wanted to go. */
export async function enter(door: AtTheDoor, access: Access, room: BodyAllowance): Promise<Refused | undefined> {
  const { request, response, caller } = door;
  const form = await formOf(request, response, room);
  if (form === undefined || 'refused' in form) return form?.refused;
  const to = ownPath(form.fields.get('to'));
  const { cookie, 'user-agent': browser } = request.headers;
  const entered = await access.enter((form.fields.get('code') ?? '').slice(0, 200), caller, { cookie, browser });
  const again = to === '/' ? '' : `&to=${encodeURIComponent(to)}`;
  if (entered === 'wrong') lead(door, `/enter?wrong=1${again}`);
  else if ('wait' in entered)
    lead(door, `/enter?wait=${entered.wait}${again}`, { 'retry-after': String(entered.wait) });
  else lead(door, to, { 'set-cookie': entered.cookies });
  return undefined;
}

/** Leaves, or ends what others have open: `end` is a session, `others`, or `own`. */
export async function end(
  door: AtTheDoor,
  access: Access,
  own: string,
  room: BodyAllowance,
): Promise<Refused | undefined> {
  const form = await formOf(door.request, door.response, room);
  if (form === undefined || 'refused' in form) return form?.refused;
  const wanted = form.fields.get('end') ?? 'own';
  const ids = access.all().map(({ id }) => id);
  if (wanted === 'others') access.end(ids.filter((id) => id !== own));
  else access.end([wanted === 'own' ? own : wanted]);
  if (wanted !== 'own' && wanted !== own) lead(door, '/access');
  else lead(door, '/enter?left=1', { 'set-cookie': access.leave(door.caller.encrypted) });
  return undefined;
}

async function formOf(request: IncomingMessage, response: ServerResponse, room: BodyAllowance) {
  const body = await receive(request, response, room, LARGEST_CODE);
  if (body === undefined || 'refused' in body) return body;
  return { fields: new URLSearchParams(body.bytes.toString('utf8')) };
}

/** Only pages of this app are led to. */
function ownPath(to: string | null): string {
  if (!to || to.length > 1000) return '/';
  const path = pathIn(to);
  return path && !path.startsWith('/api/') && !/^\/(enter|leave)\b/.test(path) ? to : '/';
}
