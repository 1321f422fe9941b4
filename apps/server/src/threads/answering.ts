import { sure } from '@gobrel/core';
import { setPriority } from 'node:os';
import { parentPort } from 'node:worker_threads';

/** From 0 to 19: how much the thread leaves to those that are quicker to need the processor. */
const YIELDS = 15;

/**
 * The other side of a `SideThread`: answers each order with what comes of it.
 *
 * @param work must not throw
 * @param handedOver what of an answer is given away instead of copied
 */
export function answering<Done>(
  work: (order: never) => Done,
  handedOver: (done: Done) => ArrayBuffer[] = () => [],
): void {
  const port = sure(parentPort, 'a worker has a parent');
  // On Linux this is the thread's own: those who wait for nothing of this come first.
  if (process.platform === 'linux') setPriority(YIELDS);
  const heard = ({ id, order }: { id: number; order: never }): void => {
    const done = work(order);
    port.postMessage({ id, done }, handedOver(done));
  };
  port.on('message', heard);
}
