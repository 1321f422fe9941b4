import { CARD, readDeck, setLanguage, summarise } from '../index.js';
import { at, deck, slide } from '../testing/builder.js';
import { mirroredMap, mirroredSpot, readsLeftward } from './side.js';

describe('the side to which a map grows', () => {
  test('a deck in a language that is written so is read from right to left', () => {
    const doc = deck(slide('a: The pier'));
    expect(readsLeftward(readDeck(doc))).toBe(false);
    for (const language of ['ar', 'fa', 'he', 'ur']) {
      expect(setLanguage(doc, language).ok).toBe(true);
      expect(readsLeftward(readDeck(doc))).toBe(true);
    }
    setLanguage(doc, 'de');
    expect(readsLeftward(readDeck(doc))).toBe(false);
  });

  test('so is one whose language nobody has said, when most of its titles are', () => {
    expect(readsLeftward(readDeck(deck()))).toBe(false);
    const half = [slide('a: الجزيرة'), slide('b: The pier'), slide('c: ')];
    expect(readsLeftward(readDeck(deck(...half)))).toBe(false);
    expect(readsLeftward(readDeck(deck(...half, slide('d: המגדלור'))))).toBe(true);
  });

  test('its map is turned round: the first card stands at the right, and none overlaps another that it did not', () => {
    const read = readDeck(deck(at(0, 10, slide('a')), at(240, 40, slide('b'))));
    const { slides } = mirroredMap(read);
    expect(slides.a).toMatchObject({ x: -CARD.width, y: 10 });
    expect(slides.b).toMatchObject({ x: -240 - CARD.width, y: 40 });
    expect(slides.a!.x - slides.b!.x).toBe(240);
    expect(mirroredSpot(slides.b!)).toEqual(read.slides.b);
  });

  test('a slide that did not change is the same one again', () => {
    const read = readDeck(deck(slide('a'), slide('b')));
    const changed = { ...read, slides: { ...read.slides, b: { ...read.slides.b!, title: 'New' } } };
    const [before, after] = [mirroredMap(read), mirroredMap(changed)];
    expect(after.slides.a).toBe(before.slides.a);
    expect(after.slides.b).toMatchObject({ title: 'New', x: before.slides.b!.x });
  });
  test('the small picture of a deck knows of it', () => {
    expect(summarise(readDeck(deck(slide('a: المنارة')))).isLeftward).toBe(true);
    expect(summarise(readDeck(deck(slide('a: The lamp')))).isLeftward).toBe(false);
  });
});
