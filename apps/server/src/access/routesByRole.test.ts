import 'reflect-metadata';
import { METHOD_METADATA, PATH_METADATA } from '@nestjs/common/constants.js';
import { ModulesContainer } from '@nestjs/core';
import { RequestMethod } from '@nestjs/common';
import { DataSource } from 'typeorm';
import { addElement, can, thingOf, type Role, type Thing } from '@gobrel/core';
import { DecksService } from '../decks/DecksService.js';
import { SharingService } from '../sharing/SharingService.js';
import { secretDeck } from '../testing/classroom.js';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';
import { AccessService } from './AccessService.js';
import { NEED, type Need } from './needs.js';

interface Route {
  method: string;
  path: string;
  need: Need | undefined;
}

let server: TestServer;
type Teacher = Awaited<ReturnType<typeof signUp>>;
let ines: Teacher, tomas: Teacher, kari: Teacher, vera: Teacher, nora: Teacher;

beforeAll(async () => {
  server = await startServer({ proxies: 1 });
  ines = await signUp(server.url, 'Ines');
  tomas = await signUp(server.url, 'Tomas');
  kari = await signUp(server.url, 'Kari');
  vera = await signUp(server.url, 'Vera');
  nora = await signUp(server.url, 'Nora');
});
afterAll(() => server.stop());

/** All routes of all controllers, with what they say they need. */
function routes(): Route[] {
  const found: Route[] = [];
  const seen = new Set<unknown>();
  for (const { controllers } of server.app.get(ModulesContainer).values()) {
    for (const { metatype, instance } of controllers.values()) {
      if (!metatype || !instance || seen.has(metatype)) continue;
      seen.add(metatype);
      const root = Reflect.getMetadata(PATH_METADATA, metatype) as string;
      const proto = Object.getPrototypeOf(instance) as Record<string, object>;
      for (const name of Object.getOwnPropertyNames(proto)) {
        const handler = proto[name]!;
        const path = Reflect.getMetadata(PATH_METADATA, handler) as string | undefined;
        if (path === undefined || name === 'constructor') continue;
        const method = Reflect.getMetadata(METHOD_METADATA, handler) as RequestMethod;
        found.push({
          method: RequestMethod[method],
          path: `${root}/${path}`.replace(/\/+/g, '/').replace(/^api\/|\/$/g, ''),
          need: (Reflect.getMetadata(NEED, handler) ?? Reflect.getMetadata(NEED, metatype)) as
            Need | undefined,
        });
      }
    }
  }
  return found;
}

test('every route says what it needs, and there is none beside those of controllers', () => {
  const all = routes();
  expect(all.filter(({ need }) => !need)).toEqual([]);
  const express = server.app.getHttpAdapter().getInstance() as {
    router: { stack: { route?: { path: string; methods: object } }[] };
  };
  const open = express.router.stack.filter(({ route }) => route?.path.startsWith('/api'));
  expect(all.length).toBe(open.length);
  expect(all.length).toBeGreaterThan(70);
});

type Who =
  | 'stranger'
  | 'owner'
  | 'coauthor'
  | 'commenter'
  | 'viewer'
  | 'other teacher'
  | 'student'
  | 'waiting student'
  | 'student of another lesson'
  | 'big screen'
  | 'follower'
  | 'remote';
interface World {
  ids: Record<string, string>;
  people: Record<Who, Visitor>;
}

/** What everybody is to the things of a world. Written down by hand: the server is not asked. */
const IS: Record<Who, Partial<Record<Thing, Role[]>>> = {
  stranger: {},
  owner: {
    site: ['teacher'],
    deck: ['owner'],
    trash: ['owner'],
    lesson: ['teaches', 'owner'],
    folio: ['teaches'],
    file: ['reader'],
    class: ['owner'],
    starter: ['owner'],
    theme: ['owner'],
    show: ['hosts'],
  },
  coauthor: {
    site: ['teacher'],
    deck: ['coauthor'],
    trash: ['coauthor'],
    lesson: ['teaches'],
    folio: ['teaches'],
    file: ['reader'],
  },
  commenter: {
    site: ['teacher'],
    deck: ['commenter'],
    trash: ['commenter'],
    file: ['reader'],
  },
  viewer: { site: ['teacher'], deck: ['viewer'], trash: ['viewer'], file: ['reader'] },
  'other teacher': { site: ['teacher'] },
  student: { site: ['student'], lesson: ['student'], folio: ['student'], file: ['reader'] },
  'waiting student': { site: ['waiting'], lesson: ['waiting'] },
  'student of another lesson': { site: ['student'] },
  'big screen': { file: ['reader'] },
  follower: { file: ['reader'], show: ['follows'] },
  remote: { file: ['reader'], show: ['steers'] },
};

let addresses = 0;
/** From an address of its own each time: who is refused often is told so later. */
const ask = (who: Visitor, method: string, path: string, body?: object) =>
  who.request<{ detail?: string; id?: string; hash?: string; code?: string }>(method, path, body, {
    'x-forwarded-for': `10.${(addresses >> 16) & 255}.${(addresses >> 8) & 255}.${addresses++ & 255}`,
  });

async function must(who: Visitor, method: string, path: string, body?: object) {
  const said = await ask(who, method, path, body);
  if (said.status >= 400) throw new Error(`${method} ${path}: ${JSON.stringify(said.body)}`);
  return said.body;
}

async function picture(): Promise<string> {
  const form = new FormData();
  const drawing = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 9 9"><path d="M0 0h9v9z"/></svg>`;
  form.set('file', new Blob([drawing], { type: 'image/svg+xml' }), 'a.svg');
  return (await must(ines, 'POST', 'assets', form)).hash!;
}

/** The world that is only looked at. */
let looked: World | undefined;

async function makeWorld(hash: string): Promise<World> {
  const decks = server.app.get(DecksService);
  // Screens are paired more often here than a teacher would.
  await server.app.get(DataSource).query('DELETE FROM failure');
  const doc = secretDeck();
  addElement(doc, 'pier', {
    kind: 'picture',
    layer: 'content',
    box: { x: 0, y: 0, w: 90, h: 90 },
    asset: { hash, width: 9, height: 9, isAnimated: false },
  });
  const deckId = await decks.adopt(ines.id, doc);
  const trashed = await decks.adopt(ines.id, secretDeck());
  for (const id of [deckId, trashed]) {
    const sharing = server.app.get(SharingService);
    await sharing.give(id, tomas.id, 'coauthor');
    await sharing.give(id, kari.id, 'commenter');
    await sharing.give(id, vera.id, 'viewer');
  }
  await must(ines, 'DELETE', `decks/${trashed}`);
  const start = async (teacher: Teacher, deck: string, settings: object = {}) => {
    const lesson = { allowsTypedNames: true, settings };
    const { id } = await must(teacher, 'POST', `decks/${deck}/lessons`, lesson);
    const { joinCode } = (await must(teacher, 'GET', `lessons/${id!}`)) as { joinCode?: string };
    return { id: id!, code: joinCode! };
  };
  const join = async (code: string, name: string) => {
    const student = new Visitor(server.url);
    const { folioId } = (await must(student, 'POST', 'student/join', {
      code,
      name,
      key: crypto.randomUUID(),
    })) as { folioId?: string };
    return { student, folioId: folioId! };
  };
  const lesson = await start(ines, deckId);
  const ada = await join(lesson.code, 'Ada');
  await must(ines, 'PUT', `lessons/${lesson.id}/settings`, { hasWaitingRoom: true });
  const wim = await join(lesson.code, 'Wim');
  const elsewhere = await start(nora, await decks.adopt(nora.id, secretDeck()));
  const otto = await join(elsewhere.code, 'Otto');
  const screen = new Visitor(server.url);
  const { code } = await must(screen, 'POST', 'screens');
  await must(ines, 'POST', `lessons/${lesson.id}/screens`, { code });
  // One teacher gives only so many at once.
  await server.app
    .get(DataSource)
    .query(`UPDATE show SET ended_at = now() WHERE id IS DISTINCT FROM $1`, [
      looked?.ids.show ?? null,
    ]);
  const { show } = (await must(ines, 'POST', `decks/${deckId}/show`)) as unknown as {
    show: { id: string; code: string };
  };
  const [follower, remote] = [new Visitor(server.url), new Visitor(server.url)];
  await must(follower, 'POST', 'follow', { code: show.code });
  await must(remote, 'POST', 'remotes', await must(ines, 'POST', `shows/${show.id}/remotes`));
  const list = await must(ines, 'POST', 'classes', {
    name: `C${addresses}`,
    students: [{ name: 'A' }],
  });
  const [starter] = await server.app
    .get(DataSource)
    .query<{ id: string }[]>(
      `INSERT INTO starter (teacher_id, title, clip) VALUES ($1, 'S', '{}') RETURNING id`,
      [ines.id],
    );
  const [theme] = await server.app
    .get(DataSource)
    .query<{ id: string }[]>(
      `INSERT INTO kept_theme (teacher_id, theme) VALUES ($1, '{}') RETURNING id`,
      [ines.id],
    );
  return {
    ids: {
      deck: deckId,
      trash: trashed,
      lesson: lesson.id,
      folio: ada.folioId,
      file: hash,
      class: list.id!,
      starter: starter!.id,
      theme: theme!.id,
      show: show.id,
    },
    people: {
      stranger: new Visitor(server.url),
      'other teacher': nora,
      'student of another lesson': otto.student,
      'waiting student': wim.student,
      'big screen': screen,
      follower,
      remote,
      student: ada.student,
      coauthor: tomas,
      commenter: kari,
      viewer: vera,
      owner: ines,
    },
  };
}

/** The address of a route in a world. */
const addressOf = ({ path, need }: Route, ids: World['ids']): string =>
  path
    .replace(/:(\w+)/g, (_, name: string) => {
      if (name === need!.param) return ids[thingOf(need!.capability)]!;
      if (name === 'folioId') return ids.folio!;
      return (
        { questionId: 'q', number: '1', personId: nora.id, invitationId: nora.id }[name] ?? 'x'
      );
    })
    .replace(/^picture-box\/x$/, 'picture-box/lighthouse');

test('every route lets in whom the table lets in, and nobody else', async () => {
  const hash = await picture();
  const wrong: string[] = [];
  for (const route of routes()) {
    const { need, method } = route;
    if (need!.capability === 'site:visit') continue;
    // What changes something has a world of its own: it may end a lesson or throw a deck away.
    const world = method === 'GET' ? (looked ??= await makeWorld(hash)) : await makeWorld(hash);
    const address = addressOf(route, world.ids);
    for (const [who, visitor] of Object.entries(world.people) as [Who, Visitor][]) {
      const roles = IS[who][need!.param ? thingOf(need!.capability) : 'site'] ?? [];
      const wanted = can(roles, need!.capability);
      // The one thing in this world that is shown is a picture: as a file or a sound it is not there.
      if (wanted && need!.capability === 'file:read' && need!.what !== 'picture') continue;
      const said = await ask(visitor, method, address, /GET|HEAD/.test(method) ? undefined : {});
      const isRefused =
        said.status === 401 ||
        said.status === 403 ||
        (said.status === 404 && said.body.detail?.startsWith(`There is no such ${need!.what},`));
      if (isRefused === wanted) {
        wrong.push(`${who}: ${method} ${route.path} → ${said.status} ${said.body.detail ?? ''}`);
      }
    }
  }
  expect(wrong).toEqual([]);
}, 240_000);

test('every kind of document opens to whom the table opens it, to write or to read', async () => {
  const access = server.app.get(AccessService);
  const { ids, people } = await makeWorld(await picture());
  const wrong: string[] = [];
  for (const [who, visitor] of Object.entries(people) as [Who, Visitor][]) {
    const [deck, folio, lesson, show] = (['deck', 'folio', 'lesson', 'show'] as const).map(
      (thing) => IS[who][thing] ?? [],
    ) as [Role[], Role[], Role[], Role[]];
    const wanted = {
      [`deck:${ids.deck}`]: can(deck, 'deck:write')
        ? 'write'
        : can(deck, 'deck:read')
          ? 'read'
          : null,
      [`folio:${ids.folio}`]: can(folio, 'folio:write')
        ? 'write'
        : can(folio, 'folio:read')
          ? 'read'
          : null,
      [`lesson:${ids.lesson}`]: can(lesson, 'lesson:watch') ? 'read' : null,
      [`desk:${ids.lesson}`]: can(lesson, 'lesson:teach') ? 'read' : null,
      [`show:${ids.show}`]: can(show, 'show:steer')
        ? 'steer'
        : can(show, 'show:follow')
          ? 'read'
          : null,
      [`deck:${ids.trash}`]: null,
      [`class:${ids.class}`]: null,
      'deck:': null,
    };
    const known = await access.visitorOf(visitor.cookie);
    for (const [name, right] of Object.entries(wanted)) {
      const has = await access.documentAccess(known, name);
      if (has !== right) wrong.push(`${who}: ${name} ${String(has)} instead of ${String(right)}`);
    }
  }
  expect(wrong).toEqual([]);
});
