/** Things that wait, to be taken one after another: of one person after another, each in the order in which they came. */
export class Rota<T> {
  #waiting = new Map<string, T[]>();

  add(who: string, thing: T): void {
    const things = this.#waiting.get(who);
    if (things) things.push(thing);
    else this.#waiting.set(who, [thing]);
  }

  /** The next one, taken out; undefined when nothing waits. */
  next(): T | undefined {
    const first = this.#waiting.entries().next().value;
    if (!first) return undefined;
    const [who, things] = first;
    this.#waiting.delete(who);
    const thing = things.shift();
    if (things.length > 0) this.#waiting.set(who, things);
    return thing;
  }

  get isEmpty(): boolean {
    return this.#waiting.size === 0;
  }
}
