import sharp from 'sharp';
import WebSocket from 'ws';
import * as Y from 'yjs';
import { Device } from './servers.mjs';
import { openSocket } from './socket.mjs';

/**
 * Twenty devices that try to stop a class, two for each way, until the process is ended: run by `hostileClass.mjs` with
 * the server's address and the lesson's code.
 */
const [url = '', code = ''] = process.argv.slice(2);

const pause = (/** @type {number} */ milliseconds) =>
  new Promise((resolve) => setTimeout(resolve, milliseconds));

/** @param {number} n */
async function joined(n) {
  const device = new Device(url);
  const { folioId } = await device.post('student/join', { code, name: `Hostile ${n}` });
  return { device, folioId };
}

/** @param {Device} device @param {string} method @param {string} path @param {BodyInit} [body] @param {string} [type] */
async function send(device, method, path, body, type = 'application/json') {
  const headers = /** @type {Record<string, string>} */ ({ cookie: device.cookie, origin: url });
  if (typeof body === 'string') headers['content-type'] = type;
  const response = await fetch(`${url}/api/${path}`, { method, headers, body });
  await response.arrayBuffer();
  return response.status;
}

/** @param {Device} device @param {string} name */
function socketOf(device, name) {
  const opened = openSocket(url, device.cookie);
  return opened.open(name).then(({ doc }) => ({ doc, close: opened.close }));
}

/** @param {Y.Doc} doc @param {string} id */
function leafOf(doc, id) {
  const leaf = new Y.Map();
  doc.getMap('slides').set(id, leaf);
  leaf.set('patternId', 'log');
  leaf.set('addedAt', 1);
  const elements = new Y.Map();
  leaf.set('elements', elements);
  return elements;
}

const WAYS = {
  /** Anybody may open a socket and say a lot. */
  async anonymousFlood() {
    const sockets = Array.from(
      { length: 10 },
      () => new WebSocket(`${url.replace('http', 'ws')}/sync`),
    );
    for (const socket of sockets) socket.on('error', () => undefined);
    const junk = Buffer.alloc(60_000, 7);
    for (let turn = 0; turn < 50; turn++) {
      for (const socket of sockets) if (socket.readyState === WebSocket.OPEN) socket.send(junk);
      await pause(20);
    }
    for (const socket of sockets) socket.terminate();
  },
  /** @param {number} n */
  async deepGroups(n) {
    const { device, folioId } = await joined(n);
    const { doc, close } = await socketOf(device, `folio:${folioId}`);
    doc.transact(() => {
      const elements = leafOf(doc, 'deep');
      for (let at = 0; at < 4000; at++) {
        const group = new Y.Map();
        elements.set(`g${at}`, group);
        group.set('kind', 'group');
        group.set('groupId', at === 0 ? '' : `g${at - 1}`);
        group.set('box', { x: 0, y: 0, w: 10, h: 10 });
      }
    });
    await pause(3000);
    close();
  },
  /** @param {number} n */
  async longTitle(n) {
    const { device, folioId } = await joined(n);
    const { doc, close } = await socketOf(device, `folio:${folioId}`);
    const elements = leafOf(doc, 'long');
    const title = new Y.Map();
    elements.set('t', title);
    title.set('kind', 'text');
    title.set('style', 'title');
    const fragment = new Y.XmlFragment();
    title.set('text', fragment);
    const paragraph = new Y.XmlElement('paragraph');
    fragment.insert(0, [paragraph]);
    const text = new Y.XmlText('x'.repeat(200_000));
    paragraph.insert(0, [text]);
    for (let turn = 0; turn < 600; turn++) {
      text.insert(text.length, 'y');
      await pause(5);
    }
    close();
  },
  /** @param {number} n */
  async manyUpdates(n) {
    const { device, folioId } = await joined(n);
    const { doc, close } = await socketOf(device, `folio:${folioId}`);
    for (let turn = 0; turn < 3000; turn++) {
      doc
        .getMap('answers')
        .set(`none-${turn}`, { value: { kind: 'choice', optionIds: ['a'] }, at: 1 });
      if (turn % 20 === 0) await pause(5);
    }
    close();
  },
  /** Ten megabytes, asked for again and again. */
  async largeState(/** @type {number} */ n) {
    const { device, folioId } = await joined(n);
    const { doc, close } = await socketOf(device, `folio:${folioId}`);
    for (let at = 0; at < 40; at++) {
      doc.getMap('drafts').set(`d${at}`, { value: 'z'.repeat(250_000), at: 1 });
      await pause(10);
    }
    for (let turn = 0; turn < 40; turn++) {
      const again = openSocket(url, device.cookie);
      void again.open(`folio:${folioId}`).catch(() => undefined);
      await pause(50);
      again.close();
    }
    close();
  },
  /** @param {number} n */
  async drawings(n) {
    const { device } = await joined(n);
    const bomb = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><g id="a0"><rect width="1" height="1"/></g>${Array.from(
      { length: 20 },
      (_, at) => `<g id="a${at + 1}">${`<use href="#a${at}"/>`.repeat(10)}</g>`,
    ).join('')}<use href="#a20"/></svg>`;
    const deep = `<svg xmlns="http://www.w3.org/2000/svg">${'<g>'.repeat(150_000)}${'</g>'.repeat(150_000)}</svg>`;
    for (let turn = 0; turn < 6; turn++) {
      for (const svg of [bomb, deep]) {
        const form = new FormData();
        form.append('file', new Blob([svg]), 'x.svg');
        await send(device, 'POST', 'assets', form);
      }
    }
  },
  /** @param {number} n */
  async largePictures(n) {
    const { device } = await joined(n);
    const picture = await sharp({
      create: { width: 7000, height: 5600, channels: 3, background: { r: n, g: 3, b: 4 } },
    })
      .png()
      .toBuffer();
    for (let turn = 0; turn < 4; turn++) {
      const form = new FormData();
      form.append('file', new Blob([new Uint8Array(picture)]), 'x.png');
      await send(device, 'POST', 'assets', form);
    }
  },
  async guessing() {
    const device = new Device(url);
    for (let turn = 0; turn < 300; turn++) {
      await Promise.all([
        send(device, 'POST', 'student/look', JSON.stringify({ code: `TERN ${100 + turn}` })),
        send(device, 'POST', 'student/return', JSON.stringify({ code, returnCode: 'BCDF2' })),
      ]);
    }
  },
  /** Passwords are dear to check. */
  async signingIn() {
    const device = new Device(url);
    for (let turn = 0; turn < 100; turn++) {
      const email = `h${turn}-${Math.random()}@x.example`;
      await Promise.all([
        send(device, 'POST', 'session', JSON.stringify({ email, password: 'long enough words' })),
        send(
          device,
          'POST',
          'accounts',
          JSON.stringify({ name: 'H', email, password: 'long enough words' }),
        ),
      ]);
    }
  },
  /** @param {number} n */
  async asking(n) {
    const { device } = await joined(n);
    const big = JSON.stringify({ isUp: 'x'.repeat(900_000) });
    for (let turn = 0; turn < 60; turn++) {
      await Promise.all([
        ...Array.from({ length: 10 }, () => send(device, 'GET', 'student/lesson')),
        send(device, 'GET', 'student/leaves'),
        send(device, 'GET', 'student/marks'),
        send(device, 'POST', 'student/hand', big),
      ]);
    }
  },
};

// A connection that is cut is what they are after.
process.on('uncaughtException', () => undefined);
process.on('unhandledRejection', () => undefined);

const only = process.env.WAYS?.split(',');
const kinds = Object.entries(WAYS).filter(([name]) => !only || only.includes(name));
/** @type {Record<string, number>} */
const done = {};
process.on('SIGTERM', () => {
  process.stdout.write(`${JSON.stringify(done)}\n`, () => process.exit(0));
});
await Promise.all(
  Array.from({ length: 20 }, async (_, n) => {
    const [name, attack] = kinds[n % kinds.length] ?? ['', WAYS.guessing];
    for (let round = 0; ; round++) {
      await attack(n + 100 * round).catch(() => pause(200));
      done[name] = (done[name] ?? 0) + 1;
    }
  }),
);
