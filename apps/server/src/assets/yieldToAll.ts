import { readdirSync } from 'node:fs';
import { setPriority } from 'node:os';

/** From 0 to 19: how much a process leaves to those that are quicker to need the processor. */
const YIELDS = 15;

/**
 * Lets every other process come first. On Linux each thread has a priority of its own and hands it on to those that it
 * begins: setting the process's alone would leave out those that do the work.
 */
export function yieldToAll(): void {
  const threads = process.platform === 'linux' ? readdirSync('/proc/self/task').map(Number) : [0];
  for (const thread of threads) {
    try {
      setPriority(thread, YIELDS);
    } catch {
      // It has ended meanwhile, or yields more than that already.
    }
  }
}
