#!/usr/bin/env node
import { builtProgram } from './built.mjs';

const built = builtProgram('main');
if (!built) (await import('tsx/esm/api')).register();
const { endQuietly, run } = await import(built ?? './main.ts');
endQuietly(process.stdout);
process.exitCode = await run(process.argv.slice(2));
