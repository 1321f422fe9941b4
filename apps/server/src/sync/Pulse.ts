import type { WebSocket } from 'ws';

/** Milliseconds between two words to every device: one that hears none for 2.5 s says that it has no connection. */
const BEAT = 1000;
/** Beats between two questions whether a device is still there; one that has not answered by the next is gone. */
const BEATS_PER_QUESTION = 5;
/** A message for a document without a name, which no device has: it says only that the server is there. */
const WORD = new Uint8Array([0]);

/** Lets both ends of every socket know within seconds that the other one is gone, also when nobody hangs up. */
export class Pulse {
  #sockets = new Set<WebSocket>();
  #silent = new WeakSet<WebSocket>();
  #beats = 0;
  #timer: NodeJS.Timeout | null = null;

  follow(socket: WebSocket): void {
    this.#sockets.add(socket);
    socket.on('pong', () => this.#silent.delete(socket));
    socket.once('close', () => this.#sockets.delete(socket));
    this.#timer ??= setInterval(() => this.#beat(), BEAT).unref();
  }

  #beat(): void {
    const asks = ++this.#beats % BEATS_PER_QUESTION === 0;
    for (const socket of this.#sockets) {
      if (socket.readyState !== socket.OPEN) continue;
      socket.send(WORD);
      // One that has said too much is not listened to for a while: it cannot answer.
      if (!asks || socket.isPaused) continue;
      if (this.#silent.has(socket)) socket.terminate();
      else {
        this.#silent.add(socket);
        socket.ping();
      }
    }
  }

  stop(): void {
    if (this.#timer) clearInterval(this.#timer);
    this.#timer = null;
  }
}
