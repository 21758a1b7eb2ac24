// npm run dev: the app rebuilt at every change, on the demo data.
import { join } from 'node:path';
import { installPackages, root, run } from './prepare.mjs';

installPackages();
const env = { ...process.env, ALCOVE_DATA: process.env.ALCOVE_DATA ?? join(root, 'data', 'demo') };
run(process.execPath, ['--import', 'tsx', join(root, 'scripts', 'seed.ts')], { env });
run(process.execPath, [join(root, 'node_modules', 'astro', 'astro.js'), 'dev'], { env });
