// A measurement as what it measures runs when built: in one file, with the room for what is new that the server's threads have.
import { spawnSync } from 'node:child_process';
import { register } from 'tsx/esm/api';
import { bundle } from '../scripts/bundle.mjs';

register();
const { YOUNG } = await import('../src/server/figuring/young.ts');

const [name, ...rest] = process.argv.slice(2);
const program = await bundle(`bench/${name}.ts`, `node_modules/.cache/alcove/bench-${name}.mjs`);
const { status } = spawnSync(process.execPath, [YOUNG, program, ...rest], { stdio: 'inherit' });
process.exitCode = status ?? 1;
