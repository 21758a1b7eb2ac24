import assert from 'node:assert/strict';
import { test } from 'node:test';
import { jobWith } from '../../tests/support/cabinets.js';
import type { Cabinet, Job } from '../core/decisions/index.js';
import { compareSchools, drawChoice } from '../core/present/index.js';
import { Asker, type Port } from './asker.js';
import { type Answers, type Ask, answering, type FromWorker, type ToWorker } from './asks.js';

/** A worker that answers when it is told to, over cloned messages as a real one has them. */
function slowWorker() {
  const posted: ToWorker[] = [];
  const reply = answering();
  let hear: (message: FromWorker) => void = () => undefined;
  let die: () => void = () => undefined;
  const port: Port = {
    post: (message) => posted.push(structuredClone(message)),
    listen(heard, failed) {
      hear = heard;
      die = failed;
    },
  };
  const work = () => {
    for (const message of posted.splice(0)) {
      const said = reply(message);
      if (said) hear(structuredClone(said));
    }
  };
  return { port, posted, work, die: () => die() };
}

const TOP: Ask = { kind: 'choices', path: 'top/kind', options: ['full', 'stretchers', 'none'] };
const only = (job: Job) => job.cabinets[0] as Cabinet;
const wider = (cabinet: Cabinet, width: number): Cabinet => ({ ...cabinet, size: { ...cabinet.size, width } });

test('what the worker answers is what the core draws, and it is kept while nothing changes', () => {
  const { port, posted, work } = slowWorker();
  const asker = new Asker(port);
  const job = jobWith({});
  const cabinet = only(job);
  const heard: unknown[] = [];
  asker.ask('top', job, cabinet, TOP, (answer) => heard.push(answer));
  asker.ask('schools', job, cabinet, { kind: 'schools' }, (answer) => heard.push(answer));
  work();
  work();
  const drawn = ['full', 'stretchers', 'none'].map((option) => drawChoice(job, cabinet, 'top/kind', option));
  assert.deepEqual(heard, [drawn, compareSchools(job, cabinet)] as unknown[]);
  assert.notDeepEqual(drawn[0], drawn[2], 'options look different');
  asker.ask('top', { ...job, name: 'renamed' }, cabinet, TOP, (answer) => heard.push(answer));
  assert.equal(heard.length, 3, 'at once');
  assert.equal(posted.length, 0, 'and without asking');
});

test('while the worker is busy only the newest of alike asks waits, and the head goes over once', () => {
  const { port, posted, work } = slowWorker();
  const asker = new Asker(port);
  const job = jobWith({});
  const heard: number[] = [];
  for (let width = 500; width < 520; width += 1)
    asker.ask('top', job, wider(only(job), width), TOP, () => heard.push(width));
  assert.equal(posted.length, 2, 'the head and the first');
  work();
  work();
  assert.deepEqual(heard, [500, 519]);
  const other = { ...job, display: { ...job.display, unit: 'in' as const } };
  asker.ask('top', other, wider(only(job), 519), TOP, () => heard.push(0));
  assert.deepEqual(
    posted.map((message) => Object.keys(message)[0]),
    ['head', 'id'],
    'another head is sent, and asked anew',
  );
});

test('what is no cabinet is refused, what comes after it is answered, and a dead worker is asked no more', () => {
  const { port, posted, work, die } = slowWorker();
  const asker = new Asker(port);
  const job = jobWith({});
  const heard: string[] = [];
  asker.ask('a', job, wider(only(job), -3), TOP, () => heard.push('wrong'));
  asker.ask('b', job, only(job), TOP, () => heard.push('right'));
  work();
  work();
  assert.deepEqual(heard, ['right']);
  die();
  asker.ask('c', job, wider(only(job), 640), TOP, () => heard.push('late'));
  assert.equal(posted.length, 0);
  assert.deepEqual(answering()({ id: 7, cabinet: only(job), ask: TOP }), {
    id: 7,
    refused: 'There is no valid job to answer for.',
  });
});

test('of options it is told which would stop the cabinet, and for what', () => {
  const { port, work } = slowWorker();
  const job = jobWith({});
  const ask: Ask = { kind: 'stops', path: 'hinges/family', options: ['any', 'butt', 'concealed'] };
  const heard: unknown[] = [];
  new Asker(port).ask('stops', job, only(job), ask, (answer) => heard.push(answer));
  work();
  work();
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
