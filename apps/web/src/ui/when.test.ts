import { count, when } from './when';

const now = new Date(2026, 10, 23, 15, 0);

test.each([
  [new Date(2026, 10, 23, 0, 5), 'today'],
  [new Date(2026, 10, 24, 0, 5), 'today'],
  [new Date(2026, 10, 22, 23, 59), 'yesterday'],
  [new Date(2026, 10, 19, 12, 0), 'Thursday'],
  [new Date(2026, 9, 12, 12, 0), '12 October'],
  [new Date(2025, 9, 12, 12, 0), '12 October 2025'],
])('%s is said as %s', (then, said) => expect(when(then.toISOString(), now)).toBe(said));

test('one and many', () => {
  expect(count(1, 'slide')).toBe('1 slide');
  expect(count(0, 'slide')).toBe('0 slides');
  expect(count(2, 'leaf', 'leaves')).toBe('2 leaves');
});
