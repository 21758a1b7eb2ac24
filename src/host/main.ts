import { existsSync } from 'node:fs';
import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import send from 'send';
import { closeDatabase, dataFolder, openShop } from '../server/database.js';
import { endThreads } from '../server/figuring/pool.js';
import { log } from '../server/log.js';
import { root } from '../server/root.js';
import { Access } from './access.js';
import { hearOut, receive } from './body.js';
import { atTheDoor, type Refused } from './door.js';
import { HEADERS, POLICY } from './headers.js';
import { type HostSettings, hostSettings, SettingError } from './settings.js';

/** Pages and endpoints, as they were built. */
type Pages = (request: IncomingMessage, response: ServerResponse, next: () => void) => Promise<void>;

const CLIENT = join(root, 'dist', 'client');
/** An upload that is not finished after so long is dropped; so is a connection that says nothing (ms). */
const UPLOAD_WITHIN = 60_000;
const HEADERS_WITHIN = 20_000;
/** What runs when the end is asked for has so long to finish (ms). */
const GRACE = 1000;

/** Starts the server. What keeps it from starting is one sentence and an exit code. */
export async function serve(env: NodeJS.ProcessEnv): Promise<void> {
  try {
    const settings = hostSettings(env);
    const entry = join(root, 'dist', 'server', 'entry.mjs');
    if (!existsSync(entry)) throw new SettingError('The app is not built yet: npm start builds and starts it.');
    const { handler } = (await import(pathToFileURL(entry).href)) as { handler: Pages };
    openShop();
    const access = settings.open ? Access.of(dataFolder(), env.ALCOVE_CODE) : undefined;
    const server = createServer((request, response) => {
      handle(request, response, settings, access, handler).catch((error: unknown) => {
        log.error({ err: error, url: request.url }, 'request failed');
        refuse(response, { status: 500, code: 'failed', message: 'Something went wrong in Alcove; the log has it.' });
      });
    });
    server.requestTimeout = UPLOAD_WITHIN;
    server.headersTimeout = HEADERS_WITHIN;
    server.on('clientError', (_error, socket) => {
      if (!socket.writable) return;
      const body = JSON.stringify({ error: unreadable });
      socket.end(
        `HTTP/1.1 400 Bad Request\r\nconnection: close\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
      );
    });
    endWell(server);
    await listening(server, settings);
    tellWhoMayComeIn(settings, access);
  } catch (error) {
    const said = sentenceFor(error, env);
    if (said === undefined) throw error;
    console.error(`alcove: ${said}`);
    process.exit(1);
  }
}

function sentenceFor(error: unknown, env: NodeJS.ProcessEnv): string | undefined {
  if (error instanceof SettingError) return error.message;
  switch ((error as { code?: unknown }).code) {
    case 'EADDRINUSE':
      return `port ${env.PORT ?? ''} is taken: another Alcove may be running. Stop it, or choose another with PORT=4418.`;
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
      return `this machine has no address ${env.HOST}. Leave HOST out to serve this machine alone.`;
    case 'EACCES':
      return `port ${env.PORT ?? ''} is not for everybody to take. Choose one above 1024 with PORT=4418.`;
    default:
      return undefined;
  }
}

function listening(server: Server, { host, port }: HostSettings): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve();
    });
  });
}

function tellWhoMayComeIn({ host, port, open, names }: HostSettings, access: Access | undefined): void {
  if (!open) return;
  console.log(
    `alcove: OPEN TO THE NETWORK at ${host}:${port}. Whoever has the access code can read and change every job.`,
  );
  console.log(`alcove: it answers to ${[...names].join(', ')}; ALCOVE_NAMES adds names.`);
  console.log(
    access?.fresh
      ? `alcove: the access code is ${access.fresh}. It is shown this once; npm run access-code makes another.`
      : 'alcove: the access code is the one it had; npm run access-code makes another.',
  );
}

async function handle(
  request: IncomingMessage,
  response: ServerResponse,
  settings: HostSettings,
  access: Access | undefined,
  pages: Pages,
): Promise<void> {
  for (const [name, value] of Object.entries(HEADERS)) response.setHeader(name, value);
  // A page brings its own, with the hashes of its scripts.
  response.setHeader('content-security-policy', POLICY);
  const refused = atTheDoor(request, settings);
  if (refused) return refuse(response, refused, request);
  const path = (request.url ?? '/').split(/[?#]/, 1)[0] as string;
  const reading = request.method === 'GET' || request.method === 'HEAD';
  if (reading && (await sendFile(request, response, path))) return;
  if (access && path === '/enter' && request.method === 'POST') return enter(request, response, access);
  if (access && path !== '/enter' && !access.isIn(request.headers.cookie)) return askForCode(request, response, path);
  if (!reading) {
    const body = await receive(request);
    if (body === undefined) return;
    if ('refused' in body) return refuse(response, body.refused, request);
    // Pages and endpoints read it from here.
    Object.assign(request, { body: once(body.bytes) });
  }
  // What the framework brings of its own is nothing of this app.
  if (path.startsWith('/_')) return refuse(response, nothingHere, request);
  await pages(request, response, () => refuse(response, nothingHere));
}

const unreadable = { code: 'request', message: 'This request cannot be read.', fields: [] };
const nothingHere: Refused = { status: 404, code: 'nothing-here', message: 'There is nothing at this address.' };

const once = (body: Buffer) => ({
  async *[Symbol.asyncIterator]() {
    if (body.length > 0) yield body;
  },
});

/** Files of the program: named by what is in them, they may be kept for good. */
function sendFile(request: IncomingMessage, response: ServerResponse, path: string): Promise<boolean> {
  if (path === '/' || path.startsWith('/api/')) return Promise.resolve(false);
  return new Promise((resolve) => {
    send(request, path, {
      root: CLIENT,
      index: false,
      dotfiles: 'ignore',
      immutable: path.startsWith('/_astro/'),
      maxAge: path.startsWith('/_astro/') ? '1y' : 0,
    })
      .on('error', () => resolve(false))
      .on('directory', () => resolve(false))
      .pipe(response)
      .once('close', () => resolve(true));
  });
}

function askForCode(request: IncomingMessage, response: ServerResponse, path: string): void {
  if (path.startsWith('/api/')) {
    refuse(
      response,
      { status: 401, code: 'no-access', message: 'This Alcove wants its access code: open /enter.' },
      request,
    );
    return;
  }
  response.writeHead(303, { location: '/enter' });
  response.end();
}

async function enter(request: IncomingMessage, response: ServerResponse, access: Access): Promise<void> {
  const body = await receive(request);
  if (body === undefined) return;
  if ('refused' in body) return refuse(response, body.refused, request);
  const code = new URLSearchParams(body.bytes.toString('utf8')).get('code') ?? '';
  const entered = access.enter(code.slice(0, 200), request.socket.remoteAddress ?? '');
  const to = (location: string, more: Record<string, string> = {}) => {
    response.writeHead(303, { location, ...more });
    response.end();
  };
  if (!entered) return to('/enter?wrong=1');
  if ('wait' in entered) return to(`/enter?wait=${entered.wait}`, { 'retry-after': String(entered.wait) });
  return to('/', { 'set-cookie': entered.cookie });
}

/** Answers with a refusal as JSON. */
function refuse(
  response: ServerResponse,
  { status, code, message, headers }: Refused,
  request?: IncomingMessage,
): void {
  if (response.headersSent) return void response.destroy();
  if (request) hearOut(request, response);
  response.writeHead(status, {
    'content-type': 'application/json; charset=utf-8',
    'cache-control': 'no-store',
    ...headers,
  });
  response.end(JSON.stringify({ error: { code, message, fields: [] } }));
}

/** Asked to end, the server lets what runs finish, brings all that is saved into the one file, and ends without a fault. */
function endWell(server: Server): void {
  const end = () => {
    const done = () => {
      closeDatabase();
      void endThreads().finally(() => process.exit(0));
    };
    server.close(done);
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE).unref();
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, end);
}
