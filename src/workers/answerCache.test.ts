import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../tests/support/cabinets.js';
import type { Cabinet, Job } from '../core/decisions/index.js';
import { compareSchools, drawChoice } from '../core/present/index.js';
import { fixesFor, foundIn, solve } from '../core/solve/index.js';
import { AnswerCache, type AnswersWorker } from './answerCache.js';
import { type Answers, type Ask, answering } from './asks.js';

type Call = { readonly head: unknown } | { readonly cabinet: unknown; readonly ask: Ask };

/** A worker that answers when it is told to, over cloned messages as a real one has them. */
function slowWorker() {
  const posted: Call[] = [];
  const open: (() => void)[] = [];
  const { head, answer } = answering();
  /** Sent at once; carried out when the worker works. */
  const call = <T>(message: Call, carryOut: () => T): Promise<T> => {
    posted.push(structuredClone(message));
    return new Promise((resolve) => open.push(() => resolve(structuredClone(carryOut()))));
  };
  const worker: AnswersWorker = {
    head: (own) => call({ head: own }, () => head(structuredClone(own))),
    answer: (cabinet, ask) => call({ cabinet, ask }, () => answer(structuredClone(cabinet), ask)),
  };
  /** Does all there is to do, and what comes of it. */
  const work = async () => {
    while (open.length > 0) {
      for (const each of open.splice(0)) each();
      posted.length = 0;
      await new Promise((go) => setImmediate(go));
    }
  };
  return { worker, posted, work };
}

const TOP: Ask = { kind: 'choices', path: 'top/kind', options: ['full', 'stretchers', 'none'] };
const only = (job: Job) => job.cabinets[0] as Cabinet;
const wider = (cabinet: Cabinet, width: number): Cabinet => ({ ...cabinet, size: { ...cabinet.size, width } });

test('what the worker answers is what the core draws, and it is kept while nothing changes', async () => {
  const { worker, posted, work } = slowWorker();
  const cache = new AnswerCache(worker);
  const job = jobWith({});
  const cabinet = only(job);
  const heard: unknown[] = [];
  cache.ask('top', job, cabinet, TOP, (answer) => heard.push(answer));
  cache.ask('schools', job, cabinet, { kind: 'schools' }, (answer) => heard.push(answer));
  await work();
  const drawn = ['full', 'stretchers', 'none'].map((option) => drawChoice(job, cabinet, 'top/kind', option));
  assert.deepEqual(heard, [drawn, compareSchools(job, cabinet)] as unknown[]);
  assert.notDeepEqual(drawn[0], drawn[2], 'options look different');
  cache.ask('top', { ...job, name: 'renamed' }, cabinet, TOP, (answer) => heard.push(answer));
  assert.equal(heard.length, 3, 'at once');
  assert.equal(posted.length, 0, 'and without asking');
});

test('while the worker is busy only the newest of alike asks waits, and the head goes over once', async () => {
  const { worker, posted, work } = slowWorker();
  const cache = new AnswerCache(worker);
  const job = jobWith({});
  const heard: number[] = [];
  for (let width = 500; width < 520; width += 1)
    cache.ask('top', job, wider(only(job), width), TOP, () => heard.push(width));
  assert.deepEqual(
    posted.map((message) => Object.keys(message)[0]),
    ['head'],
    'the head goes first',
  );
  await work();
  assert.deepEqual(heard, [500, 519]);
  const other = { ...job, display: { ...job.display, unit: 'in' as const } };
  cache.ask('top', other, wider(only(job), 519), TOP, () => heard.push(0));
  assert.deepEqual(
    posted.map((message) => Object.keys(message)[0]),
    ['head'],
    'another head is sent, and asked anew',
  );
  await work();
  assert.deepEqual(heard, [500, 519, 0]);
});

test('what is no cabinet is refused, what comes after it is answered, and a dead worker is asked no more', async () => {
  const { worker, posted, work } = slowWorker();
  const cache = new AnswerCache(worker);
  const job = jobWith({});
  const heard: string[] = [];
  cache.ask('a', job, wider(only(job), -3), TOP, () => heard.push('wrong'));
  cache.ask('b', job, only(job), TOP, () => heard.push('right'));
  await work();
  assert.deepEqual(heard, ['right']);
  cache.failed();
  cache.ask('c', job, wider(only(job), 640), TOP, () => heard.push('late'));
  assert.equal(posted.length, 0);
  assert.equal(answering().answer(only(job), TOP), undefined, 'there is no job to answer for');
  const broken = new AnswerCache({ ...worker, head: () => Promise.reject(new Error('gone')) });
  broken.ask('d', job, only(job), TOP, () => heard.push('broken'));
  await work();
  broken.ask('e', job, only(job), TOP, () => heard.push('broken'));
  assert.equal(posted.length, 0, 'what fails is asked no more');
  assert.deepEqual(heard, ['right']);
});

test('of options it is told which would stop the cabinet, and for what', async () => {
  const { worker, work } = slowWorker();
  const job = jobWith({});
  const ask: Ask = { kind: 'stops', path: 'hinges/family', options: ['any', 'butt', 'concealed'] };
  const heard: unknown[] = [];
  new AnswerCache(worker).ask('stops', job, only(job), ask, (answer) => heard.push(answer));
  await work();
  const [told] = heard as [Answers['stops']];
  assert.deepEqual(
    told.map(({ option, stops }) => [option, stops.length > 0]),
    [
      ['any', false],
      ['butt', true],
      ['concealed', false],
    ],
  );
  assert.match(told[1]?.stops[0] ?? '', /No hinge in the library hangs/);
});

test('what is found in a cabinet and between it and its neighbours comes from the worker, and the acts that settle it', async () => {
  const { worker, work } = slowWorker();
  const cache = new AnswerCache(worker);
  const job = jobWith({ width: 2600 });
  const own = only(job);
  const right = {
    ...own,
    id: 'c2',
    number: '2',
    leftNeighbour: own.id,
    size: { ...own.size, height: { from: 'overall' as const, mm: 820 } },
  };
  const both: Job = { ...job, cabinets: [own, right] };
  let found: Answers['findings'] = [];
  cache.ask('found', both, right, { kind: 'findings', left: own }, (answer) => {
    found = answer as Answers['findings'];
  });
  await work();
  const solved = solve(both);
  assert.deepEqual(
    found.map(({ id }) => id),
    foundIn(solved, 'c2').map(({ id }) => id),
  );
  assert.ok(found.some(({ rule }) => rule === 'neighbours/heights-differ'));
  for (const { id } of found) {
    let fixes: Answers['fixes'] = [];
    cache.ask(`fixes ${id}`, both, right, { kind: 'fixes', finding: id, left: own }, (answer) => {
      fixes = answer as Answers['fixes'];
    });
    await work();
    assert.deepEqual(fixes, fixesFor(solved, id), id);
  }
});
