import type { Job } from '../core/decisions/index.js';
import type { LengthStyle } from '../core/ground/index.js';
import { figure } from './compute/pool.js';

/** How far a file is that is being written. */
export interface Writing {
  /** The share of it that is done, from 0 to 1. */
  readonly share: number;
  readonly doing: string;
}

/** One for all pages of the program. */
const SLOT = Symbol.for('alcove.writing');
const slot = globalThis as { [SLOT]?: Map<string, Writing> };
slot[SLOT] ??= new Map();
const writings = slot[SLOT];
/** So many are told of at a time; more are written as well. */
const MOST = 100;

/** How far the file is that goes by an id; undefined where none is being written. */
export const writingOf = (id: string): Writing | undefined => writings.get(id);

/** Has a file written on another thread. Under an id whoever waits can ask how far it is; who is gone stops it. */
export async function writeFile(
  asked: { readonly job: Job; readonly file: string; readonly style: LengthStyle },
  id: string | null,
  gone: AbortSignal,
): Promise<Uint8Array<ArrayBuffer>> {
  if (id === null || writings.size >= MOST) return figure('write', asked, gone);
  writings.set(id, { share: 0, doing: 'waiting for its turn' });
  try {
    return await figure('write', asked, gone, (share, doing) => writings.set(id, { share, doing }));
  } finally {
    writings.delete(id);
  }
}
