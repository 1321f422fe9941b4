import {
  addElement,
  gateOf,
  linePoints,
  plain,
  readDeck,
  told,
  type ElementId,
  type NewElement,
  type Point,
  type SlideElement,
  idOf,
  type SlideId,
  PAPER,
} from '@gobrel/core';
import { gripsFor } from '../elements/grips';
import { pointPulled } from '../elements/line/Grips';
import { outlinePulled } from '../elements/shape/Grips';
import { columnPulled } from '../elements/table/Grips';
import { runner } from '../ui/runner';
import { deck, slide } from '@gobrel/core/testing';
import type { PointerEvent } from 'react';
import { drawingBox, framing, moving, resizing, turning, underneath } from './arranging';
import { previewed, type Preview, NO_PREVIEW } from './preview';
import { drawingLine, drawingStroke, rubbing } from './drawing';
import { pulling } from './pulling';
import type { Sketch, StageHands } from './StageHands';
import type { Gesture } from './useGestures';

const event = (keys: Partial<PointerEvent> = {}): PointerEvent =>
  ({
    shiftKey: false,
    ctrlKey: false,
    altKey: false,
    metaKey: false,
    pointerType: 'mouse',
    ...keys,
  }) as PointerEvent;

/** A stage without a screen: what is shown, drawn, selected and kept is written down. */
function stage(...plans: object[]) {
  const doc = deck(slide('s'));
  for (const plan of plans) {
    const kept = addElement(doc, idOf('s'), { layer: 'content', ...plan } as NewElement);
    if (!kept.ok) throw new Error(told(kept));
  }
  const said = { preview: NO_PREVIEW as Preview, sketch: {} as Sketch, refused: [] as string[] };
  let selected: ElementId[] = [];
  const read = () => readDeck(doc).slides[idOf<SlideId>('s')]!;
  const thing = (id: string): SlideElement => read().elements.find((one) => one.id === id)!;
  const hands = (): StageHands => {
    const slide = read();
    return {
      doc,
      slide,
      theme: PAPER,
      scale: 1,
      touchable: slide.elements.filter((one) => !('style' in one && one.style === 'title')),
      inHand: (id) => id,
      edit: {
        layer: 'content',
        get selected() {
          return slide.elements.filter(({ id }) => selected.includes(id));
        },
        select: (ids: ElementId[]) => void (selected = ids),
      } as StageHands['edit'],
      run: runner(doc, gateOf(['owner']), (reason) => void said.refused.push(reason)),
      show: (preview) => void (said.preview = preview),
      draw: (sketch) => void (said.sketch = sketch),
      clear: () => Object.assign(said, { preview: NO_PREVIEW, sketch: {} }),
    };
  };
  return { doc, hands, thing, said, read, selection: () => selected };
}

/** Presses, moves along and lets go. */
function drag(gesture: Gesture, path: Point[], keys: Partial<PointerEvent> = {}): void {
  for (const at of path) gesture.move(at, event(keys));
  gesture.end(path.at(-1) ?? { x: 0, y: 0 }, event(keys), path.length > 0);
}

const card = (id: string, x: number, y: number, more: object = {}): object => ({
  kind: 'shape',
  shape: 'rectangle',
  id,
  box: { x, y, w: 100, h: 60 },
  ...more,
});

describe('moving', () => {
  test('what is shown meanwhile is what is kept in the end, in one step; what is locked stays', () => {
    const { hands, thing, said, read } = stage(
      card('a', 100, 400),
      card('b', 300, 400, { isLocked: true }),
    );
    const now = hands();
    const gesture = moving(now, { x: 110, y: 410 }, [thing('a'), thing('b')], () => undefined);
    gesture.move({ x: 163, y: 427 }, event({ ctrlKey: true }));
    const shown = previewed(now.slide, said.preview).elements.find(({ id }) => id === 'a')!;
    expect(shown.box).toMatchObject({ x: 153, y: 417 });
    expect(thing('a').box).toMatchObject({ x: 100, y: 400 });
    gesture.end({ x: 163, y: 427 }, event({ ctrlKey: true }), true);
    expect(thing('a').box).toEqual(shown.box);
    expect(thing('b').box).toMatchObject({ x: 300, y: 400 });
    expect(read().elements).toHaveLength(now.slide.elements.length);
  });

  test('with Shift along one way only, with Alt a copy is left and taken in hand', () => {
    const { hands, thing, read, selection } = stage(card('a', 100, 400));
    drag(
      moving(hands(), { x: 0, y: 0 }, [thing('a')], () => undefined),
      [{ x: 90, y: 31 }],
      { shiftKey: true, ctrlKey: true },
    );
    expect(thing('a').box).toMatchObject({ x: 190, y: 400 });
    const before = read().elements.length;
    drag(
      moving(hands(), { x: 0, y: 0 }, [thing('a')], () => undefined),
      [{ x: 200, y: 100 }],
      { altKey: true, ctrlKey: true },
    );
    expect(read().elements).toHaveLength(before + 1);
    expect(thing('a').box).toMatchObject({ x: 190, y: 400 });
    expect(thing(selection()[0]!).box).toMatchObject({ x: 390, y: 500 });
  });

  test('near another thing it snaps, and says by what; a press alone moves nothing', () => {
    const { hands, thing, said } = stage(card('a', 100, 400), card('b', 400, 600));
    const gesture = moving(hands(), { x: 0, y: 0 }, [thing('a')], () => undefined);
    gesture.move({ x: 297, y: 0 }, event());
    expect(said.sketch.guides!.length).toBeGreaterThan(0);
    gesture.end({ x: 297, y: 0 }, event(), true);
    expect(thing('a').box.x).toBe(400);
    let pressed = 0;
    moving(hands(), { x: 0, y: 0 }, [thing('a')], () => (pressed += 1)).end(
      { x: 0, y: 0 },
      event(),
      false,
    );
    expect([pressed, thing('a').box.x]).toEqual([1, 400]);
  });

  test('what is given up leaves everything as it was', () => {
    const { hands, thing, said } = stage(card('a', 100, 400));
    const gesture = moving(hands(), { x: 0, y: 0 }, [thing('a')], () => undefined);
    gesture.move({ x: 50, y: 50 }, event());
    gesture.cancel!();
    expect([thing('a').box.x, said.preview]).toEqual([100, NO_PREVIEW]);
  });
});

describe('resizing and turning', () => {
  test('a corner of a shape goes anywhere, of a formula it keeps the form; Shift says otherwise', () => {
    const { hands, thing } = stage(card('a', 100, 400), {
      kind: 'formula',
      tex: 'x',
      id: 'f',
      box: { x: 600, y: 400, w: 200, h: 100 },
    });
    const pull = (id: string, keys: Partial<PointerEvent> = {}): void =>
      drag(resizing(hands(), { x: 0, y: 0 }, [thing(id)], 'se'), [{ x: 100, y: 10 }], {
        ctrlKey: true,
        ...keys,
      });
    pull('a');
    expect(thing('a').box).toMatchObject({ w: 200, h: 70 });
    pull('f');
    expect(thing('f').box.w / thing('f').box.h).toBeCloseTo(2, 1);
    pull('f', { shiftKey: true });
    expect(thing('f').box.w / thing('f').box.h).not.toBeCloseTo(2, 1);
  });

  test('turned near a step of 15 degrees it stops there; several turn about their middle', () => {
    const { hands, thing } = stage(card('a', 100, 400), card('b', 300, 400));
    const middle = { x: 150, y: 430 };
    drag(turning(hands(), { x: middle.x, y: middle.y - 100 }, [thing('a')]), [
      { x: middle.x + 100, y: middle.y + 1 },
    ]);
    expect(thing('a').rotation).toBe(90);
    drag(turning(hands(), { x: 260, y: 300 }, [thing('a'), thing('b')]), [{ x: 260, y: 560 }], {
      shiftKey: true,
    });
    expect(thing('b').rotation).toBe(180);
    expect(thing('b').box.x).toBeLessThan(thing('a').box.x);
  });
});

describe('framing and drawing', () => {
  test('a frame takes what it touches, of regions only what lies in it; Shift adds', () => {
    const zone = { kind: 'zone', layer: 'pieces', id: 'z', box: { x: 80, y: 380, w: 300, h: 300 } };
    const { hands, selection } = stage(card('a', 100, 400), card('b', 300, 600), zone);
    drag(framing(hands(), { x: 90, y: 390 }), [{ x: 150, y: 420 }]);
    expect(selection()).toEqual(['a']);
    drag(framing(hands(), { x: 310, y: 610 }), [{ x: 350, y: 620 }], { shiftKey: true });
    expect(new Set(selection())).toEqual(new Set(['a', 'b']));
    drag(framing(hands(), { x: 70, y: 370 }), [{ x: 500, y: 700 }]);
    expect(new Set(selection())).toEqual(new Set(['a', 'b', 'z']));
    framing(hands(), { x: 1, y: 1 }).end({ x: 1, y: 1 }, event(), false);
    expect(selection()).toEqual([]);
  });

  test('a box is as it was drawn; a press alone makes one of standard size about it', () => {
    const { hands } = stage();
    const drawn: unknown[] = [];
    drag(
      drawingBox(hands(), { x: 300, y: 200 }, { w: 40, h: 20 }, (box) => drawn.push(box)),
      [{ x: 200, y: 120 }],
    );
    drag(
      drawingBox(hands(), { x: 300, y: 200 }, { w: 40, h: 20 }, (box) => drawn.push(box)),
      [],
    );
    expect(drawn).toEqual([
      { x: 200, y: 120, w: 100, h: 80 },
      { x: 280, y: 190, w: 40, h: 20 },
    ]);
  });

  test('a line sticks to what its ends are let go over; two ends on one thing stick to nothing', () => {
    const { hands, read } = stage(card('a', 100, 400), card('b', 500, 400));
    const lines = () => read().elements.flatMap((one) => (one.kind === 'line' ? [one] : []));
    drag(
      drawingLine(hands(), { x: 150, y: 430 }, () => undefined),
      [{ x: 550, y: 430 }],
    );
    expect([lines()[0]!.from?.elementId, lines()[0]!.to?.elementId]).toEqual(['a', 'b']);
    drag(
      drawingLine(hands(), { x: 110, y: 410 }, () => undefined),
      [{ x: 190, y: 450 }],
    );
    expect([lines()[1]!.from, lines()[1]!.to]).toEqual([null, null]);
  });

  test('a pen goes on with its drawing, and what is rubbed out goes', () => {
    const { hands, read } = stage();
    const look = { colour: '', weight: 4, isMarker: false };
    const inks = () => read().elements.flatMap((one) => (one.kind === 'ink' ? [one] : []));
    let drawing: ElementId | null = null;
    const stroke = (y: number): void =>
      drag(
        drawingStroke(hands(), { x: 100, y }, event(), look, drawing, (id) => (drawing = id)),
        [{ x: 300, y }],
      );
    stroke(300);
    stroke(400);
    expect(inks().map(({ strokes }) => strokes.length)).toEqual([2]);
    drag(rubbing(hands(), { x: 200, y: 402 }), [{ x: 201, y: 402 }]);
    expect(inks()[0]!.strokes).toHaveLength(1);
    drag(rubbing(hands(), { x: 200, y: 302 }), [{ x: 201, y: 302 }]);
    expect(inks()).toEqual([]);
  });

  test('what one column of a table gains the next one loses', () => {
    const { hands, thing } = stage({
      kind: 'table',
      id: 't',
      box: { x: 0, y: 300, w: 300, h: 90 },
      columns: [1, 1, 1],
      text: plain('x'),
    });
    const table = thing('t');
    if (table.kind !== 'table') throw new Error('no table');
    const now = hands();
    drag(pulling(now, { x: 100, y: 310 }, columnPulled(now, table, 0)), [{ x: 150, y: 310 }]);
    const { columns } = thing('t') as typeof table;
    expect(columns[0]).toBeCloseTo(1.5);
    expect(columns[0]! + columns[1]!).toBeCloseTo(2);
    expect(columns[2]).toBe(1);
  });

  test('an end of a line sticks to what it is let go over, and with Ctrl stays where it is', () => {
    const { hands, thing } = stage(card('a', 400, 400), {
      kind: 'line',
      id: 'l',
      box: { x: 100, y: 300, w: 100, h: 50 },
    });
    const line = () => {
      const one = thing('l');
      if (one.kind !== 'line') throw new Error('no line');
      return one;
    };
    const pull = (index: number, isNew: boolean, at: Point, keys = {}) => {
      const now = hands();
      drag(pulling(now, at, pointPulled(now, line(), index, isNew)), [at], keys);
    };
    pull(1, false, { x: 405, y: 431 });
    expect(line().to).toMatchObject({ elementId: 'a', x: 0, y: 0.5 });
    expect(linePoints(line())[1]).toEqual({ x: 400, y: 430 });
    pull(1, false, { x: 405, y: 431 }, { ctrlKey: true });
    expect(line().to).toBeNull();
    pull(0, true, { x: 250, y: 200 });
    expect(linePoints(line())).toEqual([
      { x: 100, y: 300 },
      { x: 250, y: 200 },
      { x: 405, y: 431 },
    ]);
  });

  test('the outline of a turned shape is pulled where the hand is', () => {
    const { hands, thing } = stage(
      card('a', 400, 400, {
        shape: 'rounded',
        rotation: 180,
        box: { x: 400, y: 400, w: 200, h: 100 },
      }),
    );
    const shape = thing('a');
    if (shape.kind !== 'shape') throw new Error('no shape');
    const now = hands();
    const pulled = outlinePulled(now, shape, 'rounded', 0);
    // Turned half round, what is near its left edge is seen near its right one.
    const straight = pulled.become({ x: 560, y: 500 }, event(), { x: 0, y: 0 });
    drag(pulling(now, { x: 0, y: 0 }, pulled), [{ x: 560, y: 500 }]);
    const kept = thing('a') as typeof shape;
    expect(kept.points).toEqual(straight.points);
    expect(kept.points[0]).toBeGreaterThan(0);
  });

  test('what is given up half way changes nothing', () => {
    const { hands, thing, said } = stage(card('a', 400, 400, { shape: 'rounded' }));
    const shape = thing('a');
    if (shape.kind !== 'shape') throw new Error('no shape');
    const now = hands();
    const gesture = pulling(now, { x: 0, y: 0 }, outlinePulled(now, shape, 'rounded', 0));
    gesture.move({ x: 440, y: 400 }, event());
    expect(said.preview).not.toBe(NO_PREVIEW);
    gesture.cancel?.();
    expect(said.preview).toBe(NO_PREVIEW);
    expect((thing('a') as typeof shape).points).toEqual(shape.points);
  });

  test.each(['shape', 'picture', 'hotspot', 'line', 'table', 'closeup'] as const)(
    'a %s has grips, and none while it is locked',
    (kind) => {
      expect(gripsFor({ kind, isLocked: false } as SlideElement)).not.toBeNull();
      expect(gripsFor({ kind, isLocked: true } as SlideElement)).toBeNull();
    },
  );

  test('what lies under a place is told from the top', () => {
    const { hands } = stage(card('a', 100, 400), card('b', 120, 410), card('c', 600, 400));
    expect(underneath(hands(), { x: 150, y: 430 })).toEqual(['b', 'a']);
  });
});
