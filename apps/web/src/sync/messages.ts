/** Hocuspocus's message type by which the server tells whether it took a change: document name, 8, then 1 or 0. */
const SYNC_STATUS = 8;

/** Whether a message of the server says that it did not take what this device wrote. */
export function isRefusedWrite(data: ArrayBuffer): boolean {
  const bytes = new Uint8Array(data);
  // The name's length stands first and is below 128: a kind and a UUID.
  const at = 1 + (bytes[0] ?? 0);
  return bytes[at] === SYNC_STATUS && bytes[at + 1] === 0;
}
