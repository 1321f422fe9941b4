/** What this browser keeps of documents for working without a connection, and which of it the server lacks. */
const PREFIX = 'gobrel:';
const UNSENT = 'gobrel.unsent';
/** Of each folio, what its student is done with and has no mark for yet: see `useDone`. */
export const DONE = 'gobrel.done.';

/** Caches of what was fetched for whoever sat here: see `offline/serviceWorker`. */
const SEEN = ['pictures', 'media'];

const unsent = (): string[] => JSON.parse(localStorage.getItem(UNSENT) ?? '[]') as string[];

/** Remembers of a kept document whether the server has all of it. */
export function noteSaved(name: string, isSaved: boolean): void {
  const others = unsent().filter((other) => other !== name);
  localStorage.setItem(UNSENT, JSON.stringify(isSaved ? others : [...others, name]));
}

const READ_ONLY = 'gobrel.read-only.';

/** Remembers of a kept document whether whoever sits here may only look at it. */
export function noteReadOnly(name: string, isReadOnly: boolean): void {
  if (isReadOnly) localStorage.setItem(READ_ONLY + name, '1');
  else localStorage.removeItem(READ_ONLY + name);
}

export const wasReadOnly = (name: string): boolean =>
  localStorage.getItem(READ_ONLY + name) !== null;

/** Before someone else sits down here: removes all that is on the server as well. */
export async function forgetKept(): Promise<void> {
  for (const key of Object.keys(localStorage))
    if (key.startsWith(DONE) || key.startsWith(READ_ONLY)) localStorage.removeItem(key);
  const keep = new Set(unsent());
  const names = (await indexedDB.databases()).flatMap(({ name }) => name ?? []);
  await Promise.all([
    ...names.filter((name) => name.startsWith(PREFIX) && !keep.has(name)).map(removed),
    // A page that came without TLS has none.
    ...('caches' in window ? SEEN.map((name) => caches.delete(name)) : []),
  ]);
}

/** Done when it is gone, or goes as soon as a page that still has it open is left. */
const removed = (name: string): Promise<void> =>
  new Promise((done) => {
    const removing = indexedDB.deleteDatabase(name);
    removing.onsuccess = removing.onerror = removing.onblocked = () => done();
  });
