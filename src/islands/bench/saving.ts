import { useEffect, useMemo, useState } from 'react';
import type { Job, JobChange } from '../../core/document/index.js';
import { useBenchStore } from './context.js';
import { type SaveAnswer, Saver, type SaveState } from './saver.js';
import { UnsentShelf } from './unsent.js';

/** Sends one change; what is no answer at all rejects. */
async function send(jobId: string, change: JobChange, leaving: boolean): Promise<SaveAnswer> {
  const text = JSON.stringify(change);
  const response = await fetch(`/api/jobs/${jobId}`, {
    method: 'PATCH',
    headers: { 'content-type': 'application/json' },
    body: text,
    // A browser refuses to carry more than this on after a page is left.
    keepalive: leaving && text.length < KEEPALIVE,
  });
  const body = (await response.json()) as {
    version?: number;
    error?: { message: string };
    current?: { version: number; document: Job };
  };
  if (response.ok && body.version !== undefined) return { kind: 'saved', version: body.version };
  if (response.status === 409 && body.current)
    return { kind: 'stale', theirs: body.current.document, version: body.current.version };
  const message = body.error?.message ?? 'the server refused the change';
  return response.status >= 500 ? { kind: 'later', message } : { kind: 'refused', message };
}

const KEEPALIVE = 60_000;

/** Saves the bench's document a moment after every change, and keeps it in the browser until it is known to be saved. */
export function useAutosave(jobId: string, firstVersion: number) {
  const store = useBenchStore();
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const saver = useMemo(() => {
    const shelf = new UnsentShelf(jobId);
    return new Saver(store, firstVersion, {
      send: (change, leaving) => send(jobId, change, leaving),
      keep: (unsent) => shelf.keep(unsent),
      hold: () => shelf.hold(),
      leftOver: () => shelf.leftOver(),
      async load() {
        const response = await fetch(`/api/jobs/${jobId}`);
        if (!response.ok) throw new Error('the job could not be read');
        return (await response.json()) as { version: number; document: Job };
      },
    });
  }, [jobId, store, firstVersion]);

  useEffect(() => {
    const stop = saver.start(setState);
    const leave = () => {
      if (document.visibilityState === 'hidden') void saver.flush(true);
    };
    const warn = (event: BeforeUnloadEvent) => {
      if (saver.unsaved) event.preventDefault();
    };
    document.addEventListener('visibilitychange', leave);
    window.addEventListener('pagehide', leave);
    window.addEventListener('beforeunload', warn);
    return () => {
      stop();
      document.removeEventListener('visibilitychange', leave);
      window.removeEventListener('pagehide', leave);
      window.removeEventListener('beforeunload', warn);
    };
  }, [saver]);

  return {
    state,
    flush: () => saver.flush(),
    takeTheirs: (theirs: Job, version: number) => saver.takeTheirs(theirs, version),
    keepMine: (theirs: Job, version: number) => saver.keepMine(theirs, version),
  };
}
