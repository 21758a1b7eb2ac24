// npm run test:core: every test beside the code, without a build and without a browser.
import { installPackages, run } from './prepare.mjs';
import { runnerArgs, testsIn, together } from './tests.mjs';

installPackages();
const watch = process.argv.includes('--watch');
run(process.execPath, runnerArgs(together(testsIn('src'), 2, 'core'), { reporter: watch ? 'dot' : 'spec', watch }));
