import { PROGRAM } from './program.js';

/** News of saves for windows that have a job open. */
type Hear = (version: number) => void;

const listening = new Map<string, Set<Hear>>();

/** Tells every window that has a job open that it was saved. */
export function tellSaved(jobId: string, version: number): void {
  for (const hear of listening.get(jobId) ?? []) hear(version);
}

function listen(jobId: string, hear: Hear): () => void {
  const all = listening.get(jobId) ?? new Set();
  all.add(hear);
  listening.set(jobId, all);
  return () => {
    all.delete(hear);
    if (all.size === 0) listening.delete(jobId);
  };
}

/** A line now and then keeps what lies between from hanging up (ms). */
const BEAT = 20_000;

/** The saves of a job as they happen, as server-sent events; the version it stands at comes first. */
export function eventsOf(jobId: string, version: number, epoch: string, gone: AbortSignal): Response {
  const encoder = new TextEncoder();
  let stop = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      const say = (text: string) => {
        try {
          controller.enqueue(encoder.encode(text));
        } catch {
          stop();
        }
      };
      const hear: Hear = (now) =>
        say(`event: saved\ndata: ${JSON.stringify({ version: now, epoch, program: PROGRAM })}\n\n`);
      const unlisten = listen(jobId, hear);
      const beat = setInterval(() => say(': still here\n\n'), BEAT);
      stop = () => {
        unlisten();
        clearInterval(beat);
      };
      gone.addEventListener('abort', () => stop(), { once: true });
      hear(version);
    },
    cancel: () => stop(),
  });
  return new Response(stream, {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' },
  });
}
