import {
  addChoice,
  addSlide,
  createHistory,
  gateOf,
  leaveAsItLies,
  readDeck,
  renameSlide,
  setOutAgain,
  setTheme,
  type RunCommand,
  type SlideElement,
  type SlideId,
} from '@gobrel/core';
import * as Y from 'yjs';
import { runner } from '../ui/runner';
import { settingOut, SettingOutLater, settingOutTyped } from './settingOut';

/** The time that goes on while timers are held. */
const clock = Date.now.bind(Date);

const TYPING = { what: 'typing' };

function open(roles: Parameters<typeof gateOf>[0] = ['owner']) {
  const doc = new Y.Doc();
  const bare = runner(doc, gateOf(['owner']), () => undefined);
  bare(addSlide, { id: 'goal' as never, title: 'Goal' });
  bare(addSlide, { id: 's' as never, title: 'The pier' });
  bare(setOutAgain, ['s'] as never);
  const history = createHistory(doc, [TYPING]);
  const quiet = runner(doc, gateOf(roles), () => undefined);
  const later = new SettingOutLater(doc, quiet);
  const run = settingOut(doc, quiet, later);
  const things = (): SlideElement[] => readDeck(doc).slides['s' as never]!.elements;
  const body = (): SlideElement => things().find(({ slot }) => slot === 'body')!;
  const type = (words: string): void => {
    const slide = doc.getMap<Y.Map<Y.Map<Y.Map<unknown>>>>('slides').get('s')!;
    const fragment = slide.get('elements')!.get(body().id)!.get('text') as Y.XmlFragment;
    doc.transact(() => {
      const paragraph = new Y.XmlElement('paragraph');
      fragment.insert(0, [paragraph]);
      paragraph.insert(0, [new Y.XmlText(words)]);
    }, TYPING);
  };
  return { doc, history, run, quiet, later, things, body, type };
}

test('a choice that comes is set out with the rest in one step, and taken back in one', () => {
  const { history, run, things } = open();
  const before = things();
  run(addChoice, 's' as never, 'Row out', { slideId: 'goal' as never });
  const [title] = things();
  const choice = things().find((element) => element.kind === 'text' && element.style === 'choice')!;
  expect(choice.setOut).toEqual({
    box: choice.box,
    size: expect.any(Number),
    align: expect.any(String),
    fit: null,
  });
  expect(title!.setOut!.box).toEqual(title!.box);
  history.undo();
  expect(things()).toEqual(before);
  expect(history.canUndo()).toBe(false);
});

test('what is refused changes nothing, and nothing is set out for it', () => {
  const { doc, run } = open(['viewer']);
  const before = Y.encodeStateAsUpdate(doc);
  expect(run(setTheme, 'paper/dark')).toBeNull();
  expect(Y.encodeStateAsUpdate(doc)).toEqual(before);
});

test('words that are typed are set out when the hand rests, and both are taken back as one', () => {
  jest.useFakeTimers();
  try {
    const { doc, history, run, things, body, type } = open();
    const stop = settingOutTyped(doc, run, TYPING);
    const before = things();
    type('The fog came in an hour ago. The lamp is dark, and a boat is out on the water. ');
    const typed = body().box;
    jest.advanceTimersByTime(2000);
    expect(body().box).not.toEqual(typed);
    history.undo();
    expect(things()).toEqual(before);
    expect(history.canUndo()).toBe(false);
    type('Once more.');
    stop();
    const left = body().box;
    jest.advanceTimersByTime(2000);
    expect(body().box).toEqual(left);
  } finally {
    jest.useRealTimers();
  }
});

test('two who change a slide in the same moment end with one arrangement, in which nothing overlaps', () => {
  jest.useFakeTimers();
  try {
    const one = open();
    const join = (from: Y.Doc, to: Y.Doc): void =>
      Y.applyUpdate(to, Y.encodeStateAsUpdate(from, Y.encodeStateVector(to)));
    const second = new Y.Doc();
    join(one.doc, second);
    const quiet = runner(second, gateOf(['owner']), () => undefined);
    const run = settingOut(second, quiet, new SettingOutLater(second, quiet));
    const stops = [settingOutTyped(one.doc, one.run, TYPING), settingOutTyped(second, run, TYPING)];
    for (const words of ['Row out', 'Wait for the tide', 'Call the keeper']) {
      one.run(addChoice, 's' as never, words, { slideId: 'goal' as never });
    }
    for (const words of ['Climb', 'Ring']) {
      run(addChoice, 's' as never, words, { slideId: 'goal' as never });
    }
    for (let round = 0; round < 4; round += 1) {
      join(one.doc, second);
      join(second, one.doc);
      jest.advanceTimersByTime(1000);
    }
    const [here, there] = [one.doc, second].map((doc) => readDeck(doc).slides['s' as never]!);
    expect(there).toEqual(here);
    const boxes = here!.elements.map(({ box }) => box);
    expect(boxes).toHaveLength(7);
    boxes.forEach((a, at) => {
      const met = boxes
        .slice(0, at)
        .filter((b) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h);
      expect(met).toEqual([]);
    });
    stops.forEach((stop) => stop());
  } finally {
    jest.useRealTimers();
  }
});

describe('a deck of forty slides', () => {
  function large() {
    const { doc, run, quiet, later } = open();
    for (let at = 0; at < 40; at += 1)
      run(addSlide, { id: `n${at}` as never, title: `Slide ${at}` });
    later.finish();
    const laid = (): number =>
      Object.values(readDeck(doc).slides).filter((slide) => slide.setOut !== null).length;
    const state = (): unknown => {
      const { slides, theme } = readDeck(doc);
      return { slides, ref: theme.ref };
    };
    return { doc, run, quiet, later, laid, state };
  }
  const idsOf = (doc: Y.Doc): SlideId[] => Object.values(readDeck(doc).slides).map(({ id }) => id);
  const byHand = (doc: Y.Doc, run: ReturnType<typeof open>['run']): void =>
    idsOf(doc).forEach((id) => void run(leaveAsItLies, id));

  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());

  test('is set out a few slides at a time, and taken back as one step', () => {
    const { doc, run, later, laid, state } = large();
    byHand(doc, run);
    later.finish();
    const history = createHistory(doc);
    const before = state();
    expect(later.setOut(idsOf(doc))).not.toBeNull();
    expect(laid()).toBe(8);
    jest.runAllTimers();
    expect(laid()).toBe(42);
    history.undo();
    expect(state()).toEqual(before);
    expect(history.canUndo()).toBe(false);
  });

  test('is one step on a slow machine, too, where the rest takes longer than a pause between steps', () => {
    const { doc, run, quiet, later, laid } = large();
    byHand(doc, run);
    later.finish();
    const history = createHistory(doc);
    const slow: RunCommand = (command, ...args) => {
      const until = clock() + 20;
      const done = quiet(command, ...args);
      while (clock() < until);
      return done;
    };
    const slowly = new SettingOutLater(doc, slow);
    slowly.setOut(idsOf(doc));
    slowly.finish();
    expect(laid()).toBe(42);
    history.undo();
    expect([laid(), history.canUndo()]).toEqual([0, false]);
  });

  test('is whole before the next step, which is a step of its own', () => {
    const { doc, run, later, laid } = large();
    byHand(doc, run);
    later.finish();
    const history = createHistory(doc);
    later.setOut(idsOf(doc));
    run(renameSlide, 'n3' as never, 'Renamed');
    expect(laid()).toBe(42);
    history.undo();
    expect([laid(), readDeck(doc).slides['n3' as never]!.title]).toEqual([42, 'Slide 3']);
    history.undo();
    expect(laid()).toBe(0);
    expect(history.canUndo()).toBe(false);
  });

  test('takes in another theme, slide by slide, and is taken back with it as one step', () => {
    const { doc, run, later, state } = large();
    later.setOut(idsOf(doc));
    later.finish();
    const history = createHistory(doc);
    const before = state();
    run(setTheme, 'chalk');
    jest.runAllTimers();
    expect(state()).not.toEqual(before);
    history.undo();
    expect(state()).toEqual(before);
    expect(history.canUndo()).toBe(false);
  });

  test('where nothing can be set out, that is so for all', () => {
    const { later } = large();
    expect(later.setOut(['gone' as never, 'gone too' as never])).toBeNull();
  });
});
