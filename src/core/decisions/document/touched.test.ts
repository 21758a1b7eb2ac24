import assert from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { test } from 'node:test';
import { Random } from '../../../../tests/generator/random.js';
import { form, readJobText, readTouched, validate } from '../../solve/index.js';
import type { Job } from './index.js';

type Node = Record<string, unknown>;

const ODD = [null, '', ' spaced ', 'none', -1, 0, 17.8, 1e12, true, [], {}, undefined] as const;

/** Puts something odd, or something from elsewhere in the document, at a place of a job; returns the place as edits name it. */
function spoil(job: object, random: Random): string {
  const path: string[] = [];
  let node = job as Node;
  for (;;) {
    const keys = Array.isArray(node) ? node.map((_, at) => String(at)) : Object.keys(node);
    const key = keys[random.whole(0, keys.length - 1)] as string;
    const next = node[key];
    path.push(Array.isArray(node) ? String((next as Node).id) : key);
    const goesOn = Array.isArray(next)
      ? next.length > 0 && next.every((each) => typeof each === 'object' && each !== null && 'id' in each)
      : typeof next === 'object' && next !== null && Object.keys(next).length > 0;
    // Entries themselves are added and taken away by other edits.
    const mayStop = !Array.isArray(node);
    if (goesOn && !(mayStop && random.chance(0.15))) {
      node = next as Node;
      continue;
    }
    const value = ODD[random.whole(0, ODD.length - 1)];
    if (random.chance(0.3) && typeof next === 'number') node[key] = next * (1 + random.between(-0.2, 0.2));
    else if (value === undefined) delete node[key];
    else node[key] = structuredClone(value);
    return path.join('/');
  }
}

test('looking at what was touched says what looking at the whole job says: accepted alike, refused at the same places', () => {
  const read = readJobText(readFileSync('demo/reading-room.alcove.json', 'utf8'));
  assert.ok(read.ok);
  const random = new Random(7);
  const seen = { accepted: 0, refused: 0, head: 0 };
  for (let run = 0; run < 500; run += 1) {
    const job: Job = structuredClone(read.value);
    // Half of it in the head, which the document has most of, and half in cabinets.
    const cabinet = job.cabinets[random.whole(0, job.cabinets.length - 1)] as Job['cabinets'][number];
    const within: string = random.chance(0.5) ? '' : `cabinets/${cabinet.id}/`;
    const place = within + spoil(within ? cabinet : job, random);
    // What names an entry is never touched by an edit.
    if (place.endsWith('/id')) continue;
    const whole = validate(form.job, job);
    const part = readTouched(job, [place]);
    assert.equal(part.ok, whole.ok, `${place}: ${JSON.stringify(whole.ok ? part : whole)}`);
    if (!place.startsWith('cabinets/')) seen.head += 1;
    if (whole.ok && part.ok) {
      seen.accepted += 1;
      assert.deepEqual(part.value, whole.value, place);
    } else if (!whole.ok && !part.ok) {
      seen.refused += 1;
      const told = (errors: readonly { readonly path: string; readonly message: string }[]) =>
        errors.map(({ path, message }) => `${path}: ${message}`);
      assert.deepEqual(told(part.errors), told(whole.errors), place);
    }
  }
  assert.ok(seen.accepted > 40 && seen.refused > 200 && seen.head > 150, JSON.stringify(seen));
});
