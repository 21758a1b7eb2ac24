import { createHmac, randomBytes, randomInt, scryptSync, timingSafeEqual } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** The access code as it is kept: hashed, with the secret that signs who has come in. */
interface Kept {
  readonly salt: string;
  readonly hash: string;
  readonly secret: string;
}

/** Letters and digits that are not taken for one another when read aloud. */
const ALPHABET = 'abcdefghjkmnpqrstuvwxyz23456789';
const GROUPS = 3;
const LETTERS = 4;
/** Who has come in stays so long (s). */
const STAYS = 30 * 86_400;
/** So many wrong codes from one address in so long (ms), and so many from all. */
const TRIES = 10;
const ALL_TRIES = 100;
const WITHIN = 10 * 60_000;

const COOKIE = 'alcove-access';

const fileIn = (data: string) => join(data, 'access.json');

function read(data: string): Kept | undefined {
  return existsSync(fileIn(data)) ? (JSON.parse(readFileSync(fileIn(data), 'utf8')) as Kept) : undefined;
}

/** Makes a code, or takes one that was chosen, and keeps it hashed. Everybody has to come in anew. */
export function setCode(data: string, chosen?: string): string {
  const code = chosen ?? madeUp();
  const salt = randomBytes(16).toString('hex');
  const kept: Kept = { salt, hash: hashOf(code, salt), secret: randomBytes(32).toString('hex') };
  const partial = `${fileIn(data)}.part`;
  writeFileSync(partial, JSON.stringify(kept), { mode: 0o600 });
  renameSync(partial, fileIn(data));
  return code;
}

const madeUp = () =>
  Array.from({ length: GROUPS }, () =>
    Array.from({ length: LETTERS }, () => ALPHABET[randomInt(ALPHABET.length)]).join(''),
  ).join('-');

/** Hyphens, blanks and capitals do not matter in a code that is typed. */
const plain = (code: string) => code.toLowerCase().replaceAll(/[\s-]/g, '');
const hashOf = (code: string, salt: string) => scryptSync(plain(code), Buffer.from(salt, 'hex'), 32).toString('hex');
const equal = (a: string, b: string) => a.length === b.length && timingSafeEqual(Buffer.from(a), Buffer.from(b));

/** Who may come in to a server that others reach. */
export class Access {
  private readonly wrong: { readonly from: string; readonly at: number }[] = [];

  private constructor(
    private readonly data: string,
    /** The code that was made just now, to be shown once; undefined when there was one. */
    readonly fresh: string | undefined,
  ) {}

  static of(data: string, chosen?: string): Access {
    if (chosen) {
      // The same code again lets everybody stay who has come in.
      const kept = read(data);
      if (!kept || !equal(hashOf(chosen, kept.salt), kept.hash)) setCode(data, chosen);
      return new Access(data, undefined);
    }
    return new Access(data, read(data) ? undefined : setCode(data));
  }

  /** True for a request with a cookie this server signed, that is still good. */
  isIn(cookies: string | undefined, now = Date.now()): boolean {
    const kept = read(this.data);
    const value = (cookies ?? '')
      .split(/;\s*/)
      .find((each) => each.startsWith(`${COOKIE}=`))
      ?.slice(COOKIE.length + 1);
    const [until, signature] = value?.split('.') ?? [];
    if (!kept || !until || !signature) return false;
    return Number(until) > now / 1000 && equal(signature, sign(kept, until));
  }

  /** The cookie for whoever gave the right code; undefined for a wrong one; a wait in seconds after too many. */
  enter(code: string, from: string, now = Date.now()): { cookie: string } | { wait: number } | undefined {
    while (this.wrong[0] && this.wrong[0].at < now - WITHIN) this.wrong.shift();
    const own = this.wrong.filter((each) => each.from === from);
    const first = own.length >= TRIES ? own[0] : this.wrong.length >= ALL_TRIES ? this.wrong[0] : undefined;
    if (first) return { wait: Math.ceil((first.at + WITHIN - now) / 1000) };
    const kept = read(this.data);
    if (!kept || !equal(hashOf(code, kept.salt), kept.hash)) {
      this.wrong.push({ from, at: now });
      return undefined;
    }
    const until = String(Math.floor(now / 1000) + STAYS);
    return { cookie: `${COOKIE}=${until}.${sign(kept, until)}; Max-Age=${STAYS}; Path=/; HttpOnly; SameSite=Strict` };
  }
}

const sign = ({ secret }: Kept, until: string) => createHmac('sha256', secret).update(until).digest('hex');
