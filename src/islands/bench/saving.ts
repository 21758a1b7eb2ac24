import { useCallback, useEffect, useRef, useState } from 'react';
import type { Cabinet, Job, JobHead } from '../../core/document/index.js';
import { useBenchStore } from './context.js';

export type SaveState =
  | { readonly kind: 'saved' }
  | { readonly kind: 'pending' }
  | { readonly kind: 'failed'; readonly message: string }
  /** Another window saved first. `theirs` is the present state on the server; ours is still on the bench. */
  | { readonly kind: 'stale'; readonly theirs: Job; readonly version: number };

interface ChangeBody {
  version: number;
  label: string;
  head?: JobHead;
  cabinets?: Cabinet[];
  removed?: string[];
  order?: string[];
}

const QUIET_MS = 350;
const RETRY_MS = 4000;

function headOf(job: Job): JobHead {
  const { cabinets: _cabinets, ...head } = job;
  return head;
}

/** What is different between the saved document and the one on the bench. Unchanged parts are the same objects. */
export function changeBetween(saved: Job, job: Job, version: number, label: string): ChangeBody | null {
  const body: ChangeBody = { version, label };
  const head = headOf(job);
  const before = headOf(saved);
  if (Object.keys(head).some((key) => head[key as 'name'] !== before[key as 'name'])) body.head = head;
  const put = job.cabinets.filter((cabinet) => !saved.cabinets.includes(cabinet));
  if (put.length > 0) body.cabinets = put;
  const ids = new Set(job.cabinets.map((cabinet) => cabinet.id));
  const removed = saved.cabinets.filter((cabinet) => !ids.has(cabinet.id)).map((cabinet) => cabinet.id);
  if (removed.length > 0) body.removed = removed;
  const order = job.cabinets.map((cabinet) => cabinet.id);
  if (order.join() !== saved.cabinets.map((cabinet) => cabinet.id).join()) body.order = order;
  return body.head || body.cabinets || body.removed || body.order ? body : null;
}

/** Saves the bench's document a moment after every change, one request at a time, and again when one has failed. */
export function useAutosave(jobId: string, firstVersion: number) {
  const store = useBenchStore();
  const saved = useRef({ job: store.getState().job, version: firstVersion });
  const busy = useRef(false);
  const timer = useRef<ReturnType<typeof setTimeout> | undefined>(undefined);
  const [state, setState] = useState<SaveState>({ kind: 'saved' });
  const stale = useRef(false);

  const flush = useCallback(
    async (leaving = false): Promise<void> => {
      if (busy.current || stale.current) return;
      const { job, lastAct } = store.getState();
      const change = changeBetween(saved.current.job, job, saved.current.version, lastAct ?? 'edit');
      if (!change) {
        setState({ kind: 'saved' });
        return;
      }
      busy.current = true;
      try {
        const response = await fetch(`/api/jobs/${jobId}`, {
          method: 'PATCH',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ ...change, label: change.label.slice(0, 200) }),
          keepalive: leaving,
        });
        const body = (await response.json()) as {
          version?: number;
          error?: { message: string };
          current?: { version: number; document: Job };
        };
        if (response.ok && body.version !== undefined) {
          saved.current = { job, version: body.version };
          if (store.getState().job === job) setState({ kind: 'saved' });
        } else if (response.status === 409 && body.current) {
          stale.current = true;
          setState({ kind: 'stale', theirs: body.current.document, version: body.current.version });
        } else {
          setState({ kind: 'failed', message: body.error?.message ?? 'the server refused the change' });
          // A refusal will not mend itself; the next edit tries again.
          return;
        }
      } catch {
        setState({ kind: 'failed', message: 'the server does not answer; trying again' });
        timer.current = setTimeout(() => void flush(), RETRY_MS);
        return;
      } finally {
        busy.current = false;
      }
      if (store.getState().job !== saved.current.job && !stale.current) void flush();
    },
    [jobId, store],
  );

  useEffect(() => {
    const unsubscribe = store.subscribe((now, before) => {
      if (now.job === before.job || stale.current) return;
      if (now.job !== saved.current.job) setState({ kind: 'pending' });
      clearTimeout(timer.current);
      timer.current = setTimeout(() => void flush(), QUIET_MS);
    });
    const leave = () => {
      if (document.visibilityState === 'hidden') void flush(true);
    };
    document.addEventListener('visibilitychange', leave);
    window.addEventListener('pagehide', leave);
    return () => {
      unsubscribe();
      clearTimeout(timer.current);
      document.removeEventListener('visibilitychange', leave);
      window.removeEventListener('pagehide', leave);
    };
  }, [store, flush]);

  /** Takes what the other window saved and gives up what is on this bench. */
  const takeTheirs = (theirs: Job, version: number) => {
    saved.current = { job: theirs, version };
    stale.current = false;
    store.getState().replace(theirs);
    setState({ kind: 'saved' });
  };
  /** Saves this bench's document over what the other window saved. */
  const keepMine = (theirs: Job, version: number) => {
    saved.current = { job: theirs, version };
    stale.current = false;
    setState({ kind: 'pending' });
    void flush();
  };
  return { state, flush, takeTheirs, keepMine };
}
