import type * as Y from 'yjs';
import {
  addPlaced,
  applyLayout,
  clipSlides,
  changeLayout,
  createHistory,
  keepLayout,
  pasteSlides,
  plain,
  promptIn,
  readClip,
  readDeck,
  readPlainDeck,
  relayLayout,
  removeLayout,
  setBox,
  setGround,
  setLayout,
  setOut,
  setNumbering,
  setSlideFlag,
  slideNumbers,
  slideOf,
  studentView,
  type Box,
  type Slide,
} from '../../index.js';
import { choice, deck, slide } from '../../testing/builder.js';

const BODY: Box = { x: 100, y: 300, w: 500, h: 200 };
const LOW: Box = { x: 640, y: 420, w: 500, h: 200 };

/** Slides a and b with a text each, the layout made out of a and given to b. */
function open(): { doc: Y.Doc; id: string; textOn: (slideId: string) => Box } {
  const doc = deck(slide('a'), slide('b'), slide('c'));
  for (const slideId of ['a', 'b']) {
    addPlaced(doc, slideId, {
      kind: 'text',
      layer: 'content',
      style: 'body',
      slot: 'body',
      box: slideId === 'a' ? BODY : { x: 0, y: 0, w: 300, h: 80 },
      text: plain(`Words of ${slideId}`),
    });
  }
  const { id } = keepLayout(doc, 'a', 'Log page') as unknown as { id: string };
  applyLayout(doc, ['b'], id);
  const textOn = (slideId: string): Box =>
    readDeck(doc).slides[slideId]!.elements.find(
      (one) => one.kind === 'text' && one.style === 'body',
    )!.box;
  return { doc, id, textOn };
}

test('a layout is made out of a slide, and another is laid like it', () => {
  const { doc, id, textOn } = open();
  expect(readDeck(doc).layouts[id]).toMatchObject({ label: 'Log page', ground: null });
  expect(textOn('b')).toEqual(BODY);
  expect(readDeck(doc).slides.b!.ownLayout).toBe(id);
});

test('laid anew once, every slide of it follows, but for what was moved by hand; that is put back when it is asked for', () => {
  const { doc, id, textOn } = open();
  applyLayout(doc, ['c'], id);
  const moved = readDeck(doc).slides.c!.elements.find((one) => one.slot === 'body')!;
  setBox(doc, 'c', moved.id, { x: 7, y: 7, w: 200, h: 90 });
  const own = readDeck(doc).slides.a!.elements.find((one) => one.slot === 'body')!;
  setBox(doc, 'a', own.id, LOW);
  relayLayout(doc, 'a');
  expect([textOn('a'), textOn('b')]).toEqual([LOW, LOW]);
  expect(textOn('c')).toMatchObject({ x: 7, y: 7 });
  applyLayout(doc, ['c'], id);
  expect(textOn('c')).toEqual(LOW);
});

test('a text that has grown with its words follows, and keeps the height that they need', () => {
  const { doc, id, textOn } = open();
  const grown = readDeck(doc).slides.b!.elements.find((one) => one.slot === 'body')!;
  setBox(doc, 'b', grown.id, { ...BODY, h: BODY.h + 90 });
  const own = readDeck(doc).slides.a!.elements.find((one) => one.slot === 'body')!;
  setBox(doc, 'a', own.id, LOW);
  relayLayout(doc, 'a');
  expect(textOn('b')).toEqual({ ...LOW, h: BODY.h + 90 });
  // One that was made less high has been pulled by hand.
  setBox(doc, 'b', grown.id, { ...LOW, h: 60 });
  setBox(doc, 'a', own.id, BODY);
  relayLayout(doc, 'a');
  expect(textOn('b')).toEqual({ ...LOW, h: 60 });
  expect(readDeck(doc).slides.b!.ownLayout).toBe(id);
});

test('a part that is not shown lies beside the stage on every slide, and comes back', () => {
  const { doc, id, textOn } = open();
  const hide = (isShown: boolean): void => {
    const { places } = readDeck(doc).layouts[id]!;
    changeLayout(doc, id, {
      places: places.map((place) => (place.slot === 'body' ? { ...place, isShown } : place)),
    });
  };
  hide(false);
  expect(textOn('a').x + textOn('a').w).toBeLessThan(0);
  expect(textOn('b').x + textOn('b').w).toBeLessThan(0);
  hide(true);
  expect([textOn('a'), textOn('b')]).toEqual([BODY, BODY]);
});

test('what is not shown stays known when the layout is laid anew from a slide', () => {
  const { doc, id, textOn } = open();
  const shown = (isShown: boolean) => {
    const { places } = readDeck(doc).layouts[id]!;
    changeLayout(doc, id, {
      places: places.map((place) => (place.slot === 'body' ? { ...place, isShown } : place)),
    });
  };
  shown(false);
  addPlaced(doc, 'a', {
    kind: 'text',
    layer: 'content',
    style: 'caption',
    box: LOW,
    text: plain('From the log'),
  });
  relayLayout(doc, 'a');
  const { places } = readDeck(doc).layouts[id]!;
  expect(places.find(({ slot }) => slot === 'body')).toMatchObject({ isShown: false, box: BODY });
  shown(true);
  expect([textOn('a'), textOn('b')]).toEqual([BODY, BODY]);
});

test('what an empty place says of its own is kept, also when the layout is laid anew; nothing is what it says anyway', () => {
  const { doc, id, textOn } = open();
  const promptAt = (slot: string) =>
    readDeck(doc).layouts[id]!.places.find((place) => place.slot === slot)?.prompt;
  const say = (prompt: string) =>
    changeLayout(doc, id, {
      places: readDeck(doc).layouts[id]!.places.map((place) =>
        place.slot === 'body' ? { ...place, prompt } : place,
      ),
    });
  expect(promptAt('body')).toBeNull();
  say('  What did you see from the gallery? ');
  expect(promptAt('body')).toBe('What did you see from the gallery?');
  const own = readDeck(doc).slides.a!.elements.find((one) => one.slot === 'body')!;
  setBox(doc, 'a', own.id, LOW);
  relayLayout(doc, 'a');
  expect(textOn('b')).toEqual(LOW);
  expect([promptAt('body'), promptAt('title')]).toEqual([
    'What did you see from the gallery?',
    null,
  ]);
  say('x'.repeat(500));
  expect(promptAt('body')).toHaveLength(80);
  say('   ');
  expect(promptAt('body')).toBeNull();
});

test('a choice that an own layout has a place for stays one when another layout is taken', () => {
  const doc = deck(slide('a', choice('On', 'a', 'on'), choice('Back', 'a', 'back')));
  keepLayout(doc, 'a', 'Log page');
  const choices = () =>
    readDeck(doc).slides.a!.elements.filter((one) => one.kind === 'text' && one.style === 'choice');
  expect(choices().filter(({ slot }) => slot !== null)).toHaveLength(2);
  for (const layout of ['two-columns', 'section', 'text'] as const) {
    setLayout(doc, 'a', layout);
    expect(choices().map(({ slot }) => slot)).toEqual([null, null]);
  }
});

test('a slide that has been set out since goes its own way', () => {
  const { doc, id, textOn } = open();
  setOut(doc, ['b']);
  const before = textOn('b');
  const { places } = readDeck(doc).layouts[id]!;
  changeLayout(doc, id, { places: places.map((place) => ({ ...place, box: LOW })) });
  expect(textOn('a')).toEqual(LOW);
  expect(textOn('b')).toEqual(before);
  expect(readDeck(doc).slides.b!.setOut).not.toBeNull();
});

test('its slides show no number where it shows none, and are counted all the same', () => {
  const { doc, id } = open();
  setNumbering(doc, 'all');
  changeLayout(doc, id, { showsNumber: false });
  const numbers = [...slideNumbers(studentView(readDeck(doc))).values()];
  expect(numbers).toHaveLength(1);
  changeLayout(doc, id, { showsNumber: true });
  expect(slideNumbers(readDeck(doc)).size).toBe(3);
});

test('its background goes along, with its tint, and a slide that has another keeps that', () => {
  const { doc, textOn } = open();
  setGround(doc, ['a'], { fill: '#224466', tint: '#FFFFFF', tintStrength: 0.25 });
  relayLayout(doc, 'a');
  expect(readDeck(doc).slides.b!.ground).toMatchObject({ fill: '#224466', tintStrength: 0.25 });
  setGround(doc, ['b'], { fill: '#AA0000' });
  setGround(doc, ['a'], { fill: '#00AA00' });
  relayLayout(doc, 'a');
  expect(readDeck(doc).slides.b!.ground.fill).toBe('#AA0000');
  expect(textOn('b')).toEqual(BODY);
});

test('taken out, or left for one of ours, slides stay with what they have', () => {
  const { doc, id, textOn } = open();
  setLayout(doc, 'a', 'two-columns');
  expect(readDeck(doc).slides.a!.ownLayout).toBeNull();
  removeLayout(doc, id);
  expect(readDeck(doc).slides.b!.ownLayout).toBeNull();
  expect(textOn('b')).toEqual(BODY);
  expect(applyLayout(doc, ['b'], id)).toMatchObject({ code: 'deck.layout' });
  expect(relayLayout(doc, 'b')).toMatchObject({ code: 'deck.layout' });
});

test('choices have places too: the first takes the first, and none is made up', () => {
  const doc = deck(
    slide('a', choice('Row out', 'c'), choice('Wait', 'c')),
    slide('b', choice('Climb', 'c')),
    slide('c', choice('Home', 'a'), choice('Stay', 'a'), choice('Ask', 'a')),
  );
  const choicesOn = (slideId: string): Box[] =>
    readDeck(doc).slides[slideId]!.elements.flatMap((one) =>
      one.kind === 'text' && one.style === 'choice' ? [one.box] : [],
    );
  const ids = readDeck(doc).slides.a!.elements.filter(
    (one) => one.kind === 'text' && one.style === 'choice',
  );
  setBox(doc, 'a', ids[0]!.id, LOW);
  const { id } = keepLayout(doc, 'a', 'Two tickets') as unknown as { id: string };
  const third = choicesOn('c')[2];
  applyLayout(doc, ['b', 'c'], id);
  const [first, second] = choicesOn('a');
  expect(first).toEqual(LOW);
  expect(choicesOn('b')).toEqual([first]);
  expect(choicesOn('c')).toEqual([first, second, third]);
  setBox(doc, 'a', ids[0]!.id, BODY);
  relayLayout(doc, 'a');
  expect(choicesOn('c')).toEqual([BODY, second, third]);
});

test('slides take their layout along into another deck, also through the clipboard; a forged one does no harm', () => {
  const { doc, id, textOn } = open();
  const clip = readClip(JSON.stringify(clipSlides(readDeck(doc), 'here', ['b'])))!;
  expect(Object.keys(clip.layouts!)).toEqual([id]);
  const other = deck(slide('x'));
  const pasted = pasteSlides(other, clip, 'there', { dx: 0, dy: 0 });
  const { slideIds } = pasted as unknown as { slideIds: string[] };
  const there = (): Slide => readDeck(other).slides[slideIds[0]!]!;
  expect(there().ownLayout).toBe(id);
  expect(there().elements.find(({ slot }) => slot === 'body')!.box).toEqual(textOn('b'));
  const { places } = readDeck(other).layouts[id]!;
  changeLayout(other, id, { places: places.map((place) => ({ ...place, box: LOW })) });
  expect(there().elements.find(({ slot }) => slot === 'body')!.box).toEqual(LOW);
  expect(textOn('b')).toEqual(BODY);
  const forged = readClip(JSON.stringify({ ...clip, layouts: { [id]: 'x', more: {} } }))!;
  expect(forged.layouts).toEqual({
    [id]: { label: 'Own layout', places: [], ground: null, showsNumber: true },
  });
  const third = deck(slide('y'));
  const bare = pasteSlides(third, { ...clip, layouts: {} }, 'third', { dx: 0, dy: 0 });
  const lone = (bare as unknown as { slideIds: string[] }).slideIds[0]!;
  expect(readDeck(third).slides[lone]!.ownLayout).toBeNull();
});

test('each step is undone as one, on all slides', () => {
  const { doc, id, textOn } = open();
  const history = createHistory(doc);
  const { places } = readDeck(doc).layouts[id]!;
  changeLayout(doc, id, { places: places.map((place) => ({ ...place, box: LOW })) });
  expect(textOn('b')).toEqual(LOW);
  history.undo();
  expect([textOn('a'), textOn('b')]).toEqual([BODY, BODY]);
});

test('what is no layout is read as one that does no harm, and students get none', () => {
  const { doc, id } = open();
  doc
    .getMap('layouts')
    .set(id, { label: 7, places: [{ slot: '__proto__', box: 'x' }, null], ground: 3 });
  doc.getMap('layouts').set('../x', {});
  expect(Object.keys(readDeck(doc).layouts)).toEqual([id]);
  applyLayout(doc, ['b'], id);
  const again = readPlainDeck(JSON.parse(JSON.stringify(readDeck(doc))));
  expect(again.layouts).toEqual(readDeck(doc).layouts);
  expect(studentView(again).layouts).toEqual({});
});

test('students get what the empty places of a pattern say, and nothing else of a layout', () => {
  const { doc, id } = open();
  const say = (slot: string, prompt: string): void => {
    const { places } = readDeck(doc).layouts[id]!;
    changeLayout(doc, id, {
      places: places.map((place) => (place.slot === slot ? { ...place, prompt } : place)),
    });
  };
  say('body', 'What did the sea do?');
  expect(studentView(readDeck(doc)).layouts).toEqual({});
  setSlideFlag(doc, 'b', 'isPattern', true);
  const view = studentView(readDeck(doc));
  expect(view.slides.a!.ownLayout).toBeNull();
  expect(promptIn(view, view.slides.b!, 'body')).toBe('What did the sea do?');
  expect(promptIn(view, view.slides.b!, 'title')).toBeUndefined();
  expect(view.layouts[id]).toMatchObject({ label: '', ground: null });
  expect(view.layouts[id]!.places).toHaveLength(1);
});

test('a layout that is called as something every object has is none: students get the slide all the same', () => {
  for (const name of ['__proto__', 'constructor', 'toString', 'x'.repeat(500), 7]) {
    const { doc } = open();
    slideOf(doc, 'b')!.set('ownLayout', name);
    setSlideFlag(doc, 'b', 'isPattern', true);
    const view = studentView(readDeck(doc));
    expect(view.slides.b!.ownLayout).toBeNull();
    expect(promptIn(view, view.slides.b!, 'body')).toBeUndefined();
  }
});
