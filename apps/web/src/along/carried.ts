/** What stands in the page for a picture as it is when nothing moves. */
const STILL = '.still';

/** The name under which a file is carried. */
export const carriedAs = (hash: string, isStill: boolean): string =>
  `${hash.replace(':', '-')}${isStill ? STILL : ''}`;

const opened = new Map<string, string>();

/** The address of a file that this page carries; null: it does not. */
export function carried(hash: string, isStill: boolean): string | null {
  const id = carriedAs(hash, isStill);
  const known = opened.get(id);
  if (known !== undefined) return known;
  const kept = document.getElementById(id);
  if (!kept) return isStill ? carried(hash, false) : null;
  const bytes = Uint8Array.from(atob(kept.textContent), (letter) => letter.charCodeAt(0));
  const address = URL.createObjectURL(new Blob([bytes], { type: kept.dataset.type }));
  opened.set(id, address);
  return address;
}
