import fc from 'fast-check';
import { contrast, inkOn, luminanceOf } from './luminance.js';

it('finds an ink of at least 4.5 to 1 on every colour', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
      const ground = `#${value.toString(16).padStart(6, '0')}`;
      expect(contrast(luminanceOf(inkOn(ground)), luminanceOf(ground))).toBeGreaterThan(4.5);
    }),
  );
});

it('takes dark ink on a marker’s yellow, and white on navy', () => {
  expect(inkOn('#f6e3a1')).toBe('#000000');
  expect(inkOn('#1d2f5b')).toBe('#ffffff');
});
