/**
 * What is measured of the core: built from this tree, from another commit, and for the browser alike, so that two of them
 * can be held against each other in one run.
 */
import demo from '../demo/reading-room.alcove.json' with { type: 'json' };
import { type Cabinet, type Job, pathTo } from '../src/core/decisions/index.js';
import { findClashes } from '../src/core/part/index.js';
import * as core from '../src/core/solve/index.js';
import { createBenchStore } from '../src/islands/bench/store.js';
import { manyCabinets, unlikeCabinets } from './jobs.js';

const { createSolver, readJob, solve, solverOf } = core;

/** What is found in a cabinet; cores from before findings were asked for have found it with the solve. */
const check: (solved: core.SolvedCabinet) => unknown = 'check' in core ? core.check : () => undefined;

/** A piece of work by its name; what it may take, in words; whether it takes so long that a few times are enough. */
export interface Work {
  readonly name: string;
  readonly target: string;
  readonly long?: boolean;
  readonly run: () => void;
}

/** Widths between 400 and 1200, none of them twice. */
function widths(): () => number {
  let at = 0;
  return () => {
    at += 1;
    return 400 + ((at * 0.6180339887) % 1) * 800;
  };
}

function withWidth(cabinet: Cabinet, width: number): Cabinet {
  return { ...cabinet, size: { ...cabinet.size, width } };
}

/** An edit as the bench makes it: checked, solved, its consequences told. */
function editing(job: Job): () => void {
  const store = createBenchStore(job, null);
  const [, cabinet] = job.cabinets as [Cabinet, Cabinet];
  const path = pathTo.cabinetField(cabinet.id, 'size/width');
  const width = widths();
  return () => {
    store.getState().act({ label: 'Width', edits: [{ path, value: width() }] });
  };
}

/** All of it, made ready. */
export function workOf(): Work[] {
  const read = readJob(structuredClone(demo));
  if (!read.ok) throw new Error('the demo job is not valid');
  const [cabinet] = read.value.cabinets as [Cabinet];
  const solveOne = solverOf(read.value);
  const oneWidth = widths();
  const [alike, unlike] = [manyCabinets(60), unlikeCabinets(60)];
  const solver = createSolver();
  solver(unlike);
  const rowWidth = widths();
  const solved = solve(alike);
  const [manyAlike, manyUnlike] = [manyCabinets(1000), unlikeCabinets(1000)];
  return [
    {
      name: 'one cabinet after an edit',
      target: '2 ms, p99 8 ms',
      run() {
        solveOne(withWidth(cabinet, oneWidth()));
      },
    },
    {
      name: 'one cabinet after an edit, with what is found in it',
      target: '4 ms',
      run() {
        check(solveOne(withWidth(cabinet, oneWidth())));
      },
    },
    {
      name: '60 cabinets, several alike, from nothing',
      target: '120 ms',
      run() {
        solve(alike);
      },
    },
    {
      name: '60 unlike cabinets from nothing',
      target: '120 ms',
      run() {
        solve(unlike);
      },
    },
    {
      name: '60 cabinets after one edit',
      target: '5 ms',
      run() {
        const cabinets = [...unlike.cabinets];
        cabinets[30] = withWidth(cabinets[30] as Cabinet, rowWidth());
        solver({ ...unlike, cabinets });
      },
    },
    {
      name: 'clearances in 60 cabinets',
      target: 'within the 120 ms above',
      run() {
        for (const { parts } of solved.cabinets)
          for (const { machining, length, width, thickness } of parts)
            findClashes(machining, { length: length.value, width: width.value, thickness: thickness.value }, 2);
      },
    },
    { name: 'store.act at 60 cabinets', target: '4 ms', run: editing(unlike) },
    { name: 'store.act at 300 cabinets', target: '6 ms', run: editing(unlikeCabinets(300)) },
    {
      name: '1,000 cabinets, several alike, from nothing',
      target: 'linear: 1000/60 of the 60',
      long: true,
      run() {
        solve(manyAlike);
      },
    },
    {
      name: '1,000 unlike cabinets from nothing',
      target: 'linear: 1000/60 of the 60',
      long: true,
      run() {
        solve(manyUnlike);
      },
    },
  ];
}
