import { answer, answersMap, place, visit } from '@gobrel/core';
import { openSocket } from './socket.mjs';
import { Device } from './servers.mjs';

const PER_SECOND = 5;
const LAMP = '00000000-0000-4000-8000-000000000001';

/**
 * A class at work at 5 updates a second each, and a desk that watches all folios: how long from a student's change to
 * the desk's copy of it.
 *
 * @param {string} url
 * @param {{ name: string, cookie: string }[]} folios
 * @param {string} deskCookie
 * @param {number} seconds
 * @returns {Promise<number[]>} latencies in milliseconds
 */
export async function atWork(url, folios, deskCookie, seconds) {
  const desk = openSocket(url, deskCookie);
  /** @type {number[]} */
  const latencies = [];
  const students = [];
  for (const { name, cookie } of folios) {
    const socket = openSocket(url, cookie);
    const { doc } = await socket.open(name);
    /** When each update that the desk has not seen yet was made; updates of one document keep their order. */
    const sent = /** @type {number[]} */ ([]);
    const watched = await desk.open(name);
    watched.doc.on('update', () => {
      const at = sent.shift();
      if (at !== undefined) latencies.push(performance.now() - at);
    });
    doc.on('update', (_update, origin) => origin === 'command' && sent.push(performance.now()));
    students.push({ doc, socket });
  }
  const end = performance.now() + seconds * 1000;
  await Promise.all(
    students.map(async ({ doc }, index) => {
      await pause((index / students.length) * (1000 / PER_SECOND));
      for (let turn = 0; performance.now() < end; turn++) {
        work(doc, turn);
        await pause(1000 / PER_SECOND);
      }
    }),
  );
  await pause(1500);
  for (const { socket } of students) socket.close();
  desk.close();
  await pause(500);
  return latencies;
}

/** Mostly pieces moved, now and then an answer or a step. @param {import('yjs').Doc} doc @param {number} turn */
function work(doc, turn) {
  const now = Date.now();
  if (turn % 5 === 3) {
    const optionIds = [['a', 'b', 'c'][(turn + answersMap(doc).size) % 3] ?? 'a'];
    answer(doc, 'q-seen', { kind: 'choice', optionIds }, now);
  } else if (turn % 5 === 4) visit(doc, turn % 2 ? 'wire' : 'keeper-sees', 'start', now);
  else
    place(doc, 'wire', {
      [['copper-wire', 'cotton-string', 'twig'][turn % 3] ?? 'twig']: { x: turn % 900, y: 500 },
    });
}

const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Signs the teacher of the demo data in. @param {string} url */
export async function teacherOf(url) {
  const teacher = new Device(url);
  await teacher.post('session', { email: 'ines@gobrel.example', password: 'petrel-isle-lamp' });
  return teacher;
}

/** Starts a lesson and lets so many students join it. @param {Device} teacher @param {number} students */
export async function joinedClass(teacher, students) {
  const lesson = await teacher.post(`decks/${LAMP}/lessons`, { allowsTypedNames: true });
  const { joinCode } = await teacher.get(`lessons/${lesson.id}`);
  const folios = [];
  for (let index = 0; index < students; index++) {
    const student = new Device(teacher.url);
    const name = `Student ${index}`;
    const { folioId } = await student.post('student/join', { code: joinCode, name });
    folios.push({ name: `folio:${folioId}`, cookie: student.cookie });
  }
  return { folios, joinCode: String(joinCode) };
}

/** Documents of the bare relay, which asks nobody who they are. @param {string} called @param {number} students */
export const bareFolios = (called, students) =>
  Array.from({ length: students }, (_, index) => ({
    name: `folio:${called}-${index}`,
    cookie: '',
  }));
