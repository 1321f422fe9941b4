import { randomUUID } from 'node:crypto';
import { SERVER_LIMITS } from '@gobrel/core';
import { DataSource } from 'typeorm';
import { Throttle } from '../access/Throttle.js';
import { openClassroom, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const look = (code: unknown): ReturnType<Visitor['post']> =>
  new Visitor(server.url).post('student/look', { code });

test('a code opens its lesson however it is typed', async () => {
  for (const typed of [
    room.joinCode,
    room.joinCode.toLowerCase(),
    room.joinCode.replace(' ', ' - '),
  ]) {
    const { status, body } = await look(typed);
    expect([status, (body as { title?: string }).title]).toEqual([200, 'Tides']);
  }
});

test('a wrong code says so; an ended one says that it has ended', async () => {
  const wrong = await new Visitor(server.url).post<{ detail: string }>('student/look', {
    code: 'EGRET 222',
  });
  expect([wrong.status, wrong.body.detail]).toEqual([
    404,
    'No lesson is running under EGRET 222. Look at the code again.',
  ]);
  expect((await look('gibberish!')).status).toBe(404);
  expect((await look(['TERN 482'])).status).toBe(400);
  expect((await look('x'.repeat(5000))).status).toBe(400);

  const over = await openClassroom(server);
  await over.ines.post(`lessons/${over.lessonId}/end`);
  const ended = await new Visitor(server.url).post<{ detail: string }>('student/look', {
    code: over.joinCode,
  });
  expect([ended.status, ended.body.detail]).toEqual([410, 'The lesson with this code has ended.']);
  expect(
    (await new Visitor(server.url).post('student/join', { code: over.joinCode, name: 'Ada' }))
      .status,
  ).toBe(410);
});

test('a name is given once in a lesson, whatever its case', async () => {
  await room.join('Ada Brandt');
  const again = await new Visitor(server.url).post<{ detail: string }>('student/join', {
    code: room.joinCode,
    name: ' ada   BRANDT ',
  });
  expect(again.status).toBe(409);
  expect(again.body.detail).toContain('has joined already');
});

test.each([
  ['<b>Ada</b>'],
  [''],
  ['   '],
  ['x'.repeat(61)],
  ['x'.repeat(5000)],
  ['Ada\u0000'],
  [42],
])('the name %j is refused', async (name) => {
  const answer = await new Visitor(server.url).post('student/join', { code: room.joinCode, name });
  expect(answer.status).toBe(400);
});

test('names come from the class list, and a list that is closed takes no typed ones', async () => {
  const { ines, deckId } = room;
  const list = await ines.post<{ id: string }>('classes', {
    name: 'Kestrel 5',
    students: [{ name: 'Ada' }, { name: 'Bela' }, { name: ' ' }],
  });
  const { body } = await ines.post<{ id: string }>(`decks/${deckId}/lessons`, {
    classListId: list.body.id,
    allowsTypedNames: false,
  });
  const code = (await ines.get<{ joinCode: string }>(`lessons/${body.id}`)).body.joinCode;
  const student = new Visitor(server.url);
  const seen = await student.post<{ names: { id: string; name: string; isTaken: boolean }[] }>(
    'student/look',
    { code },
  );
  expect(seen.body.names.map((entry) => entry.name)).toEqual(['Ada', 'Bela']);
  expect((await student.post('student/join', { code, name: 'Zeno' })).status).toBe(409);
  const ada = seen.body.names[0]!.id;
  expect((await student.post('student/join', { code, classStudentId: ada })).status).toBe(201);
  expect(
    (await new Visitor(server.url).post('student/join', { code, classStudentId: ada })).status,
  ).toBe(409);
  const stranger = await new Visitor(server.url).post('student/join', {
    code: room.joinCode,
    classStudentId: ada,
  });
  expect(stranger.status).toBe(404);
  expect(
    (await ines.post('classes', { name: 'x', students: [{ name: 'Ada' }, { name: 'ada ' }] }))
      .status,
  ).toBe(400);
});

test('a group shares one folio, also when its students come at once; its name opens it to nobody else', async () => {
  const { ines, deckId } = room;
  const list = await ines.post<{ id: string }>('classes', {
    name: 'Groups',
    students: ['Ada', 'Bela', 'Cleo'].map((name) => ({ name, group: 'Table 1' })),
  });
  const start = async (): Promise<{ code: string; ids: string[]; lessonId: string }> => {
    const { body } = await ines.post<{ id: string }>(`decks/${deckId}/lessons`, {
      classListId: list.body.id,
      allowsTypedNames: true,
      settings: { byGroups: true },
    });
    const code = (await ines.get<{ joinCode: string }>(`lessons/${body.id}`)).body.joinCode;
    const seen = await new Visitor(server.url).post<{ names: { id: string }[] }>('student/look', {
      code,
    });
    return { code, ids: seen.body.names.map(({ id }) => id), lessonId: body.id };
  };
  const enter = (body: object) =>
    new Visitor(server.url).post<{ folioId: string; detail?: string }>('student/join', body);

  const { code, ids, lessonId } = await start();
  const came = await Promise.all(ids.map((classStudentId) => enter({ code, classStudentId })));
  expect(came.map(({ status }) => status)).toEqual([201, 201, 201]);
  const [folioId] = new Set(came.map(({ body }) => body.folioId));
  expect(came.every(({ body }) => body.folioId === folioId)).toBe(true);
  expect((await enter({ code, name: 'table 1' })).status).toBe(409);
  // It stays theirs under another name.
  await ines.request('PATCH', `lessons/${lessonId}/students/${folioId}`, { name: 'The Terns' });
  expect((await enter({ code, classStudentId: ids[0] })).body.folioId).toBe(folioId);

  const taken = await start();
  expect((await enter({ code: taken.code, name: 'Table 1' })).status).toBe(201);
  const late = await enter({ code: taken.code, classStudentId: taken.ids[0] });
  expect([late.status, late.body.detail]).toEqual([
    409,
    'Somebody has joined as “Table 1”, which is your group. Tell your teacher.',
  ]);
});

test('a return code brings a student back on another device; a wrong one does not', async () => {
  const student = await room.join('Bela');
  const { body } = await student.get<{ returnCode: string }>('student/lesson');
  const other = new Visitor(server.url);
  expect(
    (await other.post('student/return', { code: room.joinCode, returnCode: 'ZZZZZ' })).status,
  ).toBe(404);
  const back = await other.post<{ folioId: string }>('student/return', {
    code: room.joinCode,
    returnCode: body.returnCode.toLowerCase(),
  });
  expect(back.body.folioId).toBe(student.folioId);
  expect((await other.get<{ name: string }>('student/lesson')).body.name).toBe('Bela');
});

test('a student’s token opens no teacher’s route, and a teacher’s lesson is another teacher’s to leave alone', async () => {
  const student = await room.join('Cato');
  for (const path of [
    'decks',
    'classes',
    'session',
    `decks/${room.deckId}`,
    `lessons/${room.lessonId}`,
  ]) {
    expect([path, (await student.get(path)).status]).toEqual([path, 401]);
  }
  const { ines: tomas } = await openClassroom(server);
  for (const [path, body] of [
    ['pace', { pace: 'together' }],
    ['hold', { isHeld: true }],
    ['present', { folioId: student.folioId }],
    ['end', undefined],
  ] as const) {
    expect((await tomas.post(`lessons/${room.lessonId}/${path}`, body)).status).toBe(404);
  }
  expect((await tomas.get(`lessons/${room.lessonId}`)).status).toBe(404);
});

test('codes are guessed for a while only', async () => {
  const guesser = await startServer();
  const visitor = new Visitor(guesser.url);
  const outcomes = new Set<number>();
  for (let i = 0; i < 42; i++) {
    outcomes.add((await visitor.post('student/look', { code: `TERN ${222 + i}` })).status);
  }
  expect([...outcomes]).toEqual([404, 429]);
  await guesser.stop();
});

test('a lesson is full some time; who has joined it comes in again', async () => {
  const full = await openClassroom(server);
  const asked = { code: full.joinCode, name: 'Ada', key: randomUUID() };
  expect((await new Visitor(server.url).post('student/join', asked)).status).toBe(201);
  await server.app.get(DataSource).query(
    `INSERT INTO folio (lesson_id, name, return_code)
     SELECT $1, 'Pupil ' || n, 'X' || n FROM generate_series(2, $2::int) AS n`,
    [full.lessonId, SERVER_LIMITS.peoplePerLesson],
  );
  const late = await new Visitor(server.url).post<{ detail: string }>('student/join', {
    code: full.joinCode,
    name: 'Bela',
  });
  expect([late.status, late.body.detail]).toEqual([
    409,
    `This lesson is full: ${SERVER_LIMITS.peoplePerLesson} have joined. Tell your teacher.`,
  ]);
  expect((await new Visitor(server.url).post('student/join', asked)).status).toBe(201);
});

test('one device joins under so many names in an hour, and the others go on', async () => {
  const device = new Visitor(server.url);
  await device.post('student/look', { code: room.joinCode });
  const throttle = server.app.get(Throttle);
  const key = `joined:${device.cookies.get('gobrel_device')}`;
  for (let name = 0; name < SERVER_LIMITS.joins.perDevice; name += 1) await throttle.record(key);
  const join = (visitor: Visitor, name: string) =>
    visitor.post('student/join', { code: room.joinCode, name });
  expect((await join(device, 'One more')).status).toBe(429);
  expect((await join(new Visitor(server.url), 'Somebody else')).status).toBe(201);
});

test('one address makes so many accounts in an hour', async () => {
  const throttle = server.app.get(Throttle);
  await signUp(server.url);
  for (let made = 0; made < SERVER_LIMITS.signUps.perAddress; made += 1) {
    await throttle.record('sign-up:127.0.0.1');
  }
  const refused = await new Visitor(server.url).post('accounts', {
    email: 'one.more@gobrel.example',
    name: 'One More',
    password: 'long enough words',
  });
  expect(refused.status).toBe(429);
});
