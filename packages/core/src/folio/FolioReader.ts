import * as Y from 'yjs';
import { readFolio, type Folio } from './folio.js';

/** A folio's reading, made anew when the document has changed and kept until then. */
export class FolioReader {
  #doc: Y.Doc;
  #folio: Folio | null = null;
  #listeners = new Set<() => void>();
  #onChange = (): void => {
    this.#folio = null;
    for (const listener of this.#listeners) listener();
  };

  constructor(doc: Y.Doc) {
    this.#doc = doc;
    doc.on('update', this.#onChange);
  }

  read = (): Folio => (this.#folio ??= readFolio(this.#doc));

  subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  destroy(): void {
    this.#doc.off('update', this.#onChange);
    this.#listeners.clear();
  }
}
