import assert from 'node:assert/strict';
import { test } from 'node:test';
import { type CabinetDecisions, solveWith } from '../../../tests/support/cabinets.js';
import type { PlanDoor, Turn } from '../cabinet/index.js';
import { type HungDoor, hingeCatalogue, isConcealed, leastGap, turnOf } from '../kinds/hinges/index.js';
import type { SolvedCabinet } from '../solve/index.js';
import { doorAt, stopSwing, swingContact, turned } from './index.js';

const share = { rule: 'share' as const, weight: 1 };
const turning = (door: HungDoor, { box }: SolvedCabinet): Turn => {
  const turn = turnOf(door, box);
  assert.ok(turn);
  return turn;
};
const hung = (hinged: 'left' | 'right', settings: CabinetDecisions['settings'] = {}, width = 450) => {
  const solved = solveWith({
    width,
    settings: settings ?? {},
    parts: [{ id: 'o1', size: share, fill: { kind: 'door', hinged } }],
  });
  const [door] = solved.fitted.hinges;
  assert.ok(door);
  const turn = turning(door, solved);
  return { solved, door, turn, plan: turn.plan };
};

test('a door turns about one point: nothing of it changes its distance from there', () => {
  const { plan } = hung('left');
  const closed = doorAt(plan, 0);
  for (const angle of [10, 45, 90, 110])
    doorAt(plan, angle).forEach((corner, at) => {
      const start = closed[at];
      assert.ok(start);
      const distance = (point: { x: number; y: number }) => Math.hypot(point.x - plan.pivot.x, point.y - plan.pivot.y);
      assert.ok(Math.abs(distance(corner) - distance(start)) < 1e-9);
    });
  assert.deepEqual(closed[0], { x: plan.hingeEdge, y: plan.face });
});

test('opened square a door stands before the opening, at the side it is hung on', () => {
  for (const hinged of ['left', 'right'] as const) {
    const { plan } = hung(hinged);
    const free = turned(plan, { x: plan.freeEdge, y: plan.face }, 90);
    assert.ok(free.y < plan.face - 400, 'the free edge is out in front');
    assert.ok(Math.abs(free.x - plan.hingeEdge) < 20);
  }
});

test('the way of the edge agrees with the least gap the profile prints, for every concealed hinge', () => {
  for (const profile of hingeCatalogue.filter(isConcealed))
    for (const { thickness, at } of profile.gaps)
      for (const { offset } of at) {
        const plan: PlanDoor = {
          hand: 1,
          pivot: { x: offset + profile.turn.beyondCup, y: thickness - profile.turn.beforeBack },
          hingeEdge: 0,
          freeEdge: 400,
          face: 0,
          back: thickness,
          stopAngle: profile.opening,
        };
        const printed = leastGap(profile, thickness, offset);
        assert.ok(Math.abs(stopSwing(plan) - printed) < 0.15, `${profile.id} ${thickness}/${offset}`);
      }
});

test('a butt turns about its knuckle: shut, the door moves straight away from the frame', () => {
  const { plan, door } = hung('left', {
    school: 'faceFrame',
    fronts: { fit: 'inset', gap: 2 },
    hinges: { family: 'butt' },
  });
  assert.equal(door.chosen?.kind, 'leaf');
  assert.ok(plan.pivot.y < plan.face, 'before the face');
  assert.equal(stopSwing(plan), 0);
});

test('fully open on a wide hinge no part of the door stands before the opening; on a usual one its edge does', () => {
  const into = (opening: number) => {
    const { plan, door } = hung('left', { hinges: { opening } });
    const inner = door.plane;
    return Math.max(...[doorAt(plan, door.stopAngle)[0], doorAt(plan, door.stopAngle)[3]].map(({ x }) => x)) - inner;
  };
  assert.ok(into(160) <= 0.05, `stands ${into(160)} into the opening`);
  assert.ok(into(95) > 5);
});

const against = (turn: Turn, x: number) =>
  swingContact(turn, [], [{ name: 'a wall', min: { x: -2000, y: -2000 }, max: { x, y: 2000 }, low: -100, high: 3000 }]);

test('a wall beside the hinge stops the door the sooner the nearer it is; far enough away it does not', () => {
  const { turn } = hung('left', {}, 450);
  const near = against(turn, -2)?.free ?? 999;
  const further = against(turn, -60)?.free ?? 999;
  assert.ok(near < further && near > 60 && further < 110, `${near} ${further}`);
  assert.equal(against(turn, -400), undefined);
  const { plan } = hung('left', {}, 450);
  const free = doorAt(plan, further).map(({ x }) => x);
  assert.ok(Math.min(...free) >= -60 - 1e-6, 'still clear at the angle it names');
  assert.ok(Math.min(...doorAt(plan, further + 1).map(({ x }) => x)) < -60);
});

test('a thin thing near the end of a wide door is not stepped over', () => {
  for (const width of [450, 900, 1400]) {
    const { turn, plan } = hung('left', {}, width);
    // A post of 12 by 12 that the free end of the door passes half way open.
    const tip = turned(plan, { x: plan.freeEdge, y: plan.face }, 45);
    const post = { name: 'a post', min: { x: tip.x - 20, y: tip.y + 8 }, max: { x: tip.x - 8, y: tip.y + 20 } };
    const contact = swingContact(turn, [], [{ ...post, low: -100, high: 3000 }]);
    assert.ok(contact && contact.free > 35 && contact.free < 55, `${width}: ${contact?.free}`);
  }
});

test('what stands above or below a door is not in its way', () => {
  const { turn } = hung('left');
  const over = { name: 'a shelf', min: { x: -500, y: -500 }, max: { x: -2, y: 500 }, low: 5000, high: 6000 };
  assert.equal(swingContact(turn, [], [over]), undefined);
});

test('the pull meets a wall before the door does', () => {
  const atWall = { ends: { left: 'wall', filler: 'none' }, hinges: { stopAt: 180 } } as const;
  const { solved } = hung('left', atWall);
  const contact = solved.contacts.get('door/o1');
  assert.equal(contact?.by, 'pulls');
  assert.equal(contact?.obstacle.name, 'the wall');
  const bare = hung('left', { ...atWall, pulls: { doors: 'none' } }).solved.contacts.get('door/o1');
  assert.ok(bare && contact && bare.free > contact.free);
});

test('a door is stopped where its hinge or its limiter stops it', () => {
  assert.equal(hung('left').door.stopAngle, 110);
  assert.equal(hung('left', { hinges: { stopAt: 92 } }).door.stopAngle, 92);
});
