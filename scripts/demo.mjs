// npm run demo: installs what is missing, builds, makes a database with the demo jobs, starts on loopback.

import { join } from 'node:path';
import { build, installPackages, root, run, say, serve } from './prepare.mjs';

installPackages();
build();
const data = process.env.ALCOVE_DATA ?? join(root, 'data', 'demo');
say(`demo data in ${data}`);
run(process.execPath, ['--import', 'tsx', join(root, 'scripts', 'seed.ts')], {
  env: { ...process.env, ALCOVE_DATA: data },
});
serve({ ALCOVE_DATA: data });
