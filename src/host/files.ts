import type { IncomingMessage, ServerResponse } from 'node:http';
import { join } from 'node:path';
import send from 'send';
import { root } from '../server/root.js';

const CLIENT = join(root, 'dist', 'client');

/** Sends a file of the program, if there is one of this path: named by what is in them, most may be kept for good. */
export function sendFile(request: IncomingMessage, response: ServerResponse, path: string): Promise<boolean> {
  if (path === '/' || path.startsWith('/api/')) return Promise.resolve(false);
  const isKept = path.startsWith('/_astro/');
  return new Promise((resolve) => {
    send(request, encodeURI(path), {
      root: CLIENT,
      index: false,
      dotfiles: 'ignore',
      immutable: isKept,
      maxAge: isKept ? '1y' : 0,
    })
      .on('error', () => resolve(false))
      .on('directory', () => resolve(false))
      .pipe(response)
      .once('close', () => resolve(true));
  });
}
