import { proxy } from 'comlink';
import { useCallback, useEffect, useState } from 'react';
import type { Job } from '../../../core/decisions/index.js';
import type { Proposal } from '../../../core/shop/index.js';
import type { LayOut, Progress } from '../../../workers/sheets.js';
import { sheetsWorker, stopLaying } from '../sheetsWorker.js';

/** Lays sheets out in a worker: what was found so far, by material, how far it is, and how to begin and stop. */
export function useLayingOut() {
  const [proposals, setProposals] = useState<Readonly<Record<string, Proposal>>>({});
  const [share, setShare] = useState(0);
  const [running, setRunning] = useState(false);
  const [failed, setFailed] = useState(false);
  const begin = useCallback((job: Job, asked: LayOut) => {
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
    sheetsWorker()
      .layOut(job, asked, proxy(told))
      .catch(() => {
        setRunning(false);
        setFailed(true);
      });
  }, []);
  /** Forgets what was found for a material. */
  const drop = useCallback((material: string) => {
    setProposals((known) => Object.fromEntries(Object.entries(known).filter(([id]) => id !== material)));
  }, []);
  useEffect(() => stopLaying, []);
  return { proposals, share, running, failed, begin, stop: stopLaying, drop };
}
