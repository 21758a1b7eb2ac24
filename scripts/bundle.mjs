// Programs in one file each, as they run when built: the TypeScript loader keeps the name of every function, which costs
// what makes functions by the thousand a fifth of its time.
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { build } from 'esbuild';

const root = dirname(dirname(fileURLToPath(import.meta.url)));

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

/** What each thread that figures for the built server runs. */
export const bundleFiguring = () => bundle('src/server/figuring/worker.ts', 'dist/server/figuring.mjs');
