import * as Y from 'yjs';
import {
  BEGINNINGS_OF_OURS,
  Checker,
  findBeginnings,
  isPiece,
  parsePlan,
  plant,
  readDeck,
  sceneryOf,
  studentView,
  themeOn,
  type Box,
  type Deck,
} from '../index.js';

const meets = (a: Box, b: Box): boolean =>
  a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;
const planted = (id: string): Deck => {
  const doc = new Y.Doc();
  plant(
    doc,
    BEGINNINGS_OF_OURS.find((one) => one.id === id)!,
  );
  return readDeck(doc);
};

test('what was looked at before it was taken is what is taken: the same slides, and with them the same scenery', () => {
  const [one, other] = [planted('big-picture'), planted('big-picture')];
  expect(Object.keys(one.slides)).toEqual(Object.keys(other.slides));
  for (const [id, slide] of Object.entries(one.slides)) {
    const there = other.slides[id as never]!;
    expect(sceneryOf(slide, themeOn(slide, one.theme))).toEqual(
      sceneryOf(there, themeOn(there, other.theme)),
    );
  }
});

test('there are at least fourteen, each with a name and a line of its own', () => {
  expect(BEGINNINGS_OF_OURS.length).toBeGreaterThanOrEqual(14);
  for (const key of ['id', 'title', 'use'] as const) {
    expect(new Set(BEGINNINGS_OF_OURS.map((one) => one[key])).size).toBe(BEGINNINGS_OF_OURS.length);
  }
});

describe.each(BEGINNINGS_OF_OURS.map((one) => [one.id, one] as const))('%s', (id, beginning) => {
  test('its plan can be read, and Check finds nothing to mend', () => {
    expect(parsePlan(beginning.plan).problems).toEqual([]);
    const { findings } = new Checker().check(planted(id));
    expect(findings.map(({ kind, slideId, why }) => `${slideId}: ${kind}: ${why}`)).toEqual([]);
  });

  test('it has scenery, pieces, a question with a key and notes for the teacher', () => {
    const deck = planted(id);
    const slides = Object.values(deck.slides);
    const things = slides.flatMap(({ elements }) => elements);
    expect(slides.length).toBeGreaterThanOrEqual(5);
    expect(things.filter(isPiece).length).toBeGreaterThanOrEqual(3);
    expect(things.some((one) => one.kind === 'question' && one.key !== null)).toBe(true);
    expect(slides.filter(({ notes }) => notes !== '').length).toBeGreaterThanOrEqual(2);
    for (const slide of slides) expect(sceneryOf(slide, themeOn(slide, deck.theme))).not.toBeNull();
  });

  test('every slide is set out, and nothing that is set out lies on anything else', () => {
    for (const slide of Object.values(planted(id).slides)) {
      expect(slide.setOut?.name).not.toBeNull();
      const things = slide.elements.filter(
        ({ layer, kind }) => layer === 'content' && kind !== 'closeup',
      );
      for (const one of things) {
        // A drawing on a page, both put there and locked, may.
        const met = things.filter(
          (other) =>
            other !== one && !(one.isLocked && other.isLocked) && meets(one.box, other.box),
        );
        expect(met).toEqual([]);
      }
    }
  });

  test('students get it without keys and notes', () => {
    const seen = JSON.stringify(studentView(planted(id)));
    for (const { notes } of Object.values(planted(id).slides)) {
      if (notes) expect(seen).not.toContain(notes.slice(0, 30));
    }
    expect(seen).not.toContain('"key":{');
  });
});

test('they are found by words, minutes, age and phase', () => {
  const found = (wanted: string): string[] =>
    findBeginnings(BEGINNINGS_OF_OURS, wanted).map(({ id }) => id);
  expect(found('mystery')).toEqual(['mystery']);
  expect(found('closing')).toEqual(['exit-questions']);
  expect(found('escape 12')).toEqual(['escape-room']);
  expect(found('escape 6')).toEqual([]);
  expect(found('5 min closing')).toEqual(['exit-questions']);
  expect(found('')).toHaveLength(BEGINNINGS_OF_OURS.length);
});
