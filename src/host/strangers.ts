import type { Server } from 'node:http';
import type { Socket } from 'node:net';
import type { HostSettings } from './settings.js';

/** So many connections of people who have not come in are open at once; one more ends the oldest. */
const MOST = 64;
/** A connection on which nobody has come in after so long is ended (ms). */
const WITHIN = 20_000;

/**
 * Connections of those who have not come in yet have one small room of their own: however many there are, whoever has
 * come in is not held up, and a newcomer finds a place, since the oldest goes.
 */
export class Strangers {
  private readonly waiting = new Map<string, { readonly socket: Socket; readonly timer: NodeJS.Timeout }>();

  constructor(private readonly settings: HostSettings) {}

  watch(server: Server): void {
    server.on('connection', (socket: Socket) => {
      const name = nameOf(socket);
      // Many people come in through a proxy; it sees to its own.
      if (this.settings.proxies.has(socket.remoteAddress ?? '')) return;
      const timer = setTimeout(() => socket.destroy(), WITHIN);
      timer.unref();
      this.waiting.set(name, { socket, timer });
      socket.once('close', () => this.forget(name));
      const [oldest] = this.waiting.values();
      if (this.waiting.size > MOST) oldest?.socket.destroy();
    });
  }

  /** Somebody has come in on this connection. */
  cameIn(socket: Socket): void {
    this.forget(nameOf(socket));
  }

  private forget(name: string): void {
    clearTimeout(this.waiting.get(name)?.timer);
    this.waiting.delete(name);
  }
}

/** A connection by where it comes from: the same for what is encrypted and for what carries it. */
const nameOf = (socket: Socket) => `${socket.remoteAddress} ${socket.remotePort}`;
