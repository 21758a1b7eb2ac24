// Programs in one file each, as they run when built: the TypeScript loader keeps the name of every function, which costs
// what makes functions by the thousand a fifth of its time.
import { join } from 'node:path';
import { build } from 'esbuild';
import { root } from './prepare.mjs';

/** Bundles a program for Node; packages stay where they are. Paths from the project's folder. */
export async function bundle(from, to) {
  await build({
    absWorkingDir: root,
    entryPoints: [from],
    outfile: to,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  });
  return join(root, to);
}

/** The server and what each thread that figures for it runs; what the terminal runs, and the thread it lays sheets out in. */
export const bundlePrograms = () =>
  Promise.all([
    bundle('src/host/main.ts', 'dist/server/host.mjs'),
    bundle('src/server/compute/worker.ts', 'dist/server/compute.mjs'),
    bundle('cli/main.ts', 'dist/cli/main.mjs'),
    bundle('cli/thread.ts', 'dist/cli/thread.mjs'),
  ]);
