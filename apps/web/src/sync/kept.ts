import { memory } from './memory';

/** What this browser keeps of documents for working without a connection, and which of it the server lacks. */
const PREFIX = 'gobrel:';
const UNSENT = 'gobrel.unsent';
/** Of each folio, what its student is done with and has no mark for yet: see `useDone`. */
export const DONE = 'gobrel.done.';

/** Caches of what was fetched for whoever sat here: see `offline/serviceWorker`. */
const SEEN = ['pictures', 'media'];

function unsent(): unknown[] {
  const known = memory.read(UNSENT);
  return Array.isArray(known) ? known : [];
}

/** Remembers of a kept document whether the server has all of it. */
export function noteSaved(name: string, isSaved: boolean): void {
  const others = unsent().filter((other) => other !== name);
  memory.set(UNSENT, JSON.stringify(isSaved ? others : [...others, name]));
}

const READ_ONLY = 'gobrel.read-only.';

/** Remembers of a kept document whether whoever sits here may only look at it. */
export function noteReadOnly(name: string, isReadOnly: boolean): void {
  memory.set(READ_ONLY + name, isReadOnly ? '1' : null);
}

export const wasReadOnly = (name: string): boolean => memory.get(READ_ONLY + name) !== null;

/** Before someone else sits down here: removes all that is on the server as well. */
export async function forgetKept(): Promise<void> {
  for (const key of memory.keys())
    if (key.startsWith(DONE) || key.startsWith(READ_ONLY)) memory.set(key, null);
  const keep = new Set(unsent());
  const names = await databases();
  await Promise.all([
    ...names.filter((name) => name.startsWith(PREFIX) && !keep.has(name)).map(removed),
    // A page that came without TLS has none.
    ...('caches' in window ? SEEN.map((name) => caches.delete(name)) : []),
  ]);
}

async function databases(): Promise<string[]> {
  try {
    return (await indexedDB.databases()).flatMap(({ name }) => name ?? []);
  } catch {
    return [];
  }
}

/** Done when it is gone, or goes as soon as a page that still has it open is left. */
const removed = (name: string): Promise<void> =>
  new Promise((done) => {
    const removing = indexedDB.deleteDatabase(name);
    removing.onsuccess = removing.onerror = removing.onblocked = () => done();
  });
