import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, passthroughImageService } from 'astro/config';
import { bundlePrograms } from './scripts/bundle.mjs';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [
    react(),
    // What the server's threads and the terminal run stands beside it, each in one file.
    {
      name: 'alcove: programs',
      hooks: {
        'astro:build:done': async () => {
          await bundlePrograms();
        },
      },
    },
  ],
  server: { host: '127.0.0.1', port: Number(process.env.PORT ?? 4417) },
  // The host checks the origin of every write itself, JSON ones included.
  security: { checkOrigin: false },
  devToolbar: { enabled: false },
  // Hashes of the scripts that stand in a page; the policy around them is src/host/headers.ts.
  experimental: { csp: true },
  // No image is ever made over.
  image: { service: passthroughImageService() },
  vite: {
    worker: { format: 'es' },
    plugins: [tailwindcss()],
    ssr: { external: ['better-sqlite3', 'pino', 'piscina'] },
  },
});
