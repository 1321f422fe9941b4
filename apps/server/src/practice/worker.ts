import { SimulatedStudent, type Classwork } from './SimulatedStudent.js';
import { practiceName, TEMPERS } from './temper.js';

/** A process of its own: simulated students must not slow down the server they are to try out. */
interface Order extends Classwork {
  students: number;
}

/** Milliseconds between two who join, on the average. */
const BETWEEN = 40;

process.once('message', (order: Order) => void work(order));
process.once('disconnect', () => process.exit(0));

async function work({ students, ...classwork }: Order): Promise<void> {
  const all = Array.from({ length: students }, async (_, index) => {
    const random = seeded(index + 1);
    await new Promise((done) => setTimeout(done, index * BETWEEN));
    const temper = TEMPERS[index % TEMPERS.length]!;
    await new SimulatedStudent(classwork, practiceName(index), temper, random).run();
  });
  // One who cannot join does not keep the others from it.
  await Promise.allSettled(all);
  process.exit(0);
}

/** Whole numbers that look random (a xorshift of 32 bits; Marsaglia, 2003). */
function seeded(seed: number): (below: number) => number {
  let state = (seed * 2654435761) >>> 0 || 1;
  return (below) => {
    state ^= state << 13;
    state ^= state >>> 17;
    state ^= state << 5;
    return (state >>> 0) % Math.max(1, below);
  };
}
