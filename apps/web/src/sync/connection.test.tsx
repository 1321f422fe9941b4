import { act } from '@testing-library/react';
import { ownConnection } from './connection';

type Hear = (said: { status?: string }) => void;

/** The package's socket, as far as a connection asks it: what the network does is done by hand. */
interface Socket {
  readonly given: { url: string };
  status: string;
  readonly calls: number;
  readonly isGone: boolean;
  readonly hangUps: number;
  readonly webSocket: { readyState: number; send: jest.Mock };
  connect(): Promise<void>;
  tell(what: 'open' | 'message' | 'status', status?: string): void;
}
const mockMade: Socket[] = [];
jest.mock('@hocuspocus/provider', () => {
  class MockSocket {
    status = 'connecting';
    calls = 0;
    isGone = false;
    hangUps = 0;
    webSocket = { readyState: 1, close: () => void (this.hangUps += 1), send: jest.fn() };
    #heard = new Map<string, Hear[]>();

    constructor(readonly given: { url: string }) {
      mockMade.push(this);
    }
    on(what: string, hear: Hear): void {
      this.#heard.set(what, [...(this.#heard.get(what) ?? []), hear]);
    }
    connect(): Promise<void> {
      this.calls += 1;
      return Promise.resolve();
    }
    destroy(): void {
      this.isGone = true;
    }
    tell(what: 'open' | 'message' | 'status', status = this.status): void {
      this.status = status;
      for (const hear of this.#heard.get(what) ?? []) hear({ status });
    }
  }
  return { HocuspocusProviderWebsocket: MockSocket };
});

beforeEach(() => {
  jest.useFakeTimers();
  mockMade.length = 0;
});
afterEach(() => jest.useRealTimers());
const passes = (milliseconds: number): void => act(() => jest.advanceTimersByTime(milliseconds));

function open() {
  const connection = ownConnection();
  const socket = mockMade[0]!;
  const said: boolean[] = [];
  const stop = connection.subscribe(() => said.push(connection.isAlive()));
  const connects = (): void => {
    socket.tell('status', 'connected');
    socket.tell('open');
  };
  return { connection, socket, said, stop, connects };
}

test('it speaks to the server that the page came from', () => {
  open();
  expect(mockMade[0]!.given.url).toBe('ws://localhost/sync');
});

test('it is there with the first word, and not only because it was opened', () => {
  const { connection, socket, said, connects } = open();
  socket.tell('status', 'connected');
  expect(connection.isAlive()).toBe(false);
  connects();
  expect([connection.isAlive(), said]).toEqual([true, [true]]);
});

test('within three seconds of silence it says that it is gone, and with the next word that it is back', () => {
  const { socket, said, connects } = open();
  connects();
  passes(2000);
  socket.tell('message');
  passes(2000);
  expect(said).toEqual([true]);
  passes(1000);
  expect(said).toEqual([true, false]);
  socket.tell('message');
  expect(said).toEqual([true, false, true]);
});

test('a call that nobody answers is given up, and another one made', () => {
  const { socket } = open();
  socket.tell('status', 'connecting');
  passes(6000);
  expect(socket.hangUps).toBe(0);
  passes(1000);
  expect(socket.hangUps).toBeGreaterThan(0);
});

test('a device that finds its network again does not wait; one that has it does nothing', () => {
  const { socket, connects } = open();
  socket.tell('status', 'disconnected');
  window.dispatchEvent(new Event('online'));
  expect(socket.calls).toBe(1);
  connects();
  window.dispatchEvent(new Event('online'));
  expect(socket.calls).toBe(1);
});

test('closed, it hears and tells nothing any more, and never begins anew', async () => {
  const { connection, socket, said, connects } = open();
  connects();
  connection.close();
  passes(60_000);
  expect([socket.isGone, said]).toEqual([true, [true]]);
  socket.status = 'disconnected';
  window.dispatchEvent(new Event('online'));
  await socket.connect();
  expect(socket.calls).toBe(0);
});

test('who stops listening hears nothing more', () => {
  const { said, stop, connects } = open();
  stop();
  connects();
  expect(said).toEqual([]);
});

test('what is said while there is no connection is not kept for later', () => {
  const { connection, socket } = open();
  const words = 'words' as never;
  socket.webSocket.readyState = WebSocket.CLOSED;
  connection.socket.send(words);
  expect(socket.webSocket.send).not.toHaveBeenCalled();
  socket.webSocket.readyState = WebSocket.OPEN;
  connection.socket.send(words);
  expect(socket.webSocket.send).toHaveBeenCalledWith('words');
});
