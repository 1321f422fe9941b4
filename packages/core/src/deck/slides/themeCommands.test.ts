import type * as Y from 'yjs';
import {
  changeTheme,
  clipSlides,
  createHistory,
  ownOf,
  pasteSlides,
  readClip,
  readDeck,
  removeTheme,
  setSlideTheme,
  takeTheme,
  themeOn,
} from '../../index.js';
import { deck, slide } from '../../testing/builder.js';

const data = { ...ownOf('harbour'), label: 'School' };
const read = (doc: Y.Doc) => readDeck(doc);

test('a deck takes a theme of its own on the side it is on, and a slide another', () => {
  const doc = deck(slide('a'), slide('b'));
  const taken = takeTheme(doc, data, 'harbour/dark', null);
  expect(taken.ok).toBe(true);
  const { theme, slides } = read(doc);
  expect(themeOn(slides.a, theme)).toMatchObject({ label: 'School', side: 'dark' });
  takeTheme(doc, { ...data, label: 'Trip' }, 'paper', 'b');
  expect(themeOn(read(doc).slides.b, read(doc).theme).label).toBe('Trip');
  expect(themeOn(read(doc).slides.a, read(doc).theme).label).toBe('School');
});

test('what changes in it changes wherever it is shown; ours cannot be changed', () => {
  const doc = deck(slide('a'));
  const { id } = takeTheme(doc, data, 'paper', null) as unknown as { id: string };
  changeTheme(doc, id, { ...data, head: 'rubik' });
  expect(themeOn(read(doc).slides.a, read(doc).theme).type.title.family).toBe('rubik');
  expect(changeTheme(doc, 'paper', data)).toMatchObject({ ok: false, code: 'deck.theme' });
  expect(changeTheme(doc, 'gone', data)).toMatchObject({ ok: false, code: 'deck.theme' });
});

test('taken out, the deck is in Paper on the same side and slides are as the deck', () => {
  const doc = deck(slide('a'), slide('b'));
  const { id } = takeTheme(doc, data, 'x/dark', null) as unknown as { id: string };
  setSlideTheme(doc, 'b', id);
  removeTheme(doc, id);
  const { theme, slides } = read(doc);
  expect(theme).toMatchObject({ ref: 'paper/dark', own: {} });
  expect(slides.b!.theme).toBeNull();
  expect(removeTheme(doc, id)).toMatchObject({ ok: false });
});

test('there are only so many; one that is there is taken again', () => {
  const doc = deck(slide('a'));
  for (let at = 0; at < 24; at += 1)
    expect(takeTheme(doc, data, 'paper', null, `t${at}`).ok).toBe(true);
  expect(takeTheme(doc, data, 'paper', null, 'more')).toMatchObject({ code: 'themes.tooMany' });
  expect(takeTheme(doc, data, 'paper', 'a', 't3').ok).toBe(true);
  expect(read(doc).slides.a!.theme).toBe('t3');
});

test('a slide takes its own theme along into another deck, also through the clipboard', () => {
  const doc = deck(slide('a'), slide('b'));
  const { id } = takeTheme(doc, data, 'paper', 'a') as unknown as { id: string };
  const clip = readClip(JSON.stringify(clipSlides(read(doc), 'here', ['a'])))!;
  expect(Object.keys(clip.themes!)).toEqual([id]);
  const other = deck(slide('c'));
  const pasted = pasteSlides(other, clip, 'there', { dx: 0, dy: 0 });
  const copy = read(other).slides[(pasted as unknown as { slideIds: string[] }).slideIds[0]!]!;
  expect(themeOn(copy, read(other).theme)).toMatchObject({ label: 'School' });
  expect(
    readClip(JSON.stringify({ ...clip, themes: { [id]: 'x', paper: data } }))!.themes![id],
  ).toMatchObject({
    label: 'Own theme',
  });
});

test('each step with a theme of its own is undone as one', () => {
  const doc = deck(slide('a'));
  const history = createHistory(doc);
  const { id } = takeTheme(doc, data, 'paper', null) as unknown as { id: string };
  changeTheme(doc, id, { ...data, label: 'Changed' });
  removeTheme(doc, id);
  history.undo();
  expect(read(doc).theme).toMatchObject({ ref: id, own: { [id]: { label: 'Changed' } } });
  history.undo();
  expect(read(doc).theme.own[id]!.label).toBe('School');
  history.undo();
  expect(read(doc).theme).toMatchObject({ ref: 'paper', own: {} });
});
