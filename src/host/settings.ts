import { existsSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { resolve } from 'node:path';

/** Where the server listens, by which names it may be called, and over what. */
export interface HostSettings {
  readonly host: string;
  readonly port: number;
  /** True when other machines can reach it: then everybody needs the access code. */
  readonly open: boolean;
  readonly names: ReadonlySet<string>;
  /** Files with the certificate and its key; without them it is plain http. */
  readonly certificate: Certificate | undefined;
  /** A port where plain http is answered by the address that begins with https; none unless it is set. */
  readonly redirectFrom: number | undefined;
  /** Addresses whose word is taken for who asks and how it came in (`X-Forwarded-…`). */
  readonly proxies: ReadonlySet<string>;
}

export interface Certificate {
  readonly cert: string;
  readonly key: string;
}

const LOOPBACK = ['localhost', '127.0.0.1', '::1'];
const FIRST_PORT = 4417;

/** Thrown for a setting that cannot be meant, in one sentence. */
export class SettingError extends Error {}

/** True for an address or name by which a machine means itself. */
export const isLoopback = (host: string) => LOOPBACK.includes(host) || /^127(\.\d{1,3}){3}$/.test(host);

/** Reads the settings from the environment. Without HOST, also an empty one, only this machine reaches the server. */
export function hostSettings(env: NodeJS.ProcessEnv): HostSettings {
  const host = env.HOST?.trim() || '127.0.0.1';
  const open = !isLoopback(host);
  const own = open ? namesOfThisMachine() : [];
  const certificate = certificateIn(env);
  const redirectFrom = env.ALCOVE_REDIRECT?.trim() ? portIn('ALCOVE_REDIRECT', env.ALCOVE_REDIRECT) : undefined;
  if (redirectFrom !== undefined && !certificate)
    throw new SettingError('ALCOVE_REDIRECT leads plain http to https, which wants ALCOVE_CERT and ALCOVE_KEY.');
  return {
    host,
    port: portIn('PORT', env.PORT?.trim() || String(FIRST_PORT)),
    open,
    names: new Set([...LOOPBACK, host, ...own, ...listIn(env.ALCOVE_NAMES)]),
    certificate,
    redirectFrom,
    proxies: new Set(listIn(env.ALCOVE_PROXIES)),
  };
}

const listIn = (text: string | undefined) =>
  (text ?? '')
    .split(',')
    .map((each) => each.trim().toLowerCase())
    .filter(Boolean);

function portIn(name: string, text: string): number {
  const port = Number(text);
  if (Number.isInteger(port) && port >= 0 && port <= 65_535) return port;
  throw new SettingError(`${name} should be a whole number from 1 to 65535; it is "${text}".`);
}

function certificateIn({ ALCOVE_CERT: cert, ALCOVE_KEY: key }: NodeJS.ProcessEnv): Certificate | undefined {
  if (!cert?.trim() && !key?.trim()) return undefined;
  if (!cert?.trim() || !key?.trim())
    throw new SettingError('ALCOVE_CERT and ALCOVE_KEY name the files of a certificate and its key: both are wanted.');
  for (const [name, file] of [
    ['ALCOVE_CERT', cert],
    ['ALCOVE_KEY', key],
  ] as const)
    if (!existsSync(file)) throw new SettingError(`${name} names ${resolve(file)}, and there is no such file.`);
  return { cert: resolve(cert), key: resolve(key) };
}

/** Addresses and the name of this machine: a page of another site cannot go by these. */
function namesOfThisMachine(): string[] {
  const addresses = Object.values(networkInterfaces()).flatMap((each) => (each ?? []).map(({ address }) => address));
  const name = hostname().toLowerCase();
  return [...addresses, name, `${name}.local`];
}

/** The name a request asks for, without its port: `[::1]:4417` is `::1`. */
export function nameIn(hostHeader: string): string | undefined {
  const match = /^(?:\[([0-9a-fA-F:.]+)\]|([^:[\]@/\\?#\s]+))(?::(\d{1,5}))?$/.exec(hostHeader);
  return (match?.[1] ?? match?.[2])?.toLowerCase();
}
