// A measurement as what it measures runs when built: in one file, with the room for what is new that the server's threads have.
import { spawnSync } from 'node:child_process';
import { bundle } from '../scripts/bundle.mjs';

const [name, ...rest] = process.argv.slice(2);
const program = await bundle(`bench/${name}.ts`, `node_modules/.cache/alcove/bench-${name}.mjs`);
const { status } = spawnSync(process.execPath, ['--min-semi-space-size=16', program, ...rest], { stdio: 'inherit' });
process.exitCode = status ?? 1;
