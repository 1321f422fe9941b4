import {
  addLeaf,
  answer,
  deskAnswers,
  deskEntries,
  deskTallies,
  place,
  plain,
  questionsOf,
  readDeck,
  readDesk,
  readFolio,
  readLessonState,
  readSlide,
  setText,
  slideOf,
  visit,
  type Deck,
  type Tally,
} from '@gobrel/core';
import { deck, question, slide } from '@gobrel/core/testing';
import { DataSource } from 'typeorm';
import { openClassroom, secretDeck, SECRETS, type Classroom } from '../testing/classroom.js';
import { startServer, until, Visitor, type TestServer } from '../testing/testServer.js';
import { markAnew } from './folioRows.js';
import { FoliosService } from './FoliosService.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
});
beforeEach(async () => {
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const picksOf = (tally: Tally | undefined): Record<string, number> =>
  tally?.kind === 'choice' ? tally.picks : {};
const picks = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });

test('no key, note or left-out slide is in anything a student’s browser receives during a whole walk', async () => {
  const student = await room.join('Ada');
  await student.post('student/look', { code: room.joinCode });
  const { body } = await student.get<{ edition: Deck; lessonId: string }>('student/lesson');
  const folio = await student.open(`folio:${student.folioId}`);
  await student.open(`lesson:${body.lessonId}`);
  for (const path of [`deck:${room.deckId}`, `desk:${room.lessonId}`]) {
    await student.open(path).catch(() => undefined);
  }
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  visit(folio.doc, 'pier', 'start', Date.now());
  visit(folio.doc, 'sea', 'row', Date.now());
  answer(folio.doc, 'q', picks('b'), Date.now());
  place(folio.doc, 'sea', { oar: { x: 700, y: 450 } });
  addLeaf(folio.doc, body.edition.slides.page!, Date.now(), 'leaf1');
  await folio.acknowledged();
  await room.ines.post(`lessons/${room.lessonId}/pace`, { pace: 'together', slideId: 'sea' });
  await room.ines.post(`lessons/${room.lessonId}/present`, { folioId: student.folioId });
  await until(() => readDesk(desk.doc).students[0]?.leaves.length === 1);
  await student.post('student/turn', { leafId: 'leaf1' });
  await student.post('student/hand-in');
  await student.get('student/lesson');

  expect(room.ines.received.join()).toContain(SECRETS.key);
  const everything = student.received.join('\n');
  expect(everything).toContain('Which way?');
  for (const secret of Object.values(SECRETS)) {
    expect(everything).not.toContain(secret);
  }
  student.close();
  room.ines.close();
});

test('answers, pieces and walks reach the desk and the rows, marked and counted', async () => {
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  expect(readDesk(desk.doc).students.map((s) => s.name)).toEqual(['Ada', 'Bela']);
  const folio = await ada.open(`folio:${ada.folioId}`);
  const other = await bela.open(`folio:${bela.folioId}`);
  visit(folio.doc, 'sea', 'row', Date.now());
  answer(folio.doc, 'q', picks('a'), Date.now());
  place(folio.doc, 'sea', { oar: { x: 650, y: 450 } });
  answer(other.doc, 'q', picks('b'), Date.now());
  await until(() => {
    const { students, tallies } = readDesk(desk.doc);
    const tally = tallies.q;
    return (
      students[0]?.slideId === 'sea' &&
      students[0].isHere &&
      tally?.answered === 2 &&
      picksOf(tally).a === 1
    );
  });
  const seen = readDesk(desk.doc).students[0]!;
  expect(seen.placements).toEqual({ sea: { oar: { x: 650, y: 450 } } });
  const database = server.app.get(DataSource);
  expect(
    await database.query('SELECT question_id, answer FROM answer WHERE folio_id = $1', [
      ada.folioId,
    ]),
  ).toEqual([{ question_id: 'q', answer: picks('a') }]);
  expect(
    await database.query('SELECT slide_id, element_id, zone_id FROM placement'),
  ).toContainEqual({ slide_id: 'sea', element_id: 'oar', zone_id: 'boat' });
  answer(folio.doc, 'q', picks('b'), Date.now());
  await until(() => picksOf(deskTallies(desk.doc).get('q')).b === 2);
  ada.close();
  await until(() => readDesk(desk.doc).students[0]?.isHere === false);
  bela.close();
  room.ines.close();
});

test('what a device forges into its folio is passed over', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  folio.doc
    .getMap('answers')
    .set('q', { value: { kind: 'choice', optionIds: ['zz'] }, at: 'never' });
  folio.doc.getMap('answers').set('__proto__', 5);
  folio.doc.getMap('placements').set('pier/pier-title', { x: 1, y: 1 });
  folio.doc.getArray('walk').push([{ slideId: 'hidden; DROP TABLE visit', at: 1e300 }, null]);
  visit(folio.doc, 'sea', 'row', 8e15);
  await folio.acknowledged();
  const database = server.app.get(DataSource);
  await until(
    async () =>
      (await database.query<unknown[]>('SELECT 1 FROM visit WHERE folio_id = $1', [ada.folioId]))
        .length === 1,
  );
  expect(await database.query('SELECT 1 FROM answer WHERE folio_id = $1', [ada.folioId])).toEqual(
    [],
  );
  expect(
    await database.query('SELECT 1 FROM placement WHERE folio_id = $1', [ada.folioId]),
  ).toEqual([]);
  ada.close();
});

test('handing in freezes the folio as an attempt: once, for every device, for good', async () => {
  const ada = await room.join('Ada');
  const [folio, secondTab] = [
    await ada.open(`folio:${ada.folioId}`),
    await ada.open(`folio:${ada.folioId}`),
  ];
  answer(folio.doc, 'q', picks('a'), Date.now());
  await folio.acknowledged();
  await until(() => readFolio(secondTab.doc).answers.q !== undefined);
  expect((await ada.post('student/hand-in')).status).toBe(200);
  expect((await ada.post('student/hand-in')).status).toBe(409);
  answer(secondTab.doc, 'q', picks('b'), Date.now());
  const database = server.app.get(DataSource);
  const [attempt] = await database.query<{ folio: { answers: unknown } }[]>(
    'SELECT folio FROM attempt WHERE folio_id = $1',
    [ada.folioId],
  );
  expect(attempt!.folio.answers).toEqual({ q: picks('a') });
  ada.close();
  const later = await room.ines.open(`folio:${ada.folioId}`);
  expect(readFolio(later.doc).answers.q).toEqual(picks('a'));
  room.ines.close();
});

test('one folio in two tabs stays one folio', async () => {
  const ada = await room.join('Ada');
  const [one, two] = [
    await ada.open(`folio:${ada.folioId}`),
    await ada.open(`folio:${ada.folioId}`),
  ];
  place(one.doc, 'sea', { oar: { x: 10, y: 10 } });
  answer(two.doc, 'q', picks('a'), Date.now());
  await until(
    () =>
      readFolio(one.doc).answers.q !== undefined && readFolio(two.doc).placements.sea !== undefined,
  );
  expect(readFolio(one.doc)).toEqual(readFolio(two.doc));
  ada.close();
});

test('offline while answering, and back: everything arrives', async () => {
  const ada = await room.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  folio.provider.configuration.websocketProvider.disconnect();
  await until(() => !folio.provider.isSynced);
  answer(folio.doc, 'q', picks('a'), Date.now());
  place(folio.doc, 'sea', { oar: { x: 650, y: 450 } });
  expect(folio.provider.hasUnsyncedChanges).toBe(true);
  await folio.provider.configuration.websocketProvider.connect();
  await folio.acknowledged();
  const teacher = await room.ines.open(`folio:${ada.folioId}`);
  expect(readFolio(teacher.doc)).toMatchObject({
    answers: { q: picks('a') },
    placements: { sea: { oar: { x: 650, y: 450 } } },
  });
  ada.close();
  room.ines.close();
});

test('a device that comes and goes within one pass does not hold up the class', async () => {
  const room = await openClassroom(server);
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  for (const id of ['a', 'b', 'a', 'b']) {
    const folio = await ada.open(`folio:${ada.folioId}`);
    answer(folio.doc, 'q', picks(id), Date.now());
    await folio.acknowledged();
    folio.close();
  }
  const other = await bela.open(`folio:${bela.folioId}`);
  answer(other.doc, 'q', picks('a'), Date.now());
  await until(() => picksOf(deskTallies(desk.doc).get('q')).a === 1);
  await until(() => picksOf(deskTallies(desk.doc).get('q')).b === 1);
});

test('line-up and presenting: only whose turn it is turns the leaves', async () => {
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const folio = await ada.open(`folio:${ada.folioId}`);
  const { body } = await ada.get<{ edition: Deck }>('student/lesson');
  addLeaf(folio.doc, body.edition.slides.page!, 1, 'leaf1');
  addLeaf(folio.doc, body.edition.slides.page!, 2, 'leaf2');
  const title = readSlide('leaf1', slideOf(folio.doc, 'leaf1')!).elements[0]!;
  setText(folio.doc, 'leaf1', title.id, plain('Gulls'));
  await folio.acknowledged();
  const state = await bela.open(`lesson:${room.lessonId}`);
  const lineUp = (folioId: string) =>
    room.ines.request('PUT', `lessons/${room.lessonId}/line-up/${folioId}`, { before: null });
  expect((await lineUp(ada.folioId)).status).toBe(204);
  expect((await lineUp(ada.folioId)).status).toBe(204);
  expect((await lineUp(room.lessonId)).status).toBe(404);
  expect((await lineUp('nobody')).status).toBe(400);
  expect((await ada.post('student/turn', { leafId: 'leaf2' })).status).toBe(409);
  await room.ines.post(`lessons/${room.lessonId}/present`, { folioId: ada.folioId });
  await until(() => readLessonState(state.doc)?.presenting?.leafId === 'leaf1');
  expect((await bela.post('student/turn', { leafId: 'leaf2' })).status).toBe(404);
  expect((await ada.post('student/turn', { leafId: 'gone' })).status).toBe(404);
  expect((await ada.post('student/turn', { leafId: 'leaf2' })).status).toBe(204);
  await until(() => readLessonState(state.doc)?.presenting?.leafId === 'leaf2');
  await room.ines.post(`lessons/${room.lessonId}/present`, { folioId: null });
  await until(() => readLessonState(state.doc)?.presenting === null);
  ada.close();
  bela.close();
});

test('an ended lesson takes no more from the desk; what a device did before it heard is kept as late', async () => {
  const room = await openClassroom(server);
  const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
  const folio = await ada.open(`folio:${ada.folioId}`);
  const desk = await room.ines.open(`desk:${room.lessonId}`);
  await bela.open(`lesson:${room.lessonId}`);
  await room.ines.post(`lessons/${room.lessonId}/end`);
  const endedAt = Date.now();
  // What comes in the first moment was on its way.
  await until(() => Date.now() > endedAt + 1600);
  answer(folio.doc, 'q', picks('a'), Date.now());
  await folio.acknowledged();
  await until(() => deskAnswers(desk.doc).get(`${ada.folioId}/q`)?.isLate === true);
  // It is kept, and counts only where that is allowed.
  expect(deskTallies(desk.doc).get('q')?.answered ?? 0).toBe(0);
  expect((await ada.post('student/hand-in')).status).toBe(409);
  expect((await room.ines.post(`lessons/${room.lessonId}/hold`, { isHeld: true })).status).toBe(
    409,
  );
  const settings = await room.ines.request('PUT', `lessons/${room.lessonId}/settings`, {
    countsLate: true,
  });
  expect(settings.status).toBe(200);
  await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
  ada.close();
  bela.close();
  room.ines.close();
});

test('a stranger with no cookie gets nothing', async () => {
  const ada = await room.join('Ada');
  const stranger = new Visitor(server.url);
  for (const name of [
    `folio:${ada.folioId}`,
    `deck:${room.deckId}`,
    `lesson:${room.lessonId}`,
    `desk:${room.lessonId}`,
    'nonsense',
    'deck:../..',
  ]) {
    await expect(stranger.open(name)).rejects.toThrow('not-yours');
  }
  for (const path of ['student/lesson', 'student/hand-in', 'student/turn']) {
    const method = path.endsWith('lesson') ? 'GET' : 'POST';
    expect(
      (await stranger.request(method, path, method === 'POST' ? { leafId: 'x' } : undefined))
        .status,
    ).toBe(401);
  }
});

test('a final answer stands also when the database was out of reach as it came', async () => {
  const asked = deck(
    slide(
      's',
      question(
        'once',
        '?',
        { kind: 'textEntry', points: 1 },
        { kind: 'textEntry', accepted: ['tern'], heedsCase: false, heedsAccents: false },
        undefined,
        { isFinal: true },
      ),
    ),
  );
  const other = await openClassroom(server, asked);
  const ada = await other.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  const desk = await other.ines.open(`desk:${other.lessonId}`);
  await until(() => deskEntries(desk.doc).get(ada.folioId)?.isHere === true);
  await server.app.get(FoliosService).settle();
  const away = jest
    .spyOn(server.app.get(DataSource), 'transaction')
    .mockRejectedValueOnce(new Error('out of reach'));
  answer(folio.doc, 'once', { kind: 'textEntry', text: 'tern' }, Date.now());
  await until(() => deskAnswers(desk.doc).get(`${ada.folioId}/once`)?.score === 1);
  expect(away).toHaveBeenCalledTimes(2);
  away.mockRestore();
  answer(folio.doc, 'once', { kind: 'textEntry', text: 'gull' }, Date.now());
  await folio.acknowledged();
  await server.app.get(FoliosService).settle();
  const rows = await server.app
    .get(DataSource)
    .query<{ answer: object }[]>('SELECT answer FROM answer WHERE folio_id = $1', [ada.folioId]);
  expect(rows).toEqual([{ answer: { kind: 'textEntry', text: 'tern' } }]);
});

test('an answer that is changed while marks are given anew keeps the mark of what it is now', async () => {
  const database = server.app.get(DataSource);
  const other = await openClassroom(server);
  const ada = await other.join('Ada');
  const folio = await ada.open(`folio:${ada.folioId}`);
  answer(folio.doc, 'q', { kind: 'choice', optionIds: ['b'] }, Date.now());
  await folio.acknowledged();
  await server.app.get(FoliosService).settle();
  // What was read before it was changed: it is marked by that, and must not be written over what is there now.
  const stale = {
    folio_id: ada.folioId,
    question_id: 'q',
    score: 0,
    is_late: false,
    answered_at: new Date(),
  };
  await database.query(
    `UPDATE answer SET answer = '{"kind":"choice","optionIds":["a"]}', score = 1 WHERE folio_id = $1`,
    [ada.folioId],
  );
  const read = jest
    .spyOn(database, 'query')
    .mockResolvedValueOnce([{ ...stale, answer: { kind: 'choice', optionIds: ['b'] } }]);
  const questions = questionsOf(readDeck(secretDeck()));
  await markAnew(database, other.lessonId, questions);
  read.mockRestore();
  const [row] = await database.query<{ score: number }[]>(
    'SELECT score FROM answer WHERE folio_id = $1',
    [ada.folioId],
  );
  expect(row?.score).toBe(1);
});
