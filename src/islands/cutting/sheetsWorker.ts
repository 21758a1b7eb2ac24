import { type Remote, wrap } from 'comlink';
import type { SheetsWorker } from '../../workers/sheets.js';

let worker: Remote<SheetsWorker> | undefined;

/** The worker that lays sheets out, begun when it is first asked. */
export function sheetsWorker(): Remote<SheetsWorker> {
  worker ??= wrap<SheetsWorker>(new Worker(new URL('../../workers/sheets.ts', import.meta.url), { type: 'module' }));
  return worker;
}

/** Ends what is being laid out, where anything is. */
export function stopLaying(): void {
  void worker?.stop();
}
