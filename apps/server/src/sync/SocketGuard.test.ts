import { EventEmitter } from 'node:events';
import { setImmediate as turn } from 'node:timers/promises';
import type { WebSocket } from 'ws';
import { NOBODY, type Visitor } from '../access/AccessService.js';
import { SocketGuard } from './SocketGuard.js';

class FakeSocket extends EventEmitter {
  OPEN = 1;
  readyState = 1;
  isPaused = false;
  pause(): void {
    this.isPaused = true;
  }
  resume(): void {
    this.isPaused = false;
  }
}

const student = (folioId: string): Visitor =>
  ({ ...NOBODY, student: { folioId } }) as unknown as Visitor;

/** A message as Hocuspocus frames it: the document's name with its length, and so many bytes. */
const message = (name: string, bytes: number): Buffer =>
  Buffer.concat([Buffer.from([name.length]), Buffer.from(name), Buffer.alloc(bytes)]);

function busyFor(milliseconds: number): void {
  const until = performance.now() + milliseconds;
  while (performance.now() < until);
}

/** A socket over which a document is open; what handles its messages keeps the thread for so long. */
function joined(guard: SocketGuard, folioId: string, costs: number): FakeSocket {
  const socket = new FakeSocket();
  guard.follow(socket as unknown as WebSocket, student(folioId), '10.0.0.1', []);
  guard.opened(socket as unknown as WebSocket, `folio:${folioId}`);
  socket.on('message', () => {
    void Promise.resolve()
      .then(() => undefined)
      .then(() => busyFor(costs));
  });
  return socket;
}

async function says(socket: FakeSocket, folioId: string, times: number): Promise<void> {
  for (let at = 0; at < times; at += 1) {
    socket.emit('message', message(`folio:${folioId}`, 10));
    await turn();
  }
}

test('few small messages that keep the thread busy are as many as their time; others are heard', async () => {
  const guard = new SocketGuard();
  const dear = joined(guard, 'dear', 300);
  const cheap = joined(guard, 'cheap', 0);
  await says(dear, 'dear', 3);
  await says(cheap, 'cheap', 20);
  expect(dear.isPaused).toBe(true);
  expect(cheap.isPaused).toBe(false);
});

test('what one person costs over two sockets is counted together', async () => {
  const guard = new SocketGuard();
  const [one, other] = [joined(guard, 'dear', 300), joined(guard, 'dear', 300)];
  await says(one, 'dear', 1);
  expect(one.isPaused).toBe(false);
  await says(other, 'dear', 2);
  expect(other.isPaused).toBe(true);
});
