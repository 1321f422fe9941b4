import { memory } from '../sync/memory';

const AHEAD = 'gobrel.ahead';

/** How far the server's clock is ahead of this device's, in milliseconds; known from last time when there is no connection. */
let ahead = Number(memory.get(AHEAD)) || 0;

/** Notes what the server's clock says: this device's own may be off by anything. */
export function clockIs(serverNow: number): void {
  if (!Number.isFinite(serverNow)) return;
  ahead = serverNow - Date.now();
  memory.set(AHEAD, String(ahead));
}

/** Now by the server's clock, milliseconds since 1970. */
export const serverNow = (): number => Date.now() + ahead;
