import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, partOf, solveWith } from '../../../../tests/support/cabinets.js';
import type { Opening, SettingOverrides, Split } from '../../decisions/index.js';
import { edgeName, type Operation, type OperationKind, type Part } from '../../part/index.js';

/** 800 wide, box 720 high on no toe, sides 560 deep, all sheet 18, back 6. */
const box = (settings: SettingOverrides = {}, more: CabinetDecisions = {}) =>
  solveWith({
    width: 800,
    height: 720,
    depth: 560,
    ...more,
    settings: { depth: { means: 'carcass' }, toe: { kind: 'none' }, ...settings },
  });

const size = (part: Part) => [part.length.value, part.width.value].map((mm) => Math.round(mm * 1000) / 1000);
const has = (solved: ReturnType<typeof box>, key: string) => solved.parts.some((part) => part.key === key);
function operations<K extends OperationKind>(part: Part, kind: K): Extract<Operation, { kind: K }>[] {
  return part.machining.filter((operation): operation is Extract<Operation, { kind: K }> => operation.kind === kind);
}
const share = { rule: 'share' as const, weight: 1 };
const rows = (...parts: Opening[]): Split => ({ kind: 'rows', graduation: { kind: 'arithmetic', step: 10 }, parts });
const columns = (...parts: Opening[]): Split => ({
  kind: 'columns',
  graduation: { kind: 'arithmetic', step: 10 },
  parts,
});
const drawer = (id: string): Opening => ({ id, size: share, fill: { kind: 'drawer' } });
const open = (id: string): Opening => ({ id, size: share, fill: { kind: 'open' } });

test('a back has the size its kind and its captured edges give it', () => {
  const table: [string, SettingOverrides, number[] | null, number][] = [
    // Grooved: 764 + 2 × 7.5; captured below at 18 − 7.5, and above only by a full top.
    ['grooved, full top', { back: { kind: 'grooved' }, top: { kind: 'full' } }, [684 + 15, 779], 560 - 18 - 6.3],
    [
      'grooved, stretchers',
      { back: { kind: 'grooved' }, top: { kind: 'stretchers' } },
      [720 - 10.5, 779],
      560 - 18 - 6.3,
    ],
    [
      'grooved, past the bottom',
      { back: { kind: 'grooved', bottomEdge: 'past' }, top: { kind: 'stretchers' } },
      [720, 779],
      560 - 24.3,
    ],
    [
      'grooved, one cutter',
      { back: { kind: 'grooved', cut: 'cutter', cutter: 8 }, top: { kind: 'full' } },
      [699, 779],
      560 - 18 - 8,
    ],
    // Rabbeted: outer face moved in by (18 − 10) + 0.5 at the sides; bottom and top stop at it.
    ['rabbeted', { back: { kind: 'rabbeted' }, top: { kind: 'full' } }, [720, 800 - 17], 560 - 6.3],
    [
      'rabbeted, bottom under and top over',
      { back: { kind: 'rabbeted' }, top: { kind: 'full', place: 'over' }, bottom: { place: 'under' } },
      [720 - 17, 783],
      553.7,
    ],
    // Applied: over everything, 1 in all round; the side is the back's thickness less deep.
    ['applied', { back: { kind: 'applied' } }, [718, 798], 554],
    // Of the nailers' stock, 18, since it does their work; as thin as it is decided, where it is.
    ['structural', { back: { kind: 'structural' }, top: { kind: 'full' } }, [684, 764], 542],
    [
      'structural, thin',
      { back: { kind: 'structural' }, top: { kind: 'full' }, materials: { back: 'birch6' } },
      [684, 764],
      554,
    ],
    ['none', { back: { kind: 'none' } }, null, 560],
  ];
  for (const [name, settings, wanted, clearDepth] of table) {
    const solved = box(settings);
    assert.ok(
      Math.abs(solved.box.clearDepth.value - clearDepth) < 1e-9,
      `${name}: clear depth ${solved.box.clearDepth.value}`,
    );
    if (wanted === null) assert.ok(!has(solved, 'back'), name);
    else assert.deepEqual(size(partOf(solved, 'back')), wanted, name);
  }
});

test('the groove or rabbet for the back is in every part that holds it and in no other', () => {
  const where = (settings: SettingOverrides) => {
    const solved = box(settings);
    return solved.parts
      .filter((part) => part.machining.some((operation) => operation.holds === 'back'))
      .map((part) => part.key);
  };
  assert.deepEqual(where({ top: { kind: 'full' } }), ['side/left', 'side/right', 'bottom', 'top']);
  assert.deepEqual(where({ top: { kind: 'stretchers' } }), ['side/left', 'side/right', 'bottom']);
  assert.deepEqual(where({ back: { bottomEdge: 'past' } }), ['side/left', 'side/right']);
  assert.deepEqual(where({ back: { kind: 'rabbeted' }, top: { kind: 'full' } }), ['side/left', 'side/right']);
  assert.deepEqual(where({ back: { kind: 'applied' } }), []);
  const [groove] = operations(partOf(box({ back: { cut: 'cutter', cutter: 6 } }), 'side/left'), 'groove');
  assert.equal(groove?.cutter?.centre.value, 18 + 3, 'by cutter the centre line is offset + half the cutter');
});

test('tops in their kinds', () => {
  const keys = (kind: 'full' | 'stretchers' | 'uprightRear' | 'uprightFront' | 'web' | 'none') =>
    box({ top: { kind } })
      .parts.filter((part) => /^(top|stretcher|web\/top\/rail)/.test(part.key))
      .map((part) => part.key);
  assert.deepEqual(keys('full'), ['top']);
  assert.deepEqual(keys('stretchers'), ['stretcher/front', 'stretcher/rear']);
  assert.deepEqual(keys('uprightRear'), ['stretcher/front', 'stretcher/rear']);
  assert.deepEqual(keys('uprightFront'), ['stretcher/front']);
  assert.deepEqual(keys('web'), ['web/top/rail/front', 'web/top/rail/rear']);
  assert.deepEqual(keys('none'), []);
  const upright = partOf(box({ top: { kind: 'uprightRear' } }), 'stretcher/rear').extent;
  assert.deepEqual([upright.min[2], upright.max[2]], [620, 720], 'an upright stretcher stands on edge');
  assert.ok(Math.abs(upright.max[1] - (560 - 24.3)) < 1e-9, 'in front of the back');
  const recessed = box({ top: { kind: 'full', recess: 40 } });
  assert.equal(partOf(recessed, 'top').extent.max[2], 680);
  assert.equal(partOf(recessed, 'side/left').extent.max[2], 720);
  const over = box({ top: { kind: 'full', place: 'over' }, joints: { top: 'dado' } });
  assert.deepEqual(size(partOf(over, 'top')), [800, 560]);
  assert.equal(partOf(over, 'side/left').length.value, 720 - 18 + 6);
});

test('bottom between or under the sides', () => {
  assert.deepEqual(size(partOf(box(), 'bottom')), [764, 560]);
  const under = box({ bottom: { place: 'under' } });
  assert.deepEqual(size(partOf(under, 'bottom')), [800, 560]);
  assert.equal(partOf(under, 'side/left').length.value, 702);
  const dadoed = box({ bottom: { place: 'under' }, joints: { bottom: 'dado' } });
  assert.equal(partOf(dadoed, 'side/left').length.value, 702 + 6);
  assert.equal(operations(partOf(dadoed, 'bottom'), 'rabbet').length, 2, 'at the very ends a dado is a rabbet');
});

test('a joint changes the length of what it holds and the machining of both', () => {
  const table: [JointName, number, OperationKind | null, OperationKind | null][] = [
    ['screws', 764, 'holes', null],
    ['pocket', 764, null, 'pockets'],
    ['dowels', 764, 'holes', 'edge holes'],
    ['tenons', 764, 'slots', 'slots'],
    ['dado', 776, 'rabbet', null],
    ['rabbet', 780, 'rabbet', null],
  ];
  for (const [joint, length, inSide, inBottom] of table) {
    const solved = box({ joints: { bottom: joint }, back: { kind: 'applied' } });
    const [side, bottom] = [partOf(solved, 'side/left'), partOf(solved, 'bottom')];
    assert.equal(bottom.length.value, length, joint);
    const of = (part: Part, holds?: string) =>
      part.machining
        .filter((operation) => holds === undefined || operation.holds === holds)
        .map((operation) => operation.kind);
    assert.deepEqual(of(side, 'bottom'), inSide ? [inSide] : [], `${joint} in the side`);
    assert.deepEqual(of(bottom), inBottom ? [inBottom, inBottom] : [], `${joint} in the bottom`);
  }
});
type JointName = 'screws' | 'pocket' | 'dowels' | 'tenons' | 'dado' | 'rabbet';

test('screws lie on the centre line of the measured edge, first 50 from an edge, at most 200 apart', () => {
  const solved = box({ toe: { kind: 'standing', height: 80 } }, { measured: { birch18: 17.6 } });
  const line = operations(partOf(solved, 'side/right'), 'holes').find((operation) => operation.holds === 'bottom');
  assert.ok(line);
  assert.equal(line.face, 2, 'driven from outside');
  assert.ok(Math.abs(line.offset.value - (80 + 17.6 / 2)) < 1e-9);
  const positions = line.positions.map((position) => position.value);
  assert.equal(positions[0], 50);
  assert.ok(Math.abs((positions.at(-1) ?? 0) - (560 - 50)) < 1e-9);
  for (const [at, position] of positions.slice(1).entries()) assert.ok(position - (positions[at] ?? 0) <= 200 + 1e-9);
  assert.equal(line.depth, undefined, 'screw holes go through');
});

test('a dado for a fixed shelf lies where the shelf lies, on both sides alike', () => {
  const solved = box({ joints: { shelf: 'dado' } }, { face: rows({ ...open('a'), divider: 'shelf' }, open('b')) });
  const shelf = partOf(solved, 'divider/a').extent;
  for (const hand of ['left', 'right']) {
    const [dado] = operations(partOf(solved, `side/${hand}`), 'groove').filter(
      (operation) => operation.along === 'width',
    );
    assert.ok(dado && Math.abs(dado.offset.value - shelf.min[2]) < 1e-9, hand);
    assert.equal(dado.width.value, 18);
    assert.equal(dado.depth.value, 6);
  }
  assert.equal(partOf(solved, 'divider/a').length.value, 764 + 12);
});

test('a shelf beside a partition is held by the partition, on the face it meets', () => {
  const solved = box(
    { joints: { shelf: 'dado' } },
    {
      face: columns(
        { ...drawer('l'), fill: rows({ ...open('a'), divider: 'shelf' }, open('b')) },
        { ...drawer('r'), fill: rows({ ...open('c'), divider: 'shelf' }, open('d')) },
      ),
    },
  );
  const partition = partOf(solved, 'divider/l');
  assert.deepEqual(
    operations(partition, 'groove')
      .map((operation) => operation.face)
      .sort(),
    [1, 2],
  );
  assert.equal(
    operations(partOf(solved, 'side/left'), 'groove').filter((operation) => operation.along === 'width').length,
    1,
  );
});

test('a partition enters panels by its dado and butts frames and stretchers', () => {
  const face = columns(open('l'), open('r'));
  const height = (top: 'full' | 'web' | 'stretchers') =>
    partOf(box({ joints: { partition: 'dado' }, top: { kind: top } }, { face }), 'divider/l').length.value;
  assert.equal(height('full'), 684 + 12);
  assert.equal(height('stretchers'), 684 + 6);
  assert.equal(height('web'), 720 - 18 - 20 + 6);
});

test('toes in their kinds', () => {
  const on = (kind: 'none' | 'plinth' | 'notched' | 'legs' | 'standing', more: SettingOverrides = {}) =>
    box({ toe: { kind, height: 100, setback: 50, ...(more.toe ?? {}) }, ...(more.ends ? { ends: more.ends } : {}) });
  assert.equal(partOf(on('none'), 'side/left').length.value, 720);
  assert.equal(partOf(on('plinth'), 'side/left').length.value, 620);
  assert.equal(partOf(on('legs'), 'side/left').length.value, 620);
  assert.equal(partOf(on('notched'), 'side/left').length.value, 720);
  assert.equal(on('standing').box.floor.value, 100);
  assert.equal(on('notched').box.faceHeight.value, 620);

  const [notch] = operations(partOf(on('notched'), 'side/left'), 'notch');
  assert.deepEqual(
    [notch?.alongLength.value, notch?.alongWidth.value],
    [100, 50 + 18],
    'board over the sides: as deep as setback and board',
  );
  assert.deepEqual(
    notch?.corner.map((edge) => edgeName(partOf(on('notched'), 'side/left').placement, edge)),
    ['bottom', 'front'],
    'never at the rear',
  );
  const between = on('notched', { toe: { board: 'between' } });
  assert.equal(operations(partOf(between, 'side/left'), 'notch')[0]?.alongWidth.value, 50);
  assert.equal(partOf(between, 'toe/board').length.value, 764);
  assert.equal(partOf(on('notched'), 'toe/board').length.value, 800);
  const stopped = on('notched', { ends: { left: 'exposed' } });
  assert.equal(partOf(stopped, 'toe/board').length.value, 782, 'it stops at the exposed side');
  assert.equal(operations(partOf(stopped, 'side/left'), 'notch')[0]?.alongWidth.value, 50);
  assert.equal(operations(partOf(stopped, 'side/right'), 'notch')[0]?.alongWidth.value, 68);
});

test('a plinth returns round exposed ends and carries partitions', () => {
  const settings = { toe: { kind: 'plinth' as const, height: 100, setback: 50, rearSetback: 30 } };
  assert.equal(partOf(box(settings), 'plinth/front').length.value, 800);
  assert.equal(partOf(box({ ...settings, ends: { left: 'exposed' } }), 'plinth/front').length.value, 750);
  const both = box({ ...settings, ends: { left: 'exposed', right: 'exposed' } });
  assert.equal(partOf(both, 'plinth/front').length.value, 700);
  assert.equal(partOf(both, 'plinth/front').extent.min[0], 50);
  assert.equal(partOf(both, 'plinth/cross/1').length.value, 560 - 80 - 36);
  const crosses = (width: number, face?: Split) =>
    box(settings, { width, ...(face ? { face } : {}) }).parts.filter((part) => part.key.startsWith('plinth/cross'))
      .length;
  assert.deepEqual(
    [600, 619, 1000, 1219].map((width) => crosses(width)),
    [2, 3, 3, 4],
    'at most 600 apart',
  );
  assert.equal(
    crosses(1000, columns(open('a'), { ...open('b'), size: { rule: 'share', weight: 3 } })),
    4,
    'one more under the partition',
  );
});

test('legs are counted by width', () => {
  const legs = (width: number) =>
    box({ toe: { kind: 'legs' } }, { width }).fittings.find(({ name }) => name.startsWith('Leg: '))?.quantity;
  assert.deepEqual([600, 900, 901, 1500, 1501].map(legs), [4, 4, 6, 6, 8]);
});

test('nailers by kind, behind a grooved back and in front of any other', () => {
  const heights = (from: 'base' | 'wall' | 'tall') =>
    box({ top: { kind: 'full' } }, { from })
      .parts.filter((part) => part.role === 'nailer')
      .map((part) => part.extent.min[2]);
  assert.deepEqual(heights('base'), [602]);
  assert.deepEqual(heights('wall'), [602, 18]);
  assert.deepEqual(heights('tall'), [602, 310, 18]);
  const front = (kind: 'grooved' | 'applied' | 'rabbeted') =>
    partOf(box({ back: { kind } }, { from: 'wall' }), 'nailer/high').extent;
  assert.deepEqual([front('grooved').min[1], front('grooved').max[1]], [542, 560]);
  assert.equal(front('applied').max[1], 554, 'flush with the face of the back');
  assert.ok(!has(box({ back: { kind: 'structural' } }, { from: 'wall' }), 'nailer/high'));
});

test('end panels and fillers come out of the overall width', () => {
  const panelled = box({ ends: { left: 'exposed', leftPanel: 'applied' } });
  assert.equal(panelled.box.width.value, 782);
  assert.deepEqual(partOf(panelled, 'end/left').extent.min[0], -18);
  const filled = box({ ends: { right: 'wall', filler: 'strip', scribe: 30 } });
  assert.equal(filled.box.width.value, 770);
  assert.equal(partOf(filled, 'filler/right').width.value, 30);
  const plain = box({ ends: { right: 'wall', filler: 'none' } });
  assert.equal(plain.box.width.value, 800);
  const onPlinth = box({ toe: { kind: 'plinth', height: 100 }, ends: { right: 'exposed', rightPanel: 'applied' } });
  assert.equal(partOf(onPlinth, 'end/right').length.value, 720, 'the panel goes down to the floor');
});

test('a face frame: overhangs by end, tenons, tongue, drop and packing', () => {
  const framed = (more: SettingOverrides = {}) =>
    box({
      school: 'faceFrame',
      top: { kind: 'full' },
      frame: { overhangNeighbour: 3, lip: 0, ...(more.frame ?? {}) },
      ...(more.ends ? { ends: more.ends } : {}),
    });
  const both = framed();
  assert.equal(both.box.width.value, 794);
  assert.equal(
    partOf(both, 'frame/stile/left').length.value,
    720 + 40 - 18,
    'the bottom rail drops below the box by rail − lip − bottom',
  );
  assert.equal(partOf(both, 'frame/rail/top').length.value, 720);
  assert.equal(partOf(framed({ frame: { tenon: 10 } }), 'frame/rail/top').length.value, 740);
  assert.equal(partOf(framed({ frame: { lip: 5 } }), 'frame/stile/left').length.value, 720 + 40 - 18 - 5);
  assert.equal(partOf(framed({ frame: { rise: 12 } }), 'frame/stile/left').length.value, 720 + 40 - 18 + 12);
  const walled = framed({ ends: { right: 'wall' } });
  assert.equal(walled.box.beyondRight.value, 25);
  const tongued = framed({ frame: { attachment: 'tongue', tongue: 6 } });
  assert.equal(partOf(tongued, 'side/left').width.value, both.box.sideDepth.value + 6);
  assert.equal(operations(partOf(tongued, 'frame/stile/left'), 'groove')[0]?.depth.value, 6);
  assert.equal(operations(partOf(both, 'side/left'), 'pockets')[0]?.face, 2, 'pockets on the hidden outside');
  const exposed = framed({ ends: { left: 'exposed' } });
  assert.equal(operations(partOf(exposed, 'side/left'), 'pockets')[0]?.plugged, true);
});

test('frame pockets stay on the front edge that is there', () => {
  const notched = box({ school: 'faceFrame', toe: { kind: 'notched', height: 100 } });
  const [pockets] = operations(partOf(notched, 'side/left'), 'pockets');
  assert.ok(pockets?.positions.every((position) => position.value > 100 && position.value < 720));
});

test('middle rails and stiles stand where the openings divide', () => {
  const solved = box(
    { school: 'faceFrame' },
    { face: rows(drawer('a'), { ...drawer('b'), fill: columns(drawer('c'), drawer('d')) }) },
  );
  const rail = partOf(solved, 'frame/rail/a').extent;
  const stile = partOf(solved, 'frame/stile/c').extent;
  assert.ok(Math.abs(stile.max[2] - rail.min[2]) < 1e-9, 'the middle stile reaches up to the middle rail');
  const bottom = partOf(solved, 'frame/rail/bottom').extent;
  assert.ok(Math.abs(stile.min[2] - bottom.max[2]) < 1e-9);
});

test('solid sides take their movement out of a web frame, sheet sides do not', () => {
  const depth = (side: string) =>
    partOf(box({ school: 'traditional', materials: { side } }), 'web/top/rail/rear').extent.max[1];
  assert.ok(Math.abs(depth('birch18') - 553.7) < 1e-9);
  assert.ok(Math.abs(depth('oak20') - (553.7 - 560 * 0.0037 * 4)) < 1e-9);
});

test('a web frame is as wide as its rails, with its cross members spread evenly and entering both rails by a tenon', () => {
  const [member, tenon] = [70, 12];
  for (const crossMembers of [2, 3, 5]) {
    const solved = box({ school: 'traditional', web: { member, crossMembers, tenon } });
    const front = partOf(solved, 'web/top/rail/front').extent;
    const rear = partOf(solved, 'web/top/rail/rear').extent;
    const crosses = Array.from({ length: crossMembers }, (_, at) => partOf(solved, `web/top/cross/${at + 1}`).extent);
    const near = (a: number | undefined, b: number, what: string) =>
      assert.ok(Math.abs((a ?? Number.NaN) - b) < 1e-9, `${what} with ${crossMembers}: ${a}, wanted ${b}`);
    near(crosses.at(0)?.min[0], front.min[0], 'the first stands flush with the left end');
    near(crosses.at(-1)?.max[0], front.max[0], 'the last with the right end');
    const gap = (front.max[0] - front.min[0] - crossMembers * member) / (crossMembers - 1);
    crosses.slice(1).forEach((cross, at) => {
      near(cross.min[0] - (crosses[at]?.max[0] ?? 0), gap, 'the room between two');
    });
    for (const cross of crosses) {
      near(front.max[1] - cross.min[1], tenon, 'the tenon in the front rail');
      near(cross.max[1] - rear.min[1], tenon, 'the tenon in the rear rail');
    }
  }
});

test('every role takes its own material', () => {
  const solved = box(
    { materials: { bottom: 'front18', partition: 'oak20', back: 'birch18' } },
    { face: columns(open('a'), open('b')) },
  );
  assert.equal(partOf(solved, 'bottom').material.id, 'front18');
  assert.equal(partOf(solved, 'divider/a').material.id, 'oak20');
  assert.equal(partOf(solved, 'back').thickness.value, 18);
  assert.equal(solved.box.grooveWidth.value, 18.3);
});

test('legs stand in pairs by width, and past 900 also under each partition', () => {
  const third = { rule: 'share' as const, weight: 1 };
  const legs = (width: number, columns: number) =>
    solveWith({
      width,
      face: {
        kind: 'columns',
        graduation: { kind: 'arithmetic', step: 0 },
        parts: Array.from({ length: columns }, (_, at) => ({
          id: `o${at + 1}`,
          size: third,
          fill: { kind: 'drawer' as const },
        })),
      },
      settings: { toe: { kind: 'legs' } },
    }).fittings.find(({ name }) => name.startsWith('Leg: '))?.quantity;
  assert.equal(legs(800, 1), 4);
  assert.equal(legs(800, 2), 4);
  assert.equal(legs(900, 3), 4);
  assert.equal(legs(1000, 1), 6);
  assert.equal(legs(1000, 3), 8);
  assert.equal(legs(1600, 1), 8);
});

test('an applied end panel reaches the floor and closes the toe: the board runs up to it, without a hole', () => {
  for (const kind of ['plinth', 'legs'] as const) {
    const solved = solveWith({
      width: 600,
      settings: { ends: { left: 'exposed', leftPanel: 'applied' }, toe: { kind, setback: 50 } },
    });
    const board = partOf(solved, kind === 'plinth' ? 'plinth/front' : 'toe/board').extent;
    const panel = partOf(solved, 'end/left').extent;
    assert.equal(board.min[0], panel.max[0]);
    assert.equal(panel.min[2], board.min[2]);
    assert.ok(!solved.parts.some(({ key }) => key === 'toe/return/left'));
  }
});

test('on legs the toe returns round an end that shows, up to the back of the board', () => {
  const solved = solveWith({ settings: { ends: { left: 'exposed' }, toe: { kind: 'legs' } } });
  const [board, back] = [partOf(solved, 'toe/board').extent, partOf(solved, 'toe/return/left').extent];
  assert.equal(back.min[1], board.max[1]);
  assert.equal(back.min[0], board.min[0]);
  assert.equal(back.max[1], solved.box.sideDepth.value);
  assert.equal(solved.fittings.find(({ name }) => name === 'Toe corner piece')?.quantity, 1);
});

test('a filler is flush with the fronts on a strip behind it, and the toe goes on under it to the wall', () => {
  for (const fit of ['overlay', 'inset', 'lipped'] as const) {
    const solved = solveWith({
      settings: { fronts: { fit }, ends: { right: 'wall', filler: 'strip', scribe: 40 }, toe: { kind: 'plinth' } },
    });
    const filler = partOf(solved, 'filler/right').extent;
    const strip = partOf(solved, 'filler/right/return').extent;
    for (const front of solved.fronts) assert.ok(Math.abs(front.extent.min[1] - filler.min[1]) < 1e-6, fit);
    assert.equal(strip.min[1], filler.max[1]);
    assert.equal(strip.min[0], solved.box.width.value);
    assert.equal(partOf(solved, 'plinth/front').extent.max[0], filler.max[0]);
    assert.equal(partOf(solved, 'plinth/rear').extent.max[0], solved.box.width.value);
  }
});

test('solid sides carry the trimming allowance in their rough size, sheet sides do not', () => {
  const side = (material: string) =>
    partOf(
      solveWith({ settings: { school: 'traditional', materials: { side: material }, web: { allowance: 7 } } }),
      'side/left',
    );
  const [solid, sheet] = [side('oak20'), side('birch18')];
  assert.equal(solid.cutLength.value - solid.length.value, 7);
  assert.equal(solid.cutWidth.value - solid.width.value, 7);
  assert.equal(sheet.cutLength.value, sheet.length.value);
  assert.equal(sheet.cutWidth.value, sheet.width.value);
});

test('sheet panels that stop at the back of solid sides leave what the sides shrink; others do not', () => {
  const shelved = (settings: SettingOverrides) =>
    solveWith({
      settings,
      parts: [
        { id: 'o1', size: { rule: 'share', weight: 1 }, divider: 'shelf', fill: { kind: 'open' } },
        { id: 'o2', size: { rule: 'share', weight: 1 }, fill: { kind: 'open' } },
      ],
    });
  const solid = shelved({ school: 'traditional', top: { kind: 'full' } });
  const depth = (key: string) => partOf(solid, key).extent.max[1] - partOf(solid, key).extent.min[1];
  // Oak across 558: coefficient and change of moisture of the starting material.
  const shrink = solid.box.clearDepth.value - depth('bottom');
  assert.ok(shrink > 5 && shrink < 12, `${shrink}`);
  assert.ok(Math.abs(depth('divider/o1') - depth('bottom')) < 1e-9);
  assert.ok(Math.abs(depth('top') - depth('bottom')) < 1e-9);
  const sheet = shelved({ back: { kind: 'rabbeted' } });
  assert.equal(partOf(sheet, 'bottom').extent.max[1], sheet.box.clearDepth.value);
});

test('end panels, fillers and the sides of wall cabinets are banded as decided; what a bander mills off is cut on', () => {
  const bands = (part: Part) => part.bands.map(({ edge }) => edgeName(part.placement, edge)).join();
  const panelled = box({ ends: { left: 'exposed', leftPanel: 'applied' } });
  assert.equal(bands(partOf(panelled, 'end/left')), 'front');
  const all = box({ ends: { left: 'exposed', leftPanel: 'applied' }, banding: { endEdges: 'all', preMilling: 0.5 } });
  const panel = partOf(all, 'end/left');
  assert.equal(panel.bands.length, 4);
  assert.ok(
    Math.abs(panel.length.value - 2 * 0.5 + 2 * 0.5 - panel.cutLength.value) < 1e-9,
    'less two bands, and milled twice',
  );
  const side = partOf(all, 'side/left');
  assert.ok(Math.abs(side.width.value - 0.5 + 0.5 - side.cutWidth.value) < 1e-9);
  assert.equal(side.cutLength.value, side.length.value, 'no band, nothing milled');
  const filled = box({ ends: { left: 'wall', right: 'wall', filler: 'strip', scribe: 30 } });
  assert.equal(bands(partOf(filled, 'filler/left')), 'right');
  assert.equal(bands(partOf(filled, 'filler/right')), 'left');
  const wall = box({ banding: { undersides: 'banded' } }, { from: 'wall' });
  assert.equal(bands(partOf(wall, 'side/left')), 'front,bottom');
  assert.equal(partOf(wall, 'side/left').cutLength.value, partOf(wall, 'side/left').length.value - 0.5);
  assert.equal(
    bands(partOf(box({ banding: { undersides: 'banded' } }), 'side/left')),
    'front',
    'a base is not seen from below',
  );
});
