/** Remembers words by their keys. */
interface Memory {
  get(key: string): string | null;
  /** @param value null forgets it */
  set(key: string, value: string | null): void;
  /** What was written as JSON; null for what is none. The caller reads it as what anybody may have written. */
  read(key: string): unknown;
  keys(): string[];
}

/** As far as the browser lets us: its storage may be full, or forbidden; then until the page is left. */
function remembering(storage: () => Storage): Memory {
  const here = new Map<string, string>();
  function tried<T>(work: () => T, instead: T): T {
    try {
      return work();
    } catch {
      return instead;
    }
  }
  const get = (key: string): string | null =>
    here.get(key) ?? tried(() => storage().getItem(key), null);
  return {
    get,
    set(key, value) {
      here.delete(key);
      const isKept = tried(() => {
        if (value === null) storage().removeItem(key);
        else storage().setItem(key, value);
        return true;
      }, false);
      if (!isKept && value !== null) here.set(key, value);
    },
    read: (key) => tried<unknown>(() => JSON.parse(get(key) ?? 'null'), null),
    keys: () => [...tried(() => Object.keys(storage()), []), ...here.keys()],
  };
}

/** From one visit to the next. */
export const memory = remembering(() => localStorage);
/** As long as the tab is there. */
export const tabMemory = remembering(() => sessionStorage);
