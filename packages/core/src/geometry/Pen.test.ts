import * as fc from 'fast-check';
import { keptOnStage } from '../stage/pieces.js';
import { STAGE } from '../index.js';
import { Pen, svgOf } from './Pen.js';

test('strokes are written as a path, to a hundredth of a unit', () => {
  const { strokes } = new Pen()
    .move(1 / 3, 2)
    .line(10.005, -0.126)
    .curve(0, 1, 2, 3.5, 4.996, 5)
    .close();
  expect(svgOf(strokes)).toBe('M0.33 2L10.01 -0.13C0 1 2 3.5 5 5Z');
});

test('a box is kept on the stage by its upper left corner, in whole units', () => {
  expect(keptOnStage({ x: -30, y: 12.6, w: 100, h: 50 })).toEqual({ x: 0, y: 13 });
  expect(keptOnStage({ x: STAGE.width, y: STAGE.height, w: 100, h: 50 })).toEqual({
    x: STAGE.width - 100,
    y: STAGE.height - 50,
  });
  // One that is larger than the stage has its corner on it.
  expect(keptOnStage({ x: 40, y: 40, w: STAGE.width * 2, h: STAGE.height * 2 })).toEqual({
    x: 0,
    y: 0,
  });
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 300 }), (x, y) => {
      expect(keptOnStage({ x, y, w: 100, h: 50 })).toEqual({ x, y });
    }),
  );
});
