/** So much a second, and so much at once after a rest. What is taken beyond that is owed. */
export class Allowance {
  #left: number;
  #at = performance.now();

  /** @param share of `atOnce` that is there at the beginning */
  constructor(
    private readonly rate: { perSecond: number; atOnce: number },
    share = 1,
  ) {
    this.#left = rate.atOnce * share;
  }

  #refill(): void {
    const now = performance.now();
    const { perSecond, atOnce } = this.rate;
    this.#left = Math.min(atOnce, this.#left + ((now - this.#at) / 1000) * perSecond);
    this.#at = now;
  }

  /** Takes from it, and tells how many milliseconds it is until nothing is owed; 0 when there was enough. */
  take(amount: number): number {
    this.#refill();
    this.#left -= amount;
    return this.#left >= 0 ? 0 : (-this.#left / this.rate.perSecond) * 1000;
  }

  /** Whether as much is left as there ever is. */
  get isFull(): boolean {
    this.#refill();
    return this.#left >= this.rate.atOnce;
  }
}
