import { wrap } from 'comlink';
import { useEffect, useState } from 'react';
import type { SolvedCabinet } from '../../core/solve/index.js';
import { AnswerCache } from '../../workers/answerCache.js';
import type { Answering, Answers, Ask } from '../../workers/asks.js';
import { useBench } from './context.js';

let cache: AnswerCache | undefined;

/** One worker for the page, started when something is asked for the first time. */
export function theCache(): AnswerCache {
  if (!cache) {
    const worker = new Worker(new URL('../../workers/answers.worker.ts', import.meta.url), { type: 'module' });
    const made = new AnswerCache(wrap<Answering>(worker));
    worker.addEventListener('error', () => made.failed());
    cache = made;
  }
  return cache;
}

/**
 * What a worker says of a cabinet were it decided otherwise. Until it has answered for the cabinet as it is now, what it
 * said last; undefined before the first answer, and while nothing is asked. `name` tells one question from another.
 */
export function useAnswer<A extends Ask>(
  name: string,
  solved: SolvedCabinet,
  ask: A | undefined,
): Answers[A['kind']] | undefined {
  const job = useBench((state) => state.job);
  const { cabinet } = solved;
  const [last, setLast] = useState<{ readonly cabinetId: string; readonly answer: Answers[A['kind']] }>();
  const wanted = ask && JSON.stringify(ask);
  useEffect(() => {
    if (wanted === undefined) return undefined;
    let left = false;
    theCache().ask(name, job, cabinet, JSON.parse(wanted) as A, (answer) => {
      if (!left) setLast({ cabinetId: cabinet.id, answer: answer as Answers[A['kind']] });
    });
    return () => {
      left = true;
    };
  }, [name, job, cabinet, wanted]);
  return last?.cabinetId === cabinet.id ? last.answer : undefined;
}
