import {
  addElement,
  ELEMENT_KINDS,
  plain,
  readDeck,
  tableText,
  type ElementKind,
  type NewElement,
  type SlideElement,
  idOf,
  type SlideId,
  PAPER,
} from '@gobrel/core';
import { deck, slide } from '@gobrel/core/testing';
import type { Paint } from '../painting/canvas';
import type { Canvas } from '../painting/paintText';
import { paintElement } from './paints';

class FakePath {
  constructor(readonly d: string) {}
}
(globalThis as { Path2D?: unknown }).Path2D = FakePath;

/** A canvas that writes down what is drawn on it, and in which colour. */
function recorder(): { context: Canvas; said: string[] } {
  const said: string[] = [];
  const state: Record<string, unknown> = { fillStyle: '', strokeStyle: '', font: '' };
  const context = new Proxy(state, {
    get(_, key: string) {
      if (key in state) return state[key];
      if (key === 'measureText') return (words: string) => ({ width: words.length * 10 });
      if (key.startsWith('create')) return () => ({ addColorStop: () => undefined });
      return (...given: unknown[]) => {
        const colour = key === 'stroke' ? state.strokeStyle : state.fillStyle;
        const what = given[0] instanceof FakePath ? given[0].d : given[0];
        if (/^(fill|stroke)/.test(key)) said.push(`${key} ${String(what)} ${String(colour)}`);
        if (given.flat().some((one) => typeof one === 'number' && !Number.isFinite(one))) {
          throw new Error(`${key} with a number that is none`);
        }
      };
    },
    set(_, key: string, value) {
      state[key] = value;
      return true;
    },
  });
  return { context: context as unknown as Canvas, said };
}

function painted(plan: object): string[] {
  const doc = deck(slide('s'));
  const base = { layer: 'content', id: 'it', box: { x: 10, y: 20, w: 300, h: 200 } };
  expect(addElement(doc, idOf('s'), { ...base, ...plan } as NewElement).ok).toBe(true);
  const element = readDeck(doc).slides[idOf<SlideId>('s')]!.elements.find(
    ({ id }) => id === 'it',
  ) as SlideElement;
  const { context, said } = recorder();
  const paint: Paint = { context, theme: PAPER, linked: new Set(), pictures: new Map() };
  paintElement(paint, element);
  return said;
}

const PLANS: Partial<Record<ElementKind, object>> = {
  text: { kind: 'text', style: 'body', text: plain('A storm') },
  shape: { kind: 'shape', shape: 'ellipse', fill: '#112233' },
  line: { kind: 'line', colour: '#bf4e2a', tips: ['dot', 'arrow'] },
  ink: {
    kind: 'ink',
    frame: { x: 0, y: 0, w: 90, h: 90 },
    strokes: [{ colour: '#445566', weight: 5, isMarker: false, points: [0, 0, 50, 900, 900, 50] }],
  },
  media: { kind: 'media', media: { hash: 'b'.repeat(64), type: 'audio/ogg', size: 1, seconds: 1 } },
  table: {
    kind: 'table',
    text: tableText([
      ['tide', 'high'],
      ['6:00', '5.1'],
    ]),
  },
  formula: { kind: 'formula', tex: 'x^2 + 1', colour: '#123456' },
  chart: {
    kind: 'chart',
    text: tableText([
      ['', 'n'],
      ['a', '2'],
      ['b', '4'],
    ]),
  },
  closeup: {
    kind: 'closeup',
    isSeen: true,
    outline: { colour: '#778899', weight: 4, dash: 'solid' },
  },
  zone: { kind: 'zone', layer: 'pieces' },
  question: {
    kind: 'question',
    text: plain('Which \\(x\\)?'),
    question: { kind: 'textEntry', answers: [], points: 1 },
  },
};

test.each(Object.entries(PLANS))('%s leaves something on the card', (_kind, plan) => {
  expect(painted(plan).length).toBeGreaterThan(0);
});

test('what is not to be seen leaves nothing', () => {
  expect(painted({ kind: 'hotspot' })).toEqual([]);
  expect(painted({ kind: 'closeup', isSeen: false })).toEqual([]);
  expect(painted({ kind: 'zone', layer: 'pieces', isVisible: false })).toEqual([]);
  const asset = { hash: 'a'.repeat(64), width: 9, height: 9, isAnimated: false };
  // Its picture has not come yet.
  expect(painted({ kind: 'picture', asset })).toEqual([]);
});

test('each is painted in its own colours and words', () => {
  expect(painted(PLANS.shape!).some((said) => said.endsWith('#112233'))).toBe(true);
  expect(
    painted(PLANS.line!).some((said) => said.startsWith('stroke') && said.endsWith('#bf4e2a')),
  ).toBe(true);
  expect(painted(PLANS.formula!)).toEqual(['fillText x²+1 #123456']);
  expect(painted(PLANS.text!).join()).toContain('fillText A');
  expect(
    painted(PLANS.chart!).filter((said) => said.startsWith('fillText')).length,
  ).toBeGreaterThan(3);
});

test('formulas among words are painted in plain letters', () => {
  const text = plain('Area: \\(r^2 \\pi\\)');
  const said = painted({ kind: 'text', style: 'body', text }).join(' ');
  expect(said).toContain('r²π');
  expect(said).not.toContain('\\(');
});

test('every kind has been thought of', () => {
  const silent: ElementKind[] = ['hotspot', 'credits', 'group', 'picture'];
  expect([...Object.keys(PLANS), ...silent].sort()).toEqual([...ELEMENT_KINDS].sort());
});
