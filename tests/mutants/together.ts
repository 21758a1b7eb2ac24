/** Runs the test files named on the command line in one process: loading the core once is most of what a short test costs. */
import { resolve } from 'node:path';

for (const file of process.argv.slice(2)) await import(resolve(file));
