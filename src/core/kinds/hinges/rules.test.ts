import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, jobWith, solveWith } from '../../../../tests/support/cabinets.js';
import { checkJob, fixesFor, solve } from '../../solve/index.js';

const found = (decisions: CabinetDecisions, rule: string) =>
  solveWith(decisions).findings.filter((finding) => finding.rule === rule);

test('the cup needs its offset, its width and a margin of the stile, and the groove only where it is as deep', () => {
  const rule = 'hinges/cup-does-not-fit';
  const framed = (stile: number, groove: number, panel: 'birch6' | 'birch18') =>
    found({ settings: { making: { kind: 'stick', stile, groove }, materials: { doorPanel: panel } } }, rule);
  const [door] = solveWith({ settings: { making: { kind: 'stick' } } }).fitted.hinges;
  assert.ok(door?.chosen?.kind === 'concealed');
  const { offset, profile } = door.chosen;
  const needed = offset + profile.cup.diameter + 2;
  // A panel of 6 in a frame of 20 has its groove 7 from the back, and the cup is deeper than that.
  assert.ok(profile.cup.depth > 7);
  assert.equal(framed(needed + 10, 10, 'birch6').length, 0);
  const [tight] = framed(needed + 9, 10, 'birch6');
  assert.match(tight?.what ?? '', /before the panel's groove/);
  assert.equal(tight?.severity, 'warn');
  // A front frame three times as thick has it so far in that the cup passes under it: only the stile counts.
  const thick = (stile: number) =>
    found(
      {
        measured: { oak20: 38 },
        settings: { making: { kind: 'stick', stile, groove: 10 }, materials: { doorPanel: 'birch6' } },
      },
      rule,
    ).filter(({ severity }) => severity === 'warn');
  const wide = thick(needed + 1);
  assert.deepEqual(wide, []);
  assert.doesNotMatch(thick(needed - 5)[0]?.what ?? '', /groove/);
  assert.equal(thick(needed - 5).length > 0, true);
});

test('a door with too little gap to turn is offered the reveal it needs, all of it where it stands alone and the whole gap where it shares one', () => {
  const rule = 'hinges/gap-too-small';
  const tight = (more: NonNullable<CabinetDecisions['settings']>): CabinetDecisions => ({
    measured: { front18: 24 },
    settings: { ...more },
  });
  const alone = jobWith(tight({ ends: { left: 'neighbour' }, fronts: { reveal: { left: 0.5 } } }));
  const shared = jobWith(tight({ ends: { left: 'neighbour' }, fronts: { atNeighbour: 'half', gap: 1 } }));
  for (const job of [alone, shared]) {
    const solved = solve(job);
    const finding = checkJob(solved).find((each) => each.rule === rule);
    assert.ok(finding, 'it strikes');
    const [fix] = fixesFor(solved, finding.id);
    assert.ok(fix, 'a way out is offered');
    const [edit] = fix.edits as unknown as { path: string; value: number }[];
    const wanted = Number(/[\d.]+/.exec(fix.label)?.[0]);
    assert.equal(edit?.path.endsWith(job === shared ? 'fronts/gap' : 'fronts/reveal/left'), true, edit?.path);
    assert.ok(Math.abs((edit?.value ?? 0) - wanted * (job === shared ? 2 : 1)) < 0.051, `${edit?.value} for ${wanted}`);
  }
});
