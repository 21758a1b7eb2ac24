import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as z from 'zod/mini';
import { writeWhole } from './code.js';

const sessionSchema = z.object({
  id: z.string().check(z.regex(/^[0-9a-f]{24}$/)),
  since: z.number(),
  seen: z.number(),
  from: z.string(),
  by: z.string(),
});
const fileSchema = z.object({ code: z.string(), sessions: z.array(sessionSchema) });

/** A browser that has come in. */
export type Session = z.infer<typeof sessionSchema>;

/** Who has come in stays so long after being seen last (ms). */
export const STAYS = 30 * 86_400_000;
/** More are not kept: the one seen longest ago goes. */
const MOST = 500;
/** When somebody was seen is written down no more often than this (ms). */
const WRITTEN_EACH = 10 * 60_000;

/**
 * Browsers that have come in with one code, kept beside it: ended with it, one by one, or all. A clock that jumps further
 * ahead than they stay ends them: they give the code again.
 */
export class Sessions {
  private readonly open = new Map<string, Session>();
  private writtenAt = 0;

  /** Of the code with this salt. */
  constructor(
    private readonly data: string,
    private readonly code: string,
  ) {
    for (const session of readSessions(fileIn(data), code)) this.open.set(session.id, session);
  }

  begin(from: string, by: string, now: number): Session {
    const session = { id: randomBytes(12).toString('hex'), since: now, seen: now, from, by: by.slice(0, 200) };
    this.open.set(session.id, session);
    this.write(now);
    return session;
  }

  /** True for one that has not ended; it is seen now. */
  isOpen(id: string, from: string, now: number): boolean {
    const session = this.open.get(id);
    if (!session) return false;
    if (now - session.seen > STAYS) {
      this.end([id]);
      return false;
    }
    session.seen = now;
    session.from = from;
    if (Math.abs(now - this.writtenAt) > WRITTEN_EACH) this.write(now);
    return true;
  }

  end(ids: readonly string[]): void {
    const ended = ids.filter((id) => this.open.delete(id));
    if (ended.length > 0) this.write(Date.now());
  }

  /** All that are open, the one seen last first. */
  all(): readonly Session[] {
    return [...this.open.values()].sort((a, b) => b.seen - a.seen);
  }

  private write(now: number): void {
    this.writtenAt = now;
    const sessions = this.all().slice(0, MOST);
    writeWhole(fileIn(this.data), JSON.stringify({ code: this.code, sessions }));
  }
}

const fileIn = (data: string) => join(data, 'sessions.json');

/** A file that cannot be read, or is of another code, is as none: everybody comes in anew. */
function readSessions(file: string, code: string): readonly Session[] {
  if (!existsSync(file)) return [];
  try {
    const read = fileSchema.safeParse(JSON.parse(readFileSync(file, 'utf8')));
    return read.success && read.data.code === code ? read.data.sessions : [];
  } catch {
    return [];
  }
}
