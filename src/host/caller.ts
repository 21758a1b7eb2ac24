import type { IncomingMessage } from 'node:http';
import type { TLSSocket } from 'node:tls';
import { type HostSettings, isLoopback, nameIn } from './settings.js';

/** Who asks, by what name, and over what: as it came in, or as a proxy that is trusted says. */
export interface Caller {
  readonly address: string;
  /** The `Host` as it was asked for, with its port. */
  readonly host: string;
  readonly encrypted: boolean;
  /** True where a browser takes the page for safe from others on the way: encrypted, or never off this machine. */
  readonly trustworthy: boolean;
}

/** An address of version 4 that came in by version 6 is the same address. */
const plainAddress = (address: string) => address.toLowerCase().replace(/^::ffff:(?=\d+\.)/, '');

/**
 * Reads who asks. What a request says of where it was forwarded from counts only where the address it came from is one of
 * the proxies in the settings, and is taken out of it otherwise, so that nobody behind believes it.
 */
export function callerOf(request: IncomingMessage, { proxies }: HostSettings): Caller {
  const { headers, socket } = request;
  const from = plainAddress(socket.remoteAddress ?? '');
  const trusted = proxies.has(from);
  // A proxy adds whoever it heard from at the end.
  const address = trusted ? (lastIn(headers['x-forwarded-for']) ?? from) : from;
  const proto = trusted ? lastIn(headers['x-forwarded-proto']) : undefined;
  const host = (trusted ? lastIn(headers['x-forwarded-host']) : undefined) ?? headers.host ?? '';
  const encrypted = proto ? proto === 'https' : (socket as Partial<TLSSocket>).encrypted === true;
  for (const name of Object.keys(headers)) if (/^(x-forwarded-|forwarded$)/.test(name)) delete headers[name];
  const name = nameIn(host) ?? '';
  return { address, host, encrypted, trustworthy: encrypted || isLoopback(name) };
}

function lastIn(value: string | string[] | undefined): string | undefined {
  const all = (Array.isArray(value) ? value.join(',') : (value ?? '')).split(',').map((each) => each.trim());
  return all.at(-1) || undefined;
}
