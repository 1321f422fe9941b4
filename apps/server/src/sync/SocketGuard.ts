import { SERVER_LIMITS } from '@gobrel/core';
import type { WebSocket } from 'ws';
import type { Visitor } from '../access/AccessService.js';
import { Allowance } from '../access/Allowance.js';

/** Closes a socket that asks for more than any of our pages does; a page that meets this waits and connects anew. */
const TOO_MUCH = 4429;
/** Closes a socket whose owner may do something else by now. */
const CHANGED = 4205;

interface Guarded {
  person: Person;
  /** Documents that have been named over it, and how many messages came before each was open. */
  documents: Map<string, number>;
  isTeacher: boolean;
}

/** What somebody may send and ask for, over however many sockets, one after another or at once. */
class Person {
  readonly messages: Allowance;
  readonly bytes: Allowance;
  readonly time: Allowance;
  readonly asked: Allowance;

  constructor(who: 'teacher' | 'student') {
    const { messages, bytes, time, asked, newcomers } = SERVER_LIMITS.socket;
    const share = who === 'teacher' ? 1 : newcomers;
    this.messages = new Allowance(messages[who], share);
    this.bytes = new Allowance(bytes[who], share);
    this.time = new Allowance(time[who], share);
    this.asked = new Allowance(asked[who], share);
  }

  get isRested(): boolean {
    return [this.messages, this.bytes, this.time, this.asked].every(({ isFull }) => isFull);
  }
}

/** Who is at the other end of a socket, for counting; '' for nobody we know. */
export const personOf = (visitor: Visitor): string => peopleIn(visitor)[0] ?? '';

const peopleIn = ({ teacher, student, follower, remote }: Visitor): string[] => [
  ...(teacher ? [`teacher:${teacher.id}`] : []),
  ...(student ? [`student:${student.folioId}`] : []),
  ...(remote ? [`remote:${remote.key}`, `remotes:${remote.showId}`] : []),
  ...(follower ? [`follower:${follower.key}`] : []),
];

/** Counts what comes over sockets, and from where, before anything is done with it. */
export class SocketGuard {
  #guarded = new WeakMap<WebSocket, Guarded>();
  #open = new Map<string, number>();
  #sockets = new Map<string, Set<WebSocket>>();
  #people = new Map<string, Person>();

  /** Whether one more socket may be opened by this person and from this address. */
  admits(visitor: Visitor, address: string): boolean {
    const most = visitor.teacher
      ? SERVER_LIMITS.socket.perTeacher
      : SERVER_LIMITS.socket.perStudent;
    return (
      (this.#open.get(personOf(visitor)) ?? 0) < most &&
      (this.#open.get(address) ?? 0) < SERVER_LIMITS.socket.perAddress
    );
  }

  /** `session` tells what it was opened with, for when that ends. */
  follow(socket: WebSocket, visitor: Visitor, address: string, sessions: readonly string[]): void {
    for (const key of [...peopleIn(visitor), ...sessions]) {
      const known = this.#sockets.get(key) ?? new Set();
      this.#sockets.set(key, known.add(socket));
      socket.once('close', () => {
        known.delete(socket);
        if (known.size === 0 && this.#sockets.get(key) === known) this.#sockets.delete(key);
      });
    }
    const isTeacher = visitor.teacher !== null;
    const person = this.#personOf(personOf(visitor), isTeacher ? 'teacher' : 'student');
    const guarded: Guarded = { person, documents: new Map(), isTeacher };
    this.#guarded.set(socket, guarded);
    for (const key of [personOf(visitor), address]) this.#count(key, 1);
    socket.once('close', () => {
      for (const key of [personOf(visitor), address]) this.#count(key, -1);
    });
    socket.on('message', (data: Buffer) => {
      if (!namesFew(guarded, data)) {
        hangUp(socket);
        return;
      }
      const owed = Math.max(person.messages.take(1), person.bytes.take(data.length));
      if (owed > 0) rest(socket, owed);
      whenDone((milliseconds) => {
        const slow = person.time.take(milliseconds);
        if (slow > 0) rest(socket, slow);
      });
    });
  }

  #personOf(key: string, who: 'teacher' | 'student'): Person {
    if (this.#people.size > MOST_REMEMBERED) {
      for (const [known, person] of this.#people) if (person.isRested) this.#people.delete(known);
    }
    const person = this.#people.get(key) ?? new Person(who);
    this.#people.set(key, person);
    return person;
  }

  /** A document is open over the socket: from now on its messages are handled as they come. */
  opened(socket: WebSocket, name: string): void {
    this.#guarded.get(socket)?.documents.set(name, -Infinity);
  }

  /** Whether a message may bring so many changes; they are counted as messages, too. */
  mayChange(socket: WebSocket, changes: number): boolean {
    const guarded = this.#guarded.get(socket);
    if (!guarded) return true;
    const { changes: most, changesPerMessage } = SERVER_LIMITS.socket;
    const owed = guarded.person.messages.take(Math.floor(changes / changesPerMessage));
    if (owed > 0) rest(socket, owed);
    return changes <= most[guarded.isTeacher ? 'teacher' : 'student'];
  }

  /** Resolves when so many bytes of documents may be sent for the asking. */
  async mayAsk(socket: WebSocket, bytes: number): Promise<void> {
    const owed = this.#guarded.get(socket)?.person.asked.take(bytes) ?? 0;
    if (owed <= 0) return;
    rest(socket, owed);
    await new Promise((resolve) => setTimeout(resolve, Math.min(owed, LONGEST_REST)).unref());
  }

  /** Closes every socket that somebody opened, or that was opened with a session: they come back as what they are by now. */
  hangUpOn(personOrSession: string): void {
    for (const socket of [...(this.#sockets.get(personOrSession) ?? [])]) {
      socket.removeAllListeners('message');
      socket.close(CHANGED, 'changed');
      setTimeout(() => socket.terminate(), 500).unref();
    }
  }

  #count(key: string, by: 1 | -1): void {
    const count = (this.#open.get(key) ?? 0) + by;
    if (count > 0) this.#open.set(key, count);
    else this.#open.delete(key);
  }
}

/** Notes which document a message is for; false when there are too many, or too much waits for one that is not open. */
function namesFew({ documents, isTeacher }: Guarded, data: Buffer): boolean {
  // The name's length stands first and is below 128: a kind and a UUID.
  const length = data[0] ?? 0;
  if (length >= 128 || data.length < length + 1) return false;
  const name = data.toString('latin1', 1, length + 1);
  const waiting = (documents.get(name) ?? 0) + 1;
  documents.set(name, waiting);
  const most = SERVER_LIMITS.socket.documents[isTeacher ? 'teacher' : 'student'];
  return waiting <= SERVER_LIMITS.socket.beforeOpen && documents.size <= most;
}

/**
 * Tells how many milliseconds passed from here until all is done that follows at once: what was promised meanwhile, too,
 * but nothing that waits for the disk or for a clock.
 */
function whenDone(tell: (milliseconds: number) => void): void {
  const from = performance.now();
  // What is to be done in the next tick comes after all that has been promised by then.
  queueMicrotask(() => process.nextTick(() => tell(performance.now() - from)));
}

/** Milliseconds after which a socket is listened to again at the latest, whatever is owed. */
const LONGEST_REST = 20_000;
/** People whose allowances are remembered before those who owe nothing are forgotten. */
const MOST_REMEMBERED = 2000;

/** Listens to a socket no more for a while: what it sends meanwhile waits at its own end. */
function rest(socket: WebSocket, milliseconds: number): void {
  if (socket.isPaused || socket.readyState !== socket.OPEN) return;
  socket.pause();
  setTimeout(() => socket.resume(), Math.min(milliseconds, LONGEST_REST)).unref();
}

function hangUp(socket: WebSocket): void {
  socket.removeAllListeners('message');
  socket.close(TOO_MUCH, 'too much');
  setTimeout(() => socket.terminate(), 1000).unref();
}
