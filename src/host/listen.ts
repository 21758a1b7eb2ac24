import { readFileSync, unwatchFile, watchFile } from 'node:fs';
import { createServer, type RequestListener, type Server } from 'node:http';
import { createServer as createSecureServer } from 'node:https';
import { log } from '../server/log.js';
import { type Certificate, type HostSettings, nameIn, SettingError } from './settings.js';

/** A connection that says nothing, or an encryption that is not agreed on, is dropped after so long (ms). */
const HEADERS_WITHIN = 20_000;
const HANDSHAKE_WITHIN = 10_000;
/** An upload that is not finished after so long is dropped (ms). */
const UPLOAD_WITHIN = 60_000;
/** Whether the certificate is another one is looked for each so often (ms). */
const LOOKED_EACH = 3000;

/** The server for these settings: encrypted where there is a certificate, which is read again when its files change. */
export function serverFor({ certificate }: HostSettings, listener: RequestListener): Server {
  const server = certificate ? secureServer(certificate, listener) : createServer(listener);
  server.requestTimeout = UPLOAD_WITHIN;
  server.headersTimeout = HEADERS_WITHIN;
  return server;
}

function secureServer(certificate: Certificate, listener: RequestListener): Server {
  const server = createSecureServer({ handshakeTimeout: HANDSHAKE_WITHIN, ...read(certificate) }, listener);
  const readAgain = () => {
    try {
      server.setSecureContext(read(certificate));
      log.info('the certificate was read again');
    } catch (error) {
      log.error({ err: error }, 'the certificate could not be read again; the one there was stays');
    }
  };
  for (const file of [certificate.cert, certificate.key]) {
    watchFile(file, { interval: LOOKED_EACH, persistent: false }, readAgain);
    server.once('close', () => unwatchFile(file, readAgain));
  }
  return server;
}

function read({ cert, key }: Certificate): { cert: Buffer; key: Buffer } {
  try {
    return { cert: readFileSync(cert), key: readFileSync(key) };
  } catch (error) {
    throw new SettingError(`The certificate cannot be read: ${(error as Error).message}.`);
  }
}

/** Answers plain http with the address that begins with https. */
export function redirectServer({ names }: HostSettings, port: number): Server {
  const server = createServer((request, response) => {
    const name = nameIn(request.headers.host ?? '');
    if (name === undefined || !names.has(name)) {
      response.writeHead(403, { connection: 'close' });
      response.end();
      return;
    }
    const host = name.includes(':') ? `[${name}]` : name;
    const to = `https://${host}${port === 443 ? '' : `:${port}`}${request.url?.startsWith('/') ? request.url : '/'}`;
    response.writeHead(308, { location: to, connection: 'close' });
    response.end();
  });
  server.requestTimeout = HEADERS_WITHIN;
  server.headersTimeout = HEADERS_WITHIN;
  return server;
}

/** Resolves once a server listens; rejects where it cannot. */
export function listening(server: Server, host: string, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      server.off('error', reject);
      resolve();
    });
  });
}
