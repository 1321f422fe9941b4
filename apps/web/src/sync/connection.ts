import { HocuspocusProviderWebsocket } from '@hocuspocus/provider';
import { held, type Connection } from './pageSocket.js';

/**
 * Milliseconds without a word from the server after which a device says that there is no connection, and after which it
 * tries for another one. The server says something every second (`SyncService`).
 */
const SILENT = 2500;
const GIVEN_UP = 6000;
const LOOKED_AT_EVERY = 500;

/** Hocuspocus's socket, which never keeps messages for later: on connecting, each document tells all that is missing. */
class Socket extends HocuspocusProviderWebsocket {
  override send(message: unknown): void {
    if (this.webSocket?.readyState === WebSocket.OPEN) this.webSocket.send(message as Uint8Array);
  }
}

function connect(): Connection {
  const { protocol, host } = window.location;
  const url = `${protocol === 'https:' ? 'wss' : 'ws'}://${host}/sync`;
  const socket = new Socket({ url, maxDelay: 4000, messageReconnectTimeout: GIVEN_UP });
  const listeners = new Set<() => void>();
  let heardAt = 0;
  let calledAt = 0;
  let wasAlive = false;
  const isAlive = (): boolean =>
    String(socket.status) === 'connected' && Date.now() - heardAt < SILENT;
  const look = (): void => {
    const isCalling = String(socket.status) === 'connecting';
    if (isCalling && Date.now() - calledAt > GIVEN_UP) socket.webSocket?.close();
    if (isAlive() === wasAlive) return;
    wasAlive = !wasAlive;
    listeners.forEach((listener) => listener());
  };
  const heard = (): void => {
    heardAt = Date.now();
    look();
  };
  socket.on('open', heard);
  socket.on('message', heard);
  socket.on('status', ({ status }: { status: unknown }) => {
    if (String(status) === 'connecting') calledAt = Date.now();
    look();
  });
  const timer = setInterval(look, LOOKED_AT_EVERY);
  // A device that wakes up or finds its network again does not wait for the next try.
  const again = (): void => {
    if (String(socket.status) !== 'connected') void socket.connect();
  };
  window.addEventListener('online', again);
  return {
    socket,
    isAlive,
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    restart: () => socket.webSocket?.close(),
    close() {
      clearInterval(timer);
      // A try that is due comes after the end, too, and would begin anew.
      socket.connect = () => Promise.resolve();
      window.removeEventListener('online', again);
      socket.destroy();
    },
  };
}

/** The one connection of this page. */
export const pageConnection = (): Connection => held(connect);
export const ownConnection = connect;
