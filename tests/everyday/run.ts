/**
 * npm run everyday: ordinary cabinets, untouched; what stands against any of them beside what is known and true.
 * `-- --every N` looks at every Nth, `-- --show RULE` prints the cabinets of a rule, `-- --choice WORDS` those of a choice.
 */
import { parseArgs } from 'node:util';
import { everydayCabinets } from './cabinets.js';
import { countFasteners, fewer } from './fasteners.js';
import { compare, KNOWN_STOPS, KNOWN_WARNINGS, type Known } from './known.js';
import { type Found, sweep } from './sweep.js';

const { values } = parseArgs({
  options: {
    show: { type: 'string' },
    choice: { type: 'string' },
    every: { type: 'string', default: '1' },
    write: { type: 'boolean', default: false },
  },
});
const { cabinets, leftOut } = everydayCabinets();
const every = Number(values.every);
const some = cabinets.filter(({ name }, at) => at % every === 0 && (!values.choice || name.includes(values.choice)));
console.log(`${some.length} cabinets of ${cabinets.length}`);
for (const [why, count] of Object.entries(leftOut)) console.log(`left out: ${count} times ${why}`);
const start = performance.now();
const { found, fasteners } = sweep(some);
console.log(`solved in ${Math.round((performance.now() - start) / 1000)} s`);

const of = (severity: string) => found.filter((each) => each.severity === severity);
const cabinetsOf = (all: readonly Found[]) => new Set(all.map(({ name }) => name)).size;
const lines = (all: readonly Found[]) => {
  const rules = new Map<string, Found[]>();
  for (const each of all) rules.set(each.rule, [...(rules.get(each.rule) ?? []), each]);
  for (const [rule, own] of [...rules].sort((a, b) => b[1].length - a[1].length))
    console.log(`  ${String(own.length).padStart(5)} ${rule}: ${own[0]?.what} ${own[0]?.why} [${own[0]?.name}]`);
};
const told = (title: string, all: readonly Found[], known: readonly Known[]): boolean => {
  const { unknown, idle } = compare(all, known);
  console.log(`\n${title}: ${cabinetsOf(all)} cabinets, ${cabinetsOf(unknown)} of them beside what is known`);
  for (const line of known) {
    const own = compare(all, [line]);
    console.log(`  known: ${all.length - own.unknown.length} ${line.rule}: ${line.why}`);
  }
  lines(unknown);
  const whole = every === 1 && !values.choice;
  if (whole) for (const { rule, why } of idle) console.log(`  said of nothing any more: ${rule}: ${why}`);
  return unknown.length > 0 || (whole && idle.length > 0);
};
const stops = told('stop', of('stop'), KNOWN_STOPS);
const warnings = told('warn', of('warn'), KNOWN_WARNINGS);
if (values.show)
  for (const each of found.filter(({ rule }) => rule === values.show))
    console.log(`${each.name}\n    ${each.severity} ${each.what} ${each.why}`);
let lost = false;
if (every === 1 && !values.choice) lost = countFasteners(fasteners, values.write).some(fewer);
if (stops || warnings || lost) process.exitCode = 1;
