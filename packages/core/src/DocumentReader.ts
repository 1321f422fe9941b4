import type * as Y from 'yjs';

/** A reading of a whole document, made anew when it has changed and kept until then. It lives as long as the document. */
export class DocumentReader<T> {
  #kept: { value: T } | null = null;
  #listeners = new Set<() => void>();
  #doc: Y.Doc;
  #make: (doc: Y.Doc) => T;

  constructor(doc: Y.Doc, make: (doc: Y.Doc) => T) {
    this.#doc = doc;
    this.#make = make;
    doc.on('update', () => {
      this.#kept = null;
      for (const listener of this.#listeners) listener();
    });
  }

  /** The same object until the document changes. */
  read = (): T => (this.#kept ??= { value: this.#make(this.#doc) }).value;

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };
}
