import type { HocuspocusProviderWebsocket } from '@hocuspocus/provider';

/** A socket to the server, and whether anybody is at its other end. */
export interface Connection {
  socket: HocuspocusProviderWebsocket;
  isAlive(): boolean;
  /** Tells when `isAlive` changes. */
  subscribe(listener: () => void): () => void;
  /** Hangs up and calls again, with whatever cookies this browser has by now. */
  restart(): void;
  close(): void;
}

/* Apart from what speaks over it: pages on which nothing is open yet need not download that. */
let shared: Connection | null = null;

/** The one connection of this page; made when there is none. */
export const held = (make: () => Connection): Connection => (shared ??= make());

/** After signing in, out or joining: the next document opens with the new cookie. */
export function forgetSocket(): void {
  shared?.close();
  shared = null;
}
