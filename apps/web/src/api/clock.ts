/** How far the server's clock is ahead of this device's, in milliseconds. */
let ahead = 0;

/** Notes what the server's clock says: this device's own may be off by anything. */
export function clockIs(serverNow: number): void {
  if (Number.isFinite(serverNow)) ahead = serverNow - Date.now();
}

/** Now by the server's clock, milliseconds since 1970. */
export const serverNow = (): number => Date.now() + ahead;
