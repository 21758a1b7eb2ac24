import { hostname, networkInterfaces } from 'node:os';

/** Where the server listens, and by which names it may be called. */
export interface HostSettings {
  readonly host: string;
  readonly port: number;
  /** True when other machines can reach it: then everybody needs the access code. */
  readonly open: boolean;
  readonly names: ReadonlySet<string>;
}

const LOOPBACK = ['localhost', '127.0.0.1', '::1'];
const FIRST_PORT = 4417;

/** Thrown for a setting that cannot be meant, in one sentence. */
export class SettingError extends Error {}

/** Reads HOST, PORT and ALCOVE_NAMES. Without HOST, also an empty one, only this machine reaches the server. */
export function hostSettings(env: NodeJS.ProcessEnv): HostSettings {
  const host = env.HOST?.trim() || '127.0.0.1';
  const port = Number(env.PORT?.trim() || FIRST_PORT);
  if (!Number.isInteger(port) || port < 0 || port > 65_535)
    throw new SettingError(`PORT should be a whole number from 1 to 65535; it is "${env.PORT}".`);
  const open = !(LOOPBACK.includes(host) || /^127(\.\d{1,3}){3}$/.test(host));
  const own = open ? namesOfThisMachine() : [];
  const more = (env.ALCOVE_NAMES ?? '').split(',').map((name) => name.trim().toLowerCase());
  return { host, port, open, names: new Set([...LOOPBACK, host, ...own, ...more].filter(Boolean)) };
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
