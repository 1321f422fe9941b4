import { DataSource } from 'typeorm';
import { openClassroom } from '../testing/classroom.js';
import { signUp, startServer, Visitor, type TestServer } from '../testing/testServer.js';

interface Listed {
  id: string;
  name: string;
  archivedAt: string | null;
  students: { id: string; name: string; group: string }[];
}
let server: TestServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.stop());

const listsOf = async (teacher: Visitor): Promise<Listed[]> =>
  (await teacher.get<Listed[]>('classes')).body;

test('a class is made with groups, changed and archived; who stays is who they were', async () => {
  const ines = await signUp(server.url);
  const students = [{ name: 'Ada', group: ' Table 1 ' }, { name: 'Bela' }];
  const { body } = await ines.post<{ id: string }>('classes', { name: 'Kestrel 5', students });
  const [list] = await listsOf(ines);
  expect(list?.students).toMatchObject([
    { name: 'Ada', group: 'Table 1' },
    { name: 'Bela', group: '' },
  ]);
  const ada = list!.students[0]!;
  const changed = await ines.request('PUT', `classes/${body.id}`, {
    name: 'Kestrel 6',
    students: [
      { ...ada, name: 'Ada Brandt' },
      { name: 'Cato', group: 'Table 2' },
    ],
  });
  expect(changed.status).toBe(204);
  const [after] = await listsOf(ines);
  expect(after?.name).toBe('Kestrel 6');
  expect(after?.students.map(({ name }) => name)).toEqual(['Ada Brandt', 'Cato']);
  expect(after?.students[0]?.id).toBe(ada.id);
  await ines.post(`classes/${body.id}/archive`, { isArchived: true });
  expect((await listsOf(ines))[0]?.archivedAt).not.toBeNull();
  await ines.post(`classes/${body.id}/archive`, { isArchived: false });
  expect((await listsOf(ines))[0]?.archivedAt).toBeNull();
});

test('wrong lists are refused in words and change nothing', async () => {
  const ines = await signUp(server.url);
  const { body } = await ines.post<{ id: string }>('classes', {
    name: 'K',
    students: [{ name: 'Ada' }],
  });
  const other = await ines.post<{ id: string }>('classes', {
    name: 'L',
    students: [{ name: 'Eve' }],
  });
  const eve = (await listsOf(ines)).find(({ id }) => id === other.body.id)!.students[0]!;
  for (const students of [
    [{ name: 'Ada' }, { name: 'ADA ' }],
    [{ name: 'x'.repeat(5000) }],
    [{ ...eve }],
    Array.from({ length: 501 }, (_, index) => ({ name: `S${index}` })),
    'Ada',
  ]) {
    const refused = await ines.request<{ detail: string }>('PUT', `classes/${body.id}`, {
      name: 'K',
      students,
    });
    expect(refused.status).toBe(400);
    expect(refused.body.detail.length).toBeGreaterThan(10);
  }
  expect((await listsOf(ines)).find(({ id }) => id === body.id)?.students).toMatchObject([
    { name: 'Ada' },
  ]);
  const tomas = await signUp(server.url);
  expect(
    (await tomas.request('PUT', `classes/${body.id}`, { name: 'Mine', students: [] })).status,
  ).toBe(404);
  expect((await tomas.get(`classes/${body.id}/lessons`)).status).toBe(404);
  expect((await tomas.post(`classes/${body.id}/archive`, { isArchived: true })).status).toBe(404);
});

test('a student is seen across lessons; a group shares one folio where the lesson says so', async () => {
  const room = await openClassroom(server);
  const { ines } = room;
  const made = await ines.post<{ id: string }>('classes', {
    name: 'K',
    students: [
      { name: 'Ada', group: 'Table 1' },
      { name: 'Bela', group: 'Table 1' },
      { name: 'Cato', group: '' },
    ],
  });
  const [list] = await listsOf(ines);
  const started = await ines.post<{ id: string }>(`decks/${room.deckId}/lessons`, {
    allowsTypedNames: false,
    classListId: made.body.id,
    settings: { byGroups: true },
  });
  const { body } = await ines.get<{ joinCode: string }>(`lessons/${started.body.id}`);
  const folios: string[] = [];
  for (const { id } of list!.students) {
    const joined = await new Visitor(server.url).post<{ folioId: string }>('student/join', {
      code: body.joinCode,
      classStudentId: id,
    });
    expect(joined.status).toBe(201);
    folios.push(joined.body.folioId);
  }
  expect(folios[0]).toBe(folios[1]);
  expect(folios[2]).not.toBe(folios[0]);
  const names = await server.app
    .get(DataSource)
    .query<{ name: string }[]>('SELECT name FROM folio WHERE lesson_id = $1 ORDER BY name', [
      started.body.id,
    ]);
  expect(names.map(({ name }) => name)).toEqual(['Cato', 'Table 1']);
  const seen = await ines.get<{ studentId: string; lessonId: string }[]>(
    `classes/${made.body.id}/lessons`,
  );
  expect(seen.body).toMatchObject([
    { studentId: list!.students[2]!.id, lessonId: started.body.id },
  ]);
});
