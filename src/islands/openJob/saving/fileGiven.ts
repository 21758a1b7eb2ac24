import { newId } from '../../../core/decisions/index.js';
import { reasonOf } from '../../request.js';

/** How far a file is that is being written. */
export interface Writing {
  readonly share: number;
  readonly doing: string;
}

/** Whoever waits longer than this is told how far it is, and so often (ms). */
const SOON = 400;

/**
 * Asks for a file and hands it to the browser to keep. `told` hears how far it is where that takes a while. Throws with
 * the reason where it is refused; who stops it by the signal is told nothing.
 */
export async function giveOut(url: string, signal: AbortSignal, told: (writing: Writing) => void): Promise<void> {
  const id = newId('w');
  const looking = setInterval(() => void look(id, signal, told), SOON);
  try {
    const answer = await fetch(`${url}?writing=${id}`, { signal });
    if (!answer.ok) throw new Error(await reasonIn(answer));
    keep(await answer.blob(), nameIn(answer) ?? url.replace(/^.*\//, ''));
  } finally {
    clearInterval(looking);
  }
}

/** Asks how far it is; an answer that does not come changes nothing. */
async function look(id: string, signal: AbortSignal, told: (writing: Writing) => void): Promise<void> {
  try {
    const answer = await fetch(`/api/writing/${id}`, { signal });
    if (answer.ok && !signal.aborted) told((await answer.json()) as Writing);
  } catch {
    // The file itself says what is wrong.
  }
}

async function reasonIn(answer: Response): Promise<string> {
  const body = (await answer.json().catch(() => undefined)) as { error?: { message?: string } } | undefined;
  return body?.error?.message ?? reasonOf(undefined);
}

const nameIn = (answer: Response) => /filename="([^"]+)"/.exec(answer.headers.get('content-disposition') ?? '')?.[1];

/** The browser reads what it keeps from an address of this page for so long (ms). */
const READ = 60_000;

function keep(file: Blob, name: string): void {
  const url = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), READ);
}
