import { Rota } from './Rota.js';

/** Begins one thing in each turn of the event loop, of one person after another. */
export class InTurn {
  #waiting = new Rota<() => void>();
  #isComing = false;

  enter(who: string, begin: () => void): void {
    this.#waiting.add(who, begin);
    this.#come();
  }

  #come(): void {
    if (this.#isComing || this.#waiting.isEmpty) return;
    this.#isComing = true;
    setImmediate(() => {
      this.#isComing = false;
      const begin = this.#waiting.next();
      this.#come();
      begin?.();
    });
  }
}
