import { existsSync } from 'node:fs';
import type { IncomingMessage, Server, ServerResponse } from 'node:http';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { endThreads } from '../server/compute/pool.js';
import { closeDatabase, dataFolder, openShop, saidOf } from '../server/database.js';
import { healthNow } from '../server/health.js';
import { keepLog, log } from '../server/log.js';
import { root } from '../server/root.js';
import { keepUp, usable } from '../server/upkeep.js';
import { Access } from './access.js';
import { type BodyAllowance, hearOut, largestFor, receive, shopRoom, strangersRoom } from './body.js';
import { callerOf } from './caller.js';
import { hasCode } from './code.js';
import { atTheDoor, pathIn, type Refused } from './door.js';
import { sendFile } from './files.js';
import { HEADERS, POLICY, TRUSTWORTHY_HEADERS } from './headers.js';
import { listening, redirectServer, serverFor } from './listen.js';
import { type AtTheDoor, askForCode, end, enter } from './rooms.js';
import { type HostSettings, hostSettings, SettingError } from './settings.js';
import { Strangers } from './strangers.js';

/** Pages and endpoints, as they were built. */
type Pages = (
  request: IncomingMessage,
  response: ServerResponse,
  next: () => void,
  locals: App.Locals,
) => Promise<void>;

/** What runs when the end is asked for has so long to finish (ms). */
const GRACE = 1000;

/** Everything a request is answered with. */
interface Host {
  readonly settings: HostSettings;
  readonly access: Access | undefined;
  readonly pages: Pages;
  readonly strangers: Strangers;
  readonly room: BodyAllowance;
  readonly strangersRoom: BodyAllowance;
}

/** Starts the server. What keeps it from starting is one sentence and an exit code. */
export async function serve(env: NodeJS.ProcessEnv): Promise<void> {
  try {
    const settings = hostSettings(env);
    const entry = join(root, 'dist', 'server', 'entry.mjs');
    if (!existsSync(entry)) throw new SettingError('The app is not built yet: npm start builds and starts it.');
    const { handler } = (await import(pathToFileURL(entry).href)) as { handler: Pages };
    openShop();
    const access = await accessFor(settings, env.ALCOVE_CODE);
    keepLog(dataFolder());
    const host: Host = {
      settings,
      access,
      pages: handler,
      strangers: new Strangers(settings),
      room: shopRoom(),
      strangersRoom: strangersRoom(),
    };
    const server = serverFor(settings, (request, response) => {
      handle(request, response, host).catch((error: unknown) => {
        log.error({ err: error, url: request.url }, 'request failed');
        refuse(response, { status: 500, code: 'failed', message: 'Something went wrong in Alcove; the log has it.' });
      });
    });
    if (access) host.strangers.watch(server);
    server.on('clientError', (_error, socket) => {
      if (!socket.writable) return;
      const body = JSON.stringify({ error: unreadable });
      socket.end(
        `HTTP/1.1 400 Bad Request\r\nconnection: close\r\ncontent-type: application/json\r\ncontent-length: ${Buffer.byteLength(body)}\r\n\r\n${body}`,
      );
    });
    await listening(server, settings.host, settings.port);
    const redirect = await redirecting(settings);
    endWell(server, redirect);
    keepUp();
    tellWhoMayComeIn(settings, access);
  } catch (error) {
    const said = sentenceFor(error, env);
    if (said === undefined) throw error;
    console.error(`alcove: ${said}`);
    process.exit(1);
  }
}

/** A code is asked for where others reach the server, and wherever one was set: a proxy on this machine lets others in. */
async function accessFor({ open }: HostSettings, chosen: string | undefined): Promise<Access | undefined> {
  const data = dataFolder();
  const code = chosen?.trim() ? chosen : undefined;
  return open || code !== undefined || hasCode(data) ? Access.of(data, code) : undefined;
}

async function redirecting(settings: HostSettings): Promise<Server | undefined> {
  if (settings.redirectFrom === undefined) return undefined;
  const server = redirectServer(settings, settings.port);
  await listening(server, settings.host, settings.redirectFrom);
  return server;
}

function sentenceFor(error: unknown, env: NodeJS.ProcessEnv): string | undefined {
  if (error instanceof SettingError) return error.message;
  const { code, syscall } = error as { code?: unknown; syscall?: unknown };
  switch (code) {
    case 'EADDRINUSE':
      return `port ${env.PORT ?? ''} is taken: another Alcove may be running. Stop it, or choose another with PORT=4418.`;
    case 'EADDRNOTAVAIL':
    case 'ENOTFOUND':
      return `this machine has no address ${env.HOST}. Leave HOST out to serve this machine alone.`;
    case 'EACCES':
      if (syscall === 'listen')
        return `port ${env.PORT ?? ''} is not for everybody to take. Choose one above 1024 with PORT=4418.`;
  }
  if (typeof code === 'string' && code.startsWith('ERR_OSSL'))
    return `the certificate and its key cannot be used (${(error as Error).message}). ALCOVE_CERT and ALCOVE_KEY name PEM files that belong together.`;
  return saidOf(error);
}

function tellWhoMayComeIn({ host, port, open, names, certificate }: HostSettings, access: Access | undefined): void {
  if (open) {
    console.log(
      `alcove: OPEN TO THE NETWORK at ${host}:${port}. Whoever has the access code can read and change every job.`,
    );
    console.log(`alcove: it answers to ${[...names].join(', ')}; ALCOVE_NAMES adds names.`);
    if (!certificate)
      console.log(
        'alcove: what goes over the network is not encrypted; ALCOVE_CERT and ALCOVE_KEY change that (see the README).',
      );
  }
  if (!access) return;
  console.log(
    access.fresh
      ? `alcove: the access code is ${access.fresh}. It is shown this once; npm run access-code makes another.`
      : 'alcove: the access code is the one it had; npm run access-code makes another.',
  );
}

async function handle(request: IncomingMessage, response: ServerResponse, host: Host): Promise<void> {
  const { settings, access } = host;
  const caller = callerOf(request, settings);
  for (const [name, value] of Object.entries(caller.trustworthy ? { ...HEADERS, ...TRUSTWORTHY_HEADERS } : HEADERS))
    response.setHeader(name, value);
  // A page brings its own, with the hashes of its scripts.
  response.setHeader('content-security-policy', POLICY);
  const refused = atTheDoor(request, caller, settings);
  if (refused) return refuse(response, refused, request);
  const path = pathIn(request.url ?? '/') as string;
  const reading = request.method === 'GET' || request.method === 'HEAD';
  const own = access?.sessionOf(request.headers.cookie, caller.address);
  if (own !== undefined) host.strangers.cameIn(request.socket);
  if (reading && path === '/healthz') return tellHealth(response);
  if (reading && (await sendFile(request, response, path))) return;
  const door: AtTheDoor = { request, response, caller, path };
  if (access) {
    const answered = await atTheAccess(door, access, own, host);
    if (answered === 'answered') return;
    if (answered) return refuse(response, answered, request);
  }
  await letIn(door, access && own !== undefined ? { own, sessions: access.all() } : undefined, host);
}

/** What is answered where a code is asked for: the code itself, leaving, and whoever has not come in. */
async function atTheAccess(
  door: AtTheDoor,
  access: Access,
  own: string | undefined,
  { room, strangersRoom: small }: Host,
): Promise<Refused | 'answered' | undefined> {
  const { request, path } = door;
  const isPost = request.method === 'POST';
  if (isPost && path === '/enter') return (await enter(door, access, small)) ?? 'answered';
  if (isPost && path === '/leave' && own !== undefined) return (await end(door, access, own, room)) ?? 'answered';
  if (own === undefined && path !== '/enter') return askForCode(door) ?? 'answered';
  // Nobody sends anything to that page but the code.
  if (own === undefined && !['GET', 'HEAD'].includes(request.method ?? '')) return nothingHere;
  return undefined;
}

/** Receives what is sent, and hands it to the pages and endpoints. */
async function letIn({ request, response, path }: AtTheDoor, known: App.Locals['access'], host: Host): Promise<void> {
  const { method = '' } = request;
  if (method !== 'GET' && method !== 'HEAD') {
    const body = await receive(request, response, host.room, largestFor(method, path));
    if (body === undefined) return;
    if ('refused' in body) return refuse(response, body.refused, request);
    // Pages and endpoints read it from here.
    Object.assign(request, { body: once(body.bytes) });
  }
  // What the framework brings of its own is nothing of this app.
  if (path.split('/').some((step) => step.startsWith('_'))) return refuse(response, nothingHere, request);
  await host.pages(request, response, () => refuse(response, nothingHere), known ? { access: known } : {});
}

const unreadable = { code: 'request', message: 'This request cannot be read.', fields: [] };
const nothingHere: Refused = { status: 404, code: 'nothing-here', message: 'There is nothing at this address.' };

const once = (body: Buffer) => ({
  async *[Symbol.asyncIterator]() {
    if (body.length > 0) yield body;
  },
});

/** Says whether the shop is well, to whoever watches over it: no code is asked, and no job is named. */
function tellHealth(response: ServerResponse): void {
  const reasons = healthNow(usable());
  response.writeHead(reasons.length === 0 ? 200 : 503, {
    'content-type': 'application/json; charset=utf-8',
    'cache-control': 'no-store',
  });
  response.end(JSON.stringify(reasons.length === 0 ? { ok: true } : { ok: false, reasons }));
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
function endWell(server: Server, redirect: Server | undefined): void {
  const finish = () => {
    const done = () => {
      // Threads have the database open as well: who lets go last brings the log into it.
      void endThreads().finally(() => {
        closeDatabase();
        process.exit(0);
      });
    };
    redirect?.close();
    server.close(done);
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE).unref();
  };
  for (const signal of ['SIGTERM', 'SIGINT'] as const) process.once(signal, finish);
  // What fails where no answer hangs on it is told in the log, and ends nothing.
  process.on('unhandledRejection', (reason) => log.error({ err: reason }, 'something failed behind an answer'));
}
