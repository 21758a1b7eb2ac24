#!/usr/bin/env node
import { register } from 'tsx/esm/api';

register();
const { endQuietly, run } = await import('./main.ts');
endQuietly(process.stdout);
process.exitCode = await run(process.argv.slice(2));
