import { proxy, type Remote, wrap } from 'comlink';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { Job } from '../../../core/document/index.js';
import type { Proposal } from '../../../core/sheets/index.js';
import type { LayOut, Progress, SheetsWorker } from '../../../workers/sheets.js';

/** Lays sheets out in a worker: what was found so far, by material, how far it is, and how to begin and stop. */
export function useLayingOut() {
  const worker = useRef<Remote<SheetsWorker> | null>(null);
  const [proposals, setProposals] = useState<Readonly<Record<string, Proposal>>>({});
  const [share, setShare] = useState(0);
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState(false);
  const begin = useCallback((job: Job, asked: LayOut) => {
    worker.current ??= wrap<SheetsWorker>(
      new Worker(new URL('../../../workers/sheets.ts', import.meta.url), { type: 'module' }),
    );
    setRunning(true);
    setFailed(false);
    const told = (progress: Progress) => {
      setProposals((known) => ({
        ...known,
        ...Object.fromEntries(progress.proposals.map((proposal) => [proposal.layout.id, proposal])),
      }));
      setShare(progress.share);
      if (progress.done) setRunning(false);
    };
    worker.current.layOut(job, asked, proxy(told)).catch(() => {
      setRunning(false);
      setFailed(true);
    });
  }, []);
  const stop = useCallback(() => void worker.current?.stop(), []);
  /** Forgets what was found for a material. */
  const drop = useCallback((material: string) => {
    setProposals((known) => Object.fromEntries(Object.entries(known).filter(([id]) => id !== material)));
  }, []);
  useEffect(() => () => void worker.current?.stop(), []);
  return { proposals, share, running, failed, begin, stop, drop };
}
