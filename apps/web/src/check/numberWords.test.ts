import { inMinutes, manyRoutes } from './numberWords';

test.each([
  [0n, '0'],
  [999_999n, '999,999'],
  [1_250_000n, '1.2 × 10⁶'],
  [2n ** 100n, '1.2 × 10³⁰'],
])('%s routes', (routes, words) => expect(manyRoutes(routes)).toBe(words));

test.each([
  [0, '0 s'],
  [59.4, '59 s'],
  [60, '1 min'],
  [3599, '1 h 0'],
  [4000, '1 h 7'],
])('%s seconds', (seconds, words) => expect(inMinutes(seconds)).toBe(words));
