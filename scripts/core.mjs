// npm run test:core: the tests beside the code, without a build and without a browser; sweeps, which try hundreds of
// cabinets one after another, are left to npm test.
import { installPackages, run, say } from './prepare.mjs';
import { isSweep, runnerArgs, testsIn, together } from './tests.mjs';

installPackages();
const watch = process.argv.includes('--watch');
const tests = testsIn('src');
const quick = tests.filter((file) => !isSweep(file));
say(`${quick.length} files of tests; ${tests.length - quick.length} sweeps are left to npm test`);
run(process.execPath, runnerArgs(together(quick, 2, 'core'), { reporter: watch ? 'dot' : 'spec', watch }));
