/** Asks a server as no browser would: any path and header, from any address of this machine, over as many connections. */
import { type ClientRequest, request as plain } from 'node:http';
import { request as encrypted } from 'node:https';

export interface Asked {
  readonly method?: string;
  readonly body?: string | Buffer;
  readonly headers?: Readonly<Record<string, string>>;
  /** An address of this machine, `127.0.0.7`, as another machine would have it. */
  readonly from?: string;
  /** Gives up after so long (ms). */
  readonly within?: number;
}

export interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly body: string;
}

/** One request on a connection of its own. */
export function ask(
  url: string,
  { method = 'GET', body, headers = {}, from, within = 20_000 }: Asked = {},
): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = begin(url, method, { ...headers, ...lengthOf(body) }, from);
    asked.on('response', (response) => {
      const chunks: Buffer[] = [];
      response.on('data', (chunk: Buffer) => chunks.push(chunk));
      response.on('error', reject);
      response.on('end', () =>
        resolve({
          status: response.statusCode ?? 0,
          headers: response.headers,
          body: Buffer.concat(chunks).toString('utf8'),
        }),
      );
    });
    asked.on('error', reject);
    asked.setTimeout(within, () => asked.destroy(new Error(`no answer to ${method} ${url.slice(0, 200)}`)));
    asked.end(body);
  });
}

/** An upload that begins and then says nothing more; resolves when the server has hung up or answered. */
export function halt(url: string, headers: Readonly<Record<string, string>>, begun: string, from?: string) {
  const asked = begin(url, 'POST', headers, from);
  const over = new Promise<void>((done) => {
    asked.on('response', (response) => response.resume().on('end', done));
    asked.on('error', () => done());
    asked.on('close', () => done());
  });
  asked.write(begun);
  return { over, stop: () => asked.destroy() };
}

function begin(url: string, method: string, headers: Readonly<Record<string, string>>, from?: string): ClientRequest {
  const { protocol, hostname, port } = new URL(url);
  const path = url.slice(url.indexOf(port) + port.length) || '/';
  const options = {
    hostname,
    port,
    method,
    path,
    headers,
    agent: false as const,
    ...(from ? { localAddress: from } : {}),
  };
  return protocol === 'https:' ? encrypted({ ...options, rejectUnauthorized: false }) : plain(options);
}

const lengthOf = (body: string | Buffer | undefined): Record<string, string> =>
  body === undefined ? {} : { 'content-length': String(Buffer.byteLength(body)) };

/** Gives a code at the door; the cookies of whoever comes in, as a browser sends them back. */
export async function comeIn(
  url: string,
  code: string,
  { from, cookie }: { readonly from?: string; readonly cookie?: string } = {},
): Promise<{ readonly to: string; readonly cookie: string | undefined; readonly set: readonly string[] }> {
  const { headers } = await ask(`${url}/enter`, {
    method: 'POST',
    body: new URLSearchParams({ code }).toString(),
    headers: { 'content-type': 'application/x-www-form-urlencoded', ...(cookie ? { cookie } : {}) },
    ...(from ? { from } : {}),
  });
  const set = [headers['set-cookie'] ?? []].flat();
  const kept = set.map((each) => each.split(';')[0]).join('; ');
  return { to: String(headers.location), cookie: kept || undefined, set };
}
