#!/usr/bin/env node
// Starts the server on what was built: settings from the environment (see the README).
import { register } from 'tsx/esm/api';

register();
const { serve } = await import('./main.ts');
await serve(process.env);
