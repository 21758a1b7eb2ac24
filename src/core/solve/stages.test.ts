import assert from 'node:assert/strict';
import { readdirSync, readFileSync } from 'node:fs';
import { test } from 'node:test';
import type { BuiltCabinet, FitContextFor, RuleContext } from '../cabinet/index.js';
import type { Resolved } from '../decisions/index.js';
import type { LegSettings } from '../kinds/legs/settings.js';
import type { pulls } from '../kinds/pulls/index.js';
import type { SolvedCabinet } from './index.js';

/** Never called: it is there to be compiled. */
const compiled = (..._looked: readonly (() => unknown)[]) => undefined;

test('a kind is given its own settings and the results of those it stands after, and no others', () => {
  const context = {} as FitContextFor<LegSettings, readonly [typeof pulls]>;
  compiled(
    () => context.resolved.settings.legs.choice.value,
    () => context.fitted.pulls.map(({ frontKey }) => frontKey),
    () => context.resolved.settings.pulls.fromEnd.value,
    // @ts-expect-error it does not stand after runners
    () => context.fitted.runners,
    // @ts-expect-error nor does it know what they are set to
    () => context.resolved.settings.drawers.family,
  );
});

test('what comes before the kinds knows none of them, what comes after knows them all', () => {
  const resolved = {} as Resolved;
  const built = {} as BuiltCabinet;
  const rule = {} as RuleContext;
  const solved = {} as SolvedCabinet;
  compiled(
    () => resolved.settings.toe.height.value,
    // What the construction asks of a kind is said there.
    () => resolved.settings.hangers.fitted.value === 'hangers',
    // @ts-expect-error how hinges are set is nothing to the construction
    () => resolved.settings.hinges,
    // @ts-expect-error the contract of a built cabinet names no kind
    () => built.fitted.hinges,
    // @ts-expect-error nor do rules about the construction
    () => rule.fitted.hangers,
    () => solved.fitted.hinges[0]?.places,
    () => solved.resolved.settings.drawers.family.value,
  );
});

test('the core is its stages, and each says at its door what comes in, what goes out and what it knows', () => {
  const rules = readFileSync('.dependency-cruiser.cjs', 'utf8');
  const listed = [...(/const STAGES = \[([^\]]*)\]/.exec(rules)?.[1] ?? '').matchAll(/'(\w+)'/g)].map(
    ([, name]) => name,
  );
  assert.deepEqual([...listed].sort(), readdirSync('src/core').sort());
  assert.ok(listed.length >= 10);
  for (const stage of listed) {
    const [head = ''] = /^\/\*\*[\s\S]*?\*\//.exec(readFileSync(`src/core/${stage}/index.ts`, 'utf8')) ?? [];
    for (const word of ['Comes in:', 'Goes out:', 'Knows:'])
      assert.ok(head.replace(/\s*\*\s*/g, ' ').includes(word), `${stage}: ${word}`);
  }
});
