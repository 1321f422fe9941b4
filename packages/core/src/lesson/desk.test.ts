import fc from 'fast-check';
import * as Y from 'yjs';
import {
  deskAnswers,
  deskEntries,
  deskPlacements,
  deskTallies,
  deskVotes,
  linedUp,
  readDesk,
  writeDeskWork,
  type DeskEntry,
} from '../index.js';

const entry = (name: string): DeskEntry => ({
  name,
  slideId: 'sea',
  steps: 2,
  leaves: [],
  isHere: true,
  isUnreadable: false,
  handedInAt: null,
  status: 'in',
  handUpAt: null,
  isPractice: false,
  activeAt: 0,
});

test('a desk is put together from entries, answers, placements and tallies, students by name', () => {
  const doc = new Y.Doc();
  deskEntries(doc).set('f2', entry('Bela'));
  deskEntries(doc).set('f1', entry('Ada'));
  deskAnswers(doc).set('f1/q', {
    answer: { kind: 'choice', optionIds: ['a'] },
    score: 1,
    at: 5,
    isLate: false,
  });
  deskPlacements(doc).set('f2/sea/oar', { x: 1, y: 2 });
  deskVotes(doc).set('f2/sea', 'row');
  deskTallies(doc).set('q', { kind: 'choice', answered: 1, picks: { a: 1 }, combinations: {} });
  const desk = readDesk(doc);
  expect(desk.students.map((student) => student.name)).toEqual(['Ada', 'Bela']);
  expect(desk.students[0]).toMatchObject({
    folioId: 'f1',
    answers: { q: { score: 1 } },
    placements: {},
  });
  expect(desk.students[1]).toMatchObject({
    answers: {},
    placements: { sea: { oar: { x: 1, y: 2 } } },
    votes: { sea: 'row' },
  });
  expect(desk.tallies.q?.answered).toBe(1);
});

test('what belongs to no student is passed over', () => {
  const doc = new Y.Doc();
  deskAnswers(doc).set('gone/q', {
    answer: { kind: 'choice', optionIds: [] },
    score: null,
    at: 5,
    isLate: false,
  });
  deskPlacements(doc).set('gone/sea/oar', { x: 1, y: 2 });
  expect(readDesk(doc)).toEqual({
    students: [],
    tallies: {},
    walks: {},
    wrongReturnCodes: 0,
    lineUp: [],
    starred: [],
    likened: {},
  });
});

test('work that was set earlier and comes later undoes nothing, each kind by itself', () => {
  const doc = new Y.Doc();
  for (const name of ['a', 'b']) deskEntries(doc).set(name, entry(name));
  writeDeskWork(doc, { lineUp: ['a', 'b'] }, 5);
  writeDeskWork(doc, { lineUp: ['a'], starred: ['a/q'] }, 4);
  expect(readDesk(doc)).toMatchObject({ lineUp: ['a', 'b'], starred: ['a/q'] });
  // Who is not in the lesson is not lined up.
  writeDeskWork(doc, { lineUp: ['gone', 'b'] }, 6);
  expect(readDesk(doc).lineUp).toEqual(['b']);
});

test('lining up keeps everybody once, in their order, and puts the one right before the other', () => {
  const names = fc.constantFrom('a', 'b', 'c', 'd', 'e');
  fc.assert(
    fc.property(fc.uniqueArray(names), names, fc.option(names), (lineUp, who, before) => {
      const after = linedUp(lineUp, who, before);
      expect([...after].sort()).toEqual([...new Set([...lineUp, who])].sort());
      expect(after.filter((one) => one !== who)).toEqual(lineUp.filter((one) => one !== who));
      if (before === who) return;
      const next = after[after.indexOf(who) + 1];
      expect(next).toBe(before !== null && lineUp.includes(before) ? before : undefined);
    }),
  );
});
