import {
  addLeaf,
  answer,
  clipSlides,
  deskAnswers,
  deskTallies,
  deskVotes,
  readDeck,
  readDesk,
  readLessonState,
  setElement,
  setSlideFlag,
  visit,
  voteFor,
  type Deck,
  type LessonState,
} from '@gobrel/core';
import { choiceQuestion, deck, question, slide } from '@gobrel/core/testing';
import { DataSource } from 'typeorm';
import { SyncService } from '../sync/SyncService.js';
import { openClassroom, SECRETS, type Classroom } from '../testing/classroom.js';
import { signUp, startServer, until, Visitor, type TestServer } from '../testing/testServer.js';

let server: TestServer;
let room: Classroom;
beforeAll(async () => {
  server = await startServer();
});
beforeEach(async () => {
  room = await openClassroom(server);
});
afterAll(() => server.stop());

const picks = (...optionIds: string[]) => ({ kind: 'choice' as const, optionIds });
const at = (path: string): string => `lessons/${room.lessonId}/${path}`;
const lookUp = async (student: Visitor): Promise<{ edition: Deck | null; now: number }> =>
  (await student.get<{ edition: Deck | null; now: number }>('student/lesson')).body;

describe('while it runs', () => {
  test('a hold goes with a word; what comes after it is kept as late and not counted', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const state = await ada.open(`lesson:${room.lessonId}`);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    await room.ines.post(at('hold'), { isHeld: true, word: ' Look at the lamp. ' });
    await until(() => readLessonState(state.doc)?.holdWord === 'Look at the lamp.');
    const database = server.app.get(DataSource);
    // As if it had been held for a while: the grace for what was on its way is over.
    const held = { ...readLessonState(state.doc)!, heldAt: Date.now() - 60_000, version: 99 };
    await database.query('UPDATE lesson SET state = $2 WHERE id = $1', [room.lessonId, held]);
    await room.ines.post(at('hold'), { isHeld: true });
    await until(() => (readLessonState(state.doc)?.version ?? 0) > 99);
    answer(folio.doc, 'q', picks('a'), Date.now());
    await until(() => deskAnswers(desk.doc).get(`${ada.folioId}/q`)?.isLate === true);
    expect(deskTallies(desk.doc).get('q')?.answered).toBe(0);
    await room.ines.post(at('hold'), { isHeld: false });
    answer(folio.doc, 'q', picks('b'), Date.now());
    await until(() => deskTallies(desk.doc).get('q')?.answered === 1);
    expect(deskAnswers(desk.doc).get(`${ada.folioId}/q`)?.isLate).toBe(false);
  });

  test('a timer is told by the server’s clock, and devices learn what that says', async () => {
    const ada = await room.join('Ada');
    const { body } = await room.ines.post<LessonState>(at('timer'), { seconds: 90 });
    const { now } = await lookUp(ada);
    expect(body.timerEndsAt! - now).toBeGreaterThan(80_000);
    expect(body.timerEndsAt! - now).toBeLessThanOrEqual(90_000);
    expect(
      (await room.ines.post<LessonState>(at('timer'), { seconds: null })).body.timerEndsAt,
    ).toBe(null);
    for (const seconds of [1, 1e9, 'soon', 7.5]) {
      expect((await room.ines.post(at('timer'), { seconds })).status).toBe(400);
    }
  });

  test('a question is put up, its key told on the teacher’s word only', async () => {
    const { body } = await room.ines.post<LessonState>(at('put-up'), { questionId: 'q' });
    expect(body.putUp).toEqual({ questionId: 'q', isInPlace: false, showsKey: false });
    const shown = await room.ines.post<LessonState>(at('put-up'), {
      questionId: 'q',
      showsKey: true,
      isInPlace: true,
    });
    expect(shown.body.putUp).toEqual({ questionId: 'q', isInPlace: true, showsKey: true });
    expect((await room.ines.post(at('put-up'), { questionId: 'nothing' })).status).toBe(409);
    expect((await room.ines.post<LessonState>(at('put-up'), { questionId: null })).body.putUp).toBe(
      null,
    );
  });

  test('a class votes where it stands, while the vote is open, for ways out of that slide', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    await ada.open(`lesson:${room.lessonId}`);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    const voted = () => deskVotes(desk.doc).get(`${ada.folioId}/pier`);
    expect((await room.ines.post(at('vote'), { vote: 'open' })).status).toBe(409);
    await room.ines.post(at('pace'), { pace: 'together', slideId: 'pier' });
    const { body } = await room.ines.post<LessonState>(at('vote'), { vote: 'open' });
    expect(body.vote).toEqual({ slideId: 'pier', isOpen: true });
    // A way out of another slide, and a vote on a slide where nobody votes.
    voteFor(folio.doc, 'pier', 'home-link');
    voteFor(folio.doc, 'sea', 'home-link');
    visit(folio.doc, 'pier', 'teacher', Date.now());
    await until(() => readDesk(desk.doc).students[0]?.slideId === 'pier');
    expect(readDesk(desk.doc).students[0]?.votes).toEqual({});
    voteFor(folio.doc, 'pier', 'row');
    await until(() => voted() === 'row');
    await room.ines.post(at('vote'), { vote: 'closed' });
    voteFor(folio.doc, 'pier', 'none-such');
    visit(folio.doc, 'sea', 'teacher', Date.now());
    await until(() => readDesk(desk.doc).students[0]?.slideId === 'sea');
    expect(voted()).toBe('row');
    // The desk is made anew from rows, as after a restart.
    ada.close();
    room.ines.close();
    const { hocuspocus } = server.app.get(SyncService);
    await until(() => !hocuspocus.documents.has(`desk:${room.lessonId}`));
    const again = await room.ines.open(`desk:${room.lessonId}`);
    expect(readDesk(again.doc).students[0]?.votes).toEqual({ pier: 'row' });
  });

  test('a question asked on the fly joins the edition without its key, and is counted', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const state = await ada.open(`lesson:${room.lessonId}`);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    const asked = readDeck(deck(slide('now', choiceQuestion('fog', 'Fog?', ['*Yes', 'No']))));
    const clip = JSON.stringify(clipSlides(asked, '', ['now']));
    const { body } = await room.ines.post<{ slideId: string }>(at('ask'), { clip });
    await until(() => readLessonState(state.doc)?.askedSlideId === body.slideId);
    const { edition } = await lookUp(ada);
    const question = edition!.slides[body.slideId]!.elements.find(
      ({ kind }) => kind === 'question',
    )!;
    expect(question).toMatchObject({ kind: 'question', key: null });
    answer(folio.doc, question.id, picks('a'), Date.now());
    await until(() => deskTallies(desk.doc).get(question.id)?.answered === 1);
    expect(deskAnswers(desk.doc).get(`${ada.folioId}/${question.id}`)?.score).toBe(1);
    await room.ines.post(at('ask'), { clip: null });
    await until(() => readLessonState(state.doc)?.askedSlideId === null);
    // What was answered stays in the results.
    expect(deskTallies(desk.doc).get(question.id)?.answered).toBe(1);
  });

  test.each([['nonsense'], [JSON.stringify({ slides: [] })], [7]])(
    '%p is nothing to ask',
    async (clip) => {
      expect((await room.ines.post(at('ask'), { clip })).status).toBe(400);
    },
  );

  test('a correction of the deck is taken over: marks follow, answers are kept where the question is the same', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    answer(folio.doc, 'q', picks('b'), Date.now());
    await until(() => deskAnswers(desk.doc).get(`${ada.folioId}/q`)?.score === 0);
    const none = await room.ines.get<{ isSame: boolean }>(at('renewal'));
    expect(none.body.isSame).toBe(true);
    const document = await room.ines.open(`deck:${room.deckId}`);
    const key = { kind: 'choice' as const, optionIds: ['b'], isPartial: false };
    setElement(document.doc, 'sea', 'q', { key });
    await document.acknowledged();
    const { body } = await room.ines.get<{ questions: unknown[]; isSame: boolean }>(at('renewal'));
    expect(body.questions).toMatchObject([{ questionId: 'q', what: 'key' }]);
    expect((await room.ines.post(at('renew'))).status).toBe(204);
    await until(() => deskAnswers(desk.doc).get(`${ada.folioId}/q`)?.score === 1);
    // Another question takes the place of this one: the answer does not fit it.
    const other = deck(slide('x', question('q', '?', { kind: 'textEntry', points: 1 })));
    const asked = readDeck(other).slides.x!.elements.find(({ id }) => id === 'q')!;
    if (asked.kind !== 'question') throw new Error('no question');
    setElement(document.doc, 'sea', 'q', { question: asked.question, key: null });
    await document.acknowledged();
    await room.ines.post(at('renew'));
    await until(() => !deskAnswers(desk.doc).has(`${ada.folioId}/q`));
    await until(() => (deskTallies(desk.doc).get('q')?.answered ?? 0) === 0);
  });

  test('a slide that is left out of the deck by now: the class stands at the start, nothing of it is voted on or put up', async () => {
    const state = await room.ines.open(`lesson:${room.lessonId}`);
    const document = await room.ines.open(`deck:${room.deckId}`);
    await room.ines.post(at('pace'), { pace: 'together', slideId: 'sea' });
    await room.ines.post(at('put-up'), { questionId: 'q', isInPlace: false, showsKey: false });
    await until(() => readLessonState(state.doc)?.putUp?.questionId === 'q');
    const start = readDeck(document.doc).startSlideId!;
    expect(start).not.toBe('sea');
    setSlideFlag(document.doc, 'sea', 'isLeftOut', true);
    await document.acknowledged();
    expect((await room.ines.post(at('renew'))).status).toBe(204);
    await until(() => readLessonState(state.doc)?.slideId === start);
    expect(readLessonState(state.doc)).toMatchObject({ putUp: null, vote: null });
    // With nothing left to stand on the lesson stays as it was.
    for (const id of Object.keys(readDeck(document.doc).slides))
      setSlideFlag(document.doc, id, 'isLeftOut', true);
    await document.acknowledged();
    expect((await room.ines.post(at('renew'))).status).toBe(409);
  });

  test('a word is counted as another by hand: marks and tallies follow, and back', async () => {
    const words = deck(
      slide(
        's',
        question(
          'w',
          '?',
          { kind: 'textEntry', points: 1 },
          {
            kind: 'textEntry',
            accepted: ['copper'],
            heedsCase: false,
            heedsAccents: false,
          },
        ),
      ),
    );
    const other = await openClassroom(server, words);
    const ada = await other.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    const desk = await other.ines.open(`desk:${other.lessonId}`);
    const score = () => deskAnswers(desk.doc).get(`${ada.folioId}/w`)?.score;
    answer(folio.doc, 'w', { kind: 'textEntry', text: 'Kopper' }, Date.now());
    await until(() => score() === 0);
    const liken = (as: string | null, questionId = 'w') =>
      other.ines.post(`lessons/${other.lessonId}/liken`, { questionId, text: 'kopper', as });
    expect((await liken('copper')).status).toBe(204);
    await until(() => score() === 1);
    // It holds for what comes later, too.
    const bela = await other.join('Bela');
    const second = await bela.open(`folio:${bela.folioId}`);
    answer(second.doc, 'w', { kind: 'textEntry', text: 'KOPPER ' }, Date.now());
    await until(() => deskAnswers(desk.doc).get(`${bela.folioId}/w`)?.score === 1);
    await liken(null);
    await until(() => score() === 0);
    expect(
      (await room.ines.post(at('liken'), { questionId: 'q', text: 'x', as: 'y' })).status,
    ).toBe(409);
  });

  test('two at one desk see what the other stars, lines up and likens', async () => {
    const ada = await room.join('Ada');
    const desks = [
      await room.ines.open(`desk:${room.lessonId}`),
      await room.ines.open(`desk:${room.lessonId}`),
    ];
    const starred = [`${ada.folioId}/q`];
    for (const answer of starred) await room.ines.post(at('star'), { answer, isStarred: true });
    await room.ines.request('PUT', at(`line-up/${ada.folioId}`), { before: null });
    for (const { doc } of desks) {
      await until(() => readDesk(doc).lineUp[0] === ada.folioId);
      expect(readDesk(doc).starred).toEqual(starred);
    }
    // And whoever comes later.
    const third = await room.ines.open(`desk:${room.lessonId}`);
    expect(readDesk(third.doc)).toMatchObject({ starred, lineUp: [ada.folioId] });
  });

  test('a whole class is lined up by two teachers at once: nobody is lost, nobody stands twice', async () => {
    const students = [];
    for (const name of ['Cai', 'Dora', 'Edda', 'Finn', 'Gry']) students.push(await room.join(name));
    const ids = students.map(({ folioId }) => folioId);
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    const lineUp = () => readDesk(desk.doc).lineUp.filter((id) => ids.includes(id));
    const put = (folioId: string, before: string | null) =>
      room.ines.request('PUT', at(`line-up/${folioId}`), { before });
    await Promise.all([...ids, ...ids].map((id) => put(id, null)));
    await until(() => lineUp().length === ids.length);
    expect([...lineUp()].sort()).toEqual([...ids].sort());
    // Each says what it means, not the list it saw: both moves hold.
    await put(ids[0]!, ids[1]!);
    await Promise.all([put(ids[4]!, ids[0]!), put(ids[3]!, ids[1]!)]);
    await until(() => {
      const now = lineUp();
      const [last, first, fourth, second] = [4, 0, 3, 1].map((n) => now.indexOf(ids[n]!));
      return last! < first! && fourth! + 1 === second;
    });
    await room.ines.request('DELETE', at(`line-up/${ids[2]}`));
    await until(() => lineUp().length === ids.length - 1);
    desk.close();
  });

  test('of a student who is taken out nothing stays lined up, starred or on the big screen', async () => {
    const una = await room.join('Una');
    const desk = await room.ines.open(`desk:${room.lessonId}`);
    const state = await room.ines.open(`lesson:${room.lessonId}`);
    await room.ines.request('PUT', at(`line-up/${una.folioId}`), { before: null });
    await room.ines.post(at('star'), { answer: `${una.folioId}/q`, isStarred: true });
    await room.ines.post(at('present'), { folioId: una.folioId });
    await until(() => readLessonState(state.doc)?.presenting?.who === 'Una');
    await room.ines.request('DELETE', at(`students/${una.folioId}`));
    await until(() => readLessonState(state.doc)?.presenting === null);
    await until(() => !JSON.stringify(readDesk(desk.doc)).includes(una.folioId));
    state.close();
    desk.close();
  });

  test('settings change at once in a class that is busy without a pause', async () => {
    const ada = await room.join('Ada');
    const folio = await ada.open(`folio:${ada.folioId}`);
    let isBusy = true;
    const work = (async () => {
      for (let n = 0; isBusy; n++) {
        answer(folio.doc, 'q', picks(n % 2 ? 'a' : 'b'), Date.now());
        await new Promise((resolve) => setTimeout(resolve, 10));
      }
    })();
    const { status } = await room.ines.request('PUT', at('settings'), { countsLate: true });
    expect(status).toBe(200);
    isBusy = false;
    await work;
  });

  test('settings that are none change nothing', async () => {
    const settings = async () =>
      (await room.ines.get<{ settings: object }>(`lessons/${room.lessonId}`)).body.settings;
    const before = await settings();
    for (const wrong of [
      { attempts: 0 },
      { attempts: 'two' },
      { seesMarks: 'soon' },
      { isReleased: 1 },
    ]) {
      expect((await room.ines.request('PUT', at('settings'), wrong)).status).toBe(400);
    }
    expect(await settings()).toEqual(before);
    await Promise.all([
      room.ines.request('PUT', at('settings'), { attempts: 3 }),
      room.ines.request('PUT', at('settings'), { seesLeaves: true }),
    ]);
    expect(await settings()).toEqual({ ...before, attempts: 3, seesLeaves: true });
  });

  test('what is put up and the leaves of the others are seen on students’ devices where the lesson says so', async () => {
    const [ada, bela] = [await room.join('Ada'), await room.join('Bela')];
    const folio = await ada.open(`folio:${ada.folioId}`);
    answer(folio.doc, 'q', picks('b'), Date.now());
    const { edition } = await lookUp(ada);
    addLeaf(folio.doc, edition!.slides.page!, Date.now(), 'leaf');
    await folio.acknowledged();
    await room.ines.post(at('put-up'), { questionId: 'q' });
    const putUp = async () =>
      (await bela.get<{ putUp: { tally: { answered: number } } | null }>('student/put-up')).body
        .putUp;
    const leaves = async () =>
      (await bela.get<{ name: string; slide: { id: string } }[]>('student/leaves')).body;
    expect(await putUp()).toBeNull();
    expect(await leaves()).toEqual([]);
    await room.ines.request('PUT', at('settings'), { seesClassAnswers: true, seesLeaves: true });
    await until(async () => (await putUp())?.tally.answered === 1);
    await until(async () => (await leaves()).length === 1);
    expect(await leaves()).toMatchObject([{ name: 'Ada', slide: { id: 'leaf' } }]);
    const everything = bela.received.join('\n');
    for (const secret of Object.values(SECRETS)) expect(everything).not.toContain(secret);
    // Who waits to be let in sees none of it.
    await room.ines.request('PUT', at('settings'), { hasWaitingRoom: true });
    const cato = await room.join('Cato');
    for (const path of ['student/put-up', 'student/leaves']) {
      expect((await cato.get(path)).status).toBe(403);
    }
  });

  test('none of it is another teacher’s or a student’s to do', async () => {
    const [tomas, ada] = [await signUp(server.url), await room.join('Ada')];
    const asks: [string, string, unknown][] = [
      ['POST', 'hold', { isHeld: true }],
      ['POST', 'timer', { seconds: 60 }],
      ['POST', 'put-up', { questionId: 'q' }],
      ['POST', 'vote', { vote: 'open' }],
      ['POST', 'ask', { clip: null }],
      [
        'POST',
        'star',
        { answer: `${'0'.repeat(8)}-0000-4000-8000-000000000000/q`, isStarred: true },
      ],
      ['PUT', 'times', { closesAt: null }],
      ['PUT', 'settings', { countsLate: true }],
      ['POST', 'renew', {}],
      ['GET', 'renewal', undefined],
      ['PATCH', `students/${ada.folioId}`, { name: 'Eve' }],
      ['DELETE', `students/${ada.folioId}`, undefined],
    ];
    for (const [method, path, body] of asks) {
      expect((await tomas.request(method, at(path), body)).status).toBe(404);
      expect((await ada.request(method, at(path), body)).status).toBe(401);
    }
  });
});

test('a lesson that is not open yet says when it opens; one in the past cannot be closed', async () => {
  const opensAt = new Date(Date.now() + 86_400_000).toISOString();
  const started = await room.ines.post<{ id: string }>(`decks/${room.deckId}/lessons`, {
    allowsTypedNames: true,
    opensAt,
    closesAt: new Date(Date.now() + 7 * 86_400_000).toISOString(),
  });
  expect(started.status).toBe(201);
  const { body } = await room.ines.get<{ joinCode: string }>(`lessons/${started.body.id}`);
  const join = (): ReturnType<Visitor['post']> =>
    new Visitor(server.url).post('student/join', { code: body.joinCode, name: 'Ada' });
  const early = await join();
  expect([early.status, (early.body as { opensAt?: string }).opensAt]).toEqual([425, opensAt]);
  const times = (body: object) =>
    room.ines.request('PUT', `lessons/${started.body.id}/times`, body);
  expect((await times({ closesAt: new Date(0).toISOString() })).status).toBe(400);
  expect((await times({ opensAt: 'at noon' })).status).toBe(400);
  // Against the time that stands already, too.
  const before = new Date(Date.parse(opensAt) - 3_600_000).toISOString();
  expect((await times({ closesAt: before })).status).toBe(400);
  expect((await join()).status).toBe(425);
  expect((await times({ opensAt: null })).status).toBe(204);
  expect((await join()).status).toBe(201);
  for (const closesAt of [new Date(0).toISOString(), 'tomorrow']) {
    const refused = await room.ines.post(`decks/${room.deckId}/lessons`, {
      allowsTypedNames: true,
      closesAt,
    });
    expect(refused.status).toBe(400);
  }
});
