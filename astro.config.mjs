import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, passthroughImageService } from 'astro/config';
import { bundleFiguring } from './scripts/bundle.mjs';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware' }),
  integrations: [
    react(),
    // What the server's threads run stands beside it, in one file.
    { name: 'alcove: figuring', hooks: { 'astro:build:done': () => bundleFiguring() } },
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
