/** The thread in which sheets are laid out for the terminal. */
import { parentPort, workerData } from 'node:worker_threads';
import type { Answer, Asked } from './laying.js';
import { BadProblem, Misuse } from './misuse.js';
import { packFile, sheetsOf } from './sheets.js';

function answerTo({ laying: { kind, file, options }, flag }: Asked): Answer {
  const stopped = () => Atomics.load(flag, 0) !== 0;
  try {
    return { printed: kind === 'pack' ? packFile(file, options, stopped) : sheetsOf(file, options, stopped) };
  } catch (error) {
    if (error instanceof BadProblem) return { bad: error.message };
    if (error instanceof Misuse) return { misuse: error.message };
    throw error;
  }
}

parentPort?.postMessage(answerTo(workerData as Asked));
