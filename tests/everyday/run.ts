/** npm run everyday: ordinary cabinets, untouched; what stands against any of them. `-- --show RULE` prints the cabinets of a rule. */
import { parseArgs } from 'node:util';
import { everydayCabinets } from './cabinets.js';
import { type Found, sweep } from './sweep.js';

const { values } = parseArgs({ options: { show: { type: 'string' }, every: { type: 'string', default: '1' } } });
const { cabinets, leftOut } = everydayCabinets();
const every = Number(values.every);
const some = cabinets.filter((_, at) => at % every === 0);
console.log(`${some.length} cabinets of ${cabinets.length}`);
for (const [why, count] of Object.entries(leftOut)) console.log(`left out: ${count} times ${why}`);
const start = performance.now();
const found = sweep(some);
console.log(`solved in ${Math.round((performance.now() - start) / 1000)} s`);
const by = (severity: string) => {
  const rules = new Map<string, Found[]>();
  for (const each of found)
    if (each.severity === severity) rules.set(each.rule, [...(rules.get(each.rule) ?? []), each]);
  const names = new Set(found.filter((each) => each.severity === severity).map(({ name }) => name));
  console.log(`\n${severity}: ${names.size} cabinets`);
  for (const [rule, all] of [...rules].sort((a, b) => b[1].length - a[1].length))
    console.log(`  ${String(all.length).padStart(5)} ${rule}: ${all[0]?.what} ${all[0]?.why} [${all[0]?.name}]`);
};
by('stop');
by('warn');
if (values.show)
  for (const each of found.filter(({ rule }) => rule === values.show))
    console.log(`${each.name}\n    ${each.severity} ${each.what} ${each.why}`);
if (found.some(({ severity }) => severity === 'stop')) process.exitCode = 1;
