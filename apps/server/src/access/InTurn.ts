/** Begins one thing in each turn of the event loop, of one person after another. */
export class InTurn {
  #waiting = new Map<string, (() => void)[]>();
  #isComing = false;

  enter(who: string, begin: () => void): void {
    const things = this.#waiting.get(who);
    if (things) things.push(begin);
    else this.#waiting.set(who, [begin]);
    this.#come();
  }

  #come(): void {
    if (this.#isComing || this.#waiting.size === 0) return;
    this.#isComing = true;
    setImmediate(() => {
      this.#isComing = false;
      const next = this.#waiting.entries().next().value;
      if (!next) return;
      const [who, things] = next;
      this.#waiting.delete(who);
      const begin = things.shift();
      if (things.length > 0) this.#waiting.set(who, things);
      this.#come();
      begin?.();
    });
  }
}
