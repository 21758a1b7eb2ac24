import assert from 'node:assert/strict';
import { test } from 'node:test';
import { documentRefusal, stackRefusal, typeOver, withEdits } from '../src/core/commands/index.js';
import type { Job } from '../src/core/decisions/index.js';
import { drawHingeCorner } from '../src/core/kinds/hinges/index.js';
import { type DimensionItem, drawElevation, drawPanel, drawSection } from '../src/core/present/index.js';
import {
  applyEdits,
  check,
  createSolver,
  type SolvedCabinet,
  type SolvedJob,
  type Solver,
  settingLeaf,
  solve,
} from '../src/core/solve/index.js';
import { buildable } from './generator/buildable.js';
import { Random } from './generator/random.js';
import { jobWith } from './support/cabinets.js';

/** Every drawing there is of a cabinet, by name, drawn when it is looked at. */
function drawingsOf(solved: SolvedCabinet): Map<string, () => readonly DimensionItem[]> {
  const drawings = new Map<string, () => readonly DimensionItem[]>([
    ['front', () => drawElevation(solved, '').dimensions],
    ['section', () => drawSection(solved, '').dimensions],
  ]);
  for (const part of solved.parts)
    for (const face of [1, 2] as const)
      drawings.set(`panel ${part.key} ${face}`, () => drawPanel(part, face, '', '', solved).dimensions);
  for (const door of solved.fitted.hinges)
    drawings.set(`corner ${door.front.key}`, () => drawHingeCorner(solved, door, '')?.dimensions ?? []);
  return drawings;
}

const stopsOf = (solved: SolvedCabinet) =>
  new Set(
    check(solved)
      .filter(({ severity }) => severity === 'stop')
      .map(({ rule }) => rule),
  );

type Outcome = 'read' | 'limit' | 'stack' | 'stop';

/** A job as the bench has it: what it comes to is solved once, and what is tried shares its head. */
interface Bench {
  readonly job: Job;
  readonly before: SolvedJob;
  readonly solver: Solver;
}

/** Types a value over a dimension of a job and says what came of it; throws when the drawing reads something else. */
function typeIt({ job, before, solver }: Bench, view: string, item: DimensionItem, mm: number): Outcome {
  const act = typeOver(item, mm);
  const after = withEdits(job, act.edits);
  if (documentRefusal(job, after)) return 'limit';
  const { solved } = solver.tried(after);
  if (stackRefusal(before, solved, act)) return 'stack';
  const [old, now] = [before.cabinets[0], solved.cabinets[0]] as [SolvedCabinet, SolvedCabinet];
  const read = drawingsOf(now)
    .get(view)?.()
    .find(({ id }) => id === item.id)?.dim.value;
  if (read !== undefined && Math.abs(read - mm) < 0.001) return 'read';
  const fresh = [...stopsOf(now)].filter((rule) => !stopsOf(old).has(rule));
  if (fresh.length > 0) return 'stop';
  throw new Error(`${view}, ${item.id} (${item.edits}): typed ${mm}, reads ${read}`);
}

/** Fewer where the tests themselves are tried, many times over. */
const SEEDS = Number(process.env.TYPED_SEEDS ?? 120);

test('what is typed over a dimension is what it then reads, or it is refused with a reason', () => {
  const counts = new Map<string, Map<Outcome, number>>();
  for (let seed = 0; seed < SEEDS; seed += 1) {
    const random = new Random(seed + 7);
    const job = jobWith(buildable(seed).decisions);
    const solver = createSolver();
    const before = solver(job);
    const [solved] = before.cabinets as [SolvedCabinet];
    for (const [view, dimensions] of drawingsOf(solved))
      for (const item of dimensions()) {
        if (!item.edits) continue;
        // A value a maker could mean: a little more or less, never a round number by chance.
        const less = random.chance(0.5) ? -1 : 1;
        const mm = Math.max(0.5, item.dim.value + less * random.between(0.3, Math.max(1, item.dim.value / 12)));
        const outcome = typeIt({ job, before, solver }, view, item, Math.round(mm * 10) / 10);
        const kind = item.id.replace(/^(gap|face|opening|member|width)-.*$/, '$1');
        const kinds = counts.get(kind) ?? new Map<Outcome, number>();
        counts.set(kind, kinds);
        kinds.set(outcome, (kinds.get(outcome) ?? 0) + 1);
      }
  }
  let all = 0;
  let refused = 0;
  for (const [kind, outcomes] of counts) {
    const total = [...outcomes.values()].reduce((sum, count) => sum + count, 0);
    all += total;
    refused += total - (outcomes.get('read') ?? 0) - (outcomes.get('limit') ?? 0);
    console.log(`${kind}: ${total} typed, ${[...outcomes].map(([name, count]) => `${count} ${name}`).join(', ')}`);
  }
  console.log(`${all} values typed, ${refused} inside limits refused`);
  assert.ok(refused < 0.1 * all, `${refused} of ${all} refused`);
  const editable =
    'width height section-depth toe-height section-toe section-toe-setback section-groove gap face opening';
  for (const kind of `${editable} member reveal-left reveal-right reveal-top reveal-bottom`.split(' '))
    assert.ok((counts.get(kind)?.get('read') ?? 0) > 0, `${kind} is no longer editable`);
});

test('a value outside the limits of a setting is refused with the limit, in the unit of the job', () => {
  const job = jobWith({ from: 'tall', settings: { toe: { kind: 'plinth' } } });
  const [solved] = solve(job).cabinets as [SolvedCabinet];
  const item = drawElevation(solved, '').dimensions.find(({ id }) => id === 'toe-height');
  assert.ok(item);
  const { max } = settingLeaf('toe/height').limits as { max: number };
  const after = structuredClone(job);
  applyEdits(after, typeOver(item, max + 1).edits);
  assert.equal(documentRefusal(job, after), `This should be at most ${max} mm.`);
});
