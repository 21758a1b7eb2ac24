import { createHmac, randomBytes } from 'node:crypto';
import type { Caller } from './caller.js';
import { codeSetAt, equal, hasCode, isCode, type Kept, readCode, setCode } from './code.js';
import { type Session, Sessions, STAYS } from './sessions.js';
import { Tries } from './tries.js';

const COOKIE = 'alcove-access';
/** Says of a browser that it has come in once; by itself it opens nothing. */
const KNOWN = 'alcove-known';
const KNOWN_FOR = 400 * 86_400;

/** What became of a code that was given. */
export type Entered = { readonly cookies: readonly string[] } | { readonly wait: number } | 'wrong';

/** Who may come in to a shop with an access code. */
export class Access {
  private readonly tries = new Tries();
  private sessions: Sessions;
  private setAt: number | undefined;

  private constructor(
    private readonly data: string,
    private kept: Kept,
    /** The code that was made just now, to be shown once; undefined when there was one. */
    readonly fresh: string | undefined,
  ) {
    this.sessions = new Sessions(data, kept.salt);
    this.setAt = codeSetAt(data);
  }

  /** The access to a shop with its code, one that was chosen, or one that is made now. Throws in words. */
  static async of(data: string, chosen?: string): Promise<Access> {
    let fresh: string | undefined;
    if (chosen !== undefined) {
      // The same code again lets everybody stay who has come in.
      const kept = readCode(data);
      if (!kept || !(await isCode(kept, chosen))) await setCode(data, chosen);
    } else if (!hasCode(data)) fresh = await setCode(data);
    return new Access(data, readCode(data) as Kept, fresh);
  }

  /** The session a request comes in; undefined for a stranger, and for one whose session was ended. */
  sessionOf(cookies: string | undefined, address: string, now = Date.now()): string | undefined {
    this.readAgain();
    const [id, signature] = valueIn(cookies, COOKIE)?.split('.') ?? [];
    if (!id || !signature || !equal(signature, sign(this.kept.secret, id))) return undefined;
    return this.sessions.isOpen(id, address, now) ? id : undefined;
  }

  /** Cookies for whoever gives the right code; a wait in seconds after too many wrong ones. */
  async enter(
    code: string,
    { address, encrypted }: Caller,
    request: { readonly cookie: string | undefined; readonly browser: string | undefined },
    now = Date.now(),
  ): Promise<Entered> {
    this.readAgain();
    const known = this.knownOf(request.cookie);
    const who = known ?? address;
    const wait = this.tries.waitOf(who, known !== undefined, now);
    if (wait > 0) return { wait };
    this.tries.begin(who, known !== undefined, now);
    const { kept } = this;
    if (!(await isCode(kept, code))) return 'wrong';
    this.tries.right(who, known !== undefined);
    const session = this.sessions.begin(address, request.browser ?? '', now);
    const browser = known ?? randomBytes(12).toString('hex');
    return {
      cookies: [
        cookie(COOKIE, `${session.id}.${sign(kept.secret, session.id)}`, STAYS / 1000, encrypted),
        cookie(KNOWN, `${browser}.${sign(kept.known ?? kept.secret, browser)}`, KNOWN_FOR, encrypted),
      ],
    };
  }

  /** Ends sessions: one, or all but one. */
  end(ids: readonly string[]): void {
    this.sessions.end(ids);
  }

  all(): readonly Session[] {
    return this.sessions.all();
  }

  /** Takes the cookie of the session away. */
  leave(encrypted: boolean): string {
    return cookie(COOKIE, '', 0, encrypted);
  }

  /** The browser that came in before, by a name nobody else can give. */
  private knownOf(cookies: string | undefined): string | undefined {
    const [browser, signature] = valueIn(cookies, KNOWN)?.split('.') ?? [];
    const { known, secret } = this.kept;
    return browser && signature && equal(signature, sign(known ?? secret, browser)) ? browser : undefined;
  }

  /** A code that was set meanwhile, by the command, is the one that counts; what was open ends with the one before. */
  private readAgain(): void {
    const at = codeSetAt(this.data);
    if (at === this.setAt || at === undefined) return;
    try {
      const kept = readCode(this.data);
      if (!kept) return;
      this.setAt = at;
      if (kept.salt === this.kept.salt) return;
      this.kept = kept;
      this.sessions = new Sessions(this.data, kept.salt);
    } catch {
      // Damaged while it is being read: the one there was stays until it can be.
    }
  }
}

/** A cookie's value; nothing where it is none that was made here. */
function valueIn(cookies: string | undefined, name: string): string | undefined {
  const value = (cookies ?? '')
    .split(/;\s*/)
    .find((each) => each.startsWith(`${name}=`))
    ?.slice(name.length + 1);
  return value !== undefined && /^[0-9a-f]+\.[0-9a-f]+$/.test(value) ? value : undefined;
}

const cookie = (name: string, value: string, seconds: number, encrypted: boolean) =>
  `${name}=${value}; Max-Age=${seconds}; Path=/; HttpOnly; SameSite=Strict${encrypted ? '; Secure' : ''}`;

const sign = (secret: string, text: string) => createHmac('sha256', secret).update(text).digest('hex');
