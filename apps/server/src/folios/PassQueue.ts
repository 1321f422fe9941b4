export interface PassWork<T> {
  /** Does what there is to do with all of them, or with none: then it throws, and they are marked again. */
  pass(batch: T[]): Promise<void>;
  /** What is worked on in the place of something that was marked: it may have been opened anew since. */
  latest(one: T): T;
  /** Whether what went wrong would go wrong again however often it was tried. */
  isLasting(error: unknown): boolean;
  /** A sentence for the log. */
  problem(sentence: string): void;
}

/** Milliseconds before a pass that failed is tried again. */
const RETRY = 500;

/**
 * Things whose changes are worked on many at a time. Between two passes the next changes gather, so the busier it is
 * the larger the passes.
 */
export class PassQueue<T extends { id: string }> {
  #marked = new Set<T>();
  /** Those whose turn is not yet. */
  #resting = new Set<T>();
  #running: Promise<void> | null = null;
  /** Passes begun, and the last of them that is done. */
  #begun = 0;
  #done = 0;
  #onPass: (() => void)[] = [];
  #isClosing = false;
  #isClosed = false;

  /** @param pause milliseconds between two passes */
  constructor(
    private readonly pause: number,
    private readonly work: PassWork<T>,
  ) {}

  /** No more waiting: what is marked is worked on at once, and what fails is let be. */
  get isClosing(): boolean {
    return this.#isClosing;
  }

  mark(one: T): void {
    this.#marked.add(one);
    if (!this.#isClosed) this.#running ??= this.#run();
  }

  /** Called within a pass: this one comes in the next. */
  rest(one: T): void {
    this.#resting.add(one);
  }

  /** Resolves when all that was marked so far is done; what is marked meanwhile is not waited for. */
  async settle(): Promise<void> {
    const wanted = this.#begun + 1;
    while (this.#running && this.#done < wanted) {
      await new Promise<void>((resolve) => this.#onPass.push(resolve));
    }
  }

  /** The same for one of them, also when it has to wait for its turn. */
  async settleOne(find: () => T | undefined): Promise<void> {
    await this.settle();
    for (let one = find(); one && this.#resting.has(one) && !this.#isClosing; one = find()) {
      await new Promise((resolve) => setTimeout(resolve, this.pause));
      await this.settle();
    }
  }

  /** Works on all that is marked, and on nothing from then on. */
  async close(): Promise<void> {
    this.#isClosing = true;
    while (this.#running) await this.#running;
    this.#isClosed = true;
  }

  async #run(): Promise<void> {
    while (this.#marked.size + this.#resting.size > 0) {
      // Let the changes that arrive together come along in one pass.
      if (!this.#isClosing) await new Promise((resolve) => setTimeout(resolve, this.pause));
      for (const one of this.#resting) this.#marked.add(one);
      this.#resting.clear();
      const batch = this.#take();
      const pass = ++this.#begun;
      try {
        await this.work.pass(batch);
        this.#done = pass;
      } catch (error) {
        this.work.problem(error instanceof Error ? error.message : String(error));
        for (const one of batch) this.#marked.add(one);
        if (this.#isClosing) this.#marked.clear();
        else if (this.work.isLasting(error)) await this.#oneByOne(this.#take());
        await new Promise((resolve) => setTimeout(resolve, RETRY));
      }
      this.#tell();
    }
    this.#running = null;
    this.#tell();
  }

  #tell(): void {
    for (const tell of this.#onPass.splice(0)) tell();
  }

  /** Each once, by what it is by now. */
  #take(): T[] {
    const batch = new Map<string, T>();
    for (const one of this.#marked) batch.set(one.id, this.work.latest(one));
    this.#marked.clear();
    return [...batch.values()];
  }

  /** One that cannot be worked on must not hold up the others. It is let be until it is marked again. */
  async #oneByOne(batch: readonly T[]): Promise<void> {
    for (const one of batch) {
      try {
        await this.work.pass([one]);
      } catch (error) {
        this.work.problem(`${one.id}: ${String(error)}`);
        if (!this.work.isLasting(error)) this.#marked.add(one);
      }
    }
  }
}
