import * as fc from 'fast-check';
import { makeJoinCode, makeReturnCode, readJoinCode, readReturnCode } from '../index.js';

test('a code reads back however it is typed, and has no characters that look alike', () => {
  fc.assert(
    fc.property(fc.infiniteStream(fc.nat()), (numbers) => {
      const random = (below: number): number => (numbers.next().value as number) % below;
      const code = makeJoinCode(random);
      expect(code).toMatch(/^[A-HJKMNP-Z]{2,8} [2-9]{3}$/);
      expect(readJoinCode(code)).toBe(code);
      expect(readJoinCode(` ${code.toLowerCase().replace(' ', '-')} `)).toBe(code);
      const back = makeReturnCode(random);
      expect(readReturnCode(back.toLowerCase())).toBe(back);
    }),
  );
});

test.each(['', 'TERN', '482', 'TERN 48', 'TERN 4822', "TERN 482'; --", 'x'.repeat(5000)])(
  '%p is no code',
  (typed) => expect(readJoinCode(typed)).toBeNull(),
);
