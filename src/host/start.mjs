#!/usr/bin/env node
// Starts the server as it was built: settings from the environment (see the README).
import { existsSync } from 'node:fs';

const program = new URL('../../dist/server/host.mjs', import.meta.url);
if (existsSync(program)) {
  const { serve } = await import(program.href);
  await serve(process.env);
} else {
  console.error('alcove: The app is not built yet: npm start builds and starts it.');
  process.exitCode = 1;
}
