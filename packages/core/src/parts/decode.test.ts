import { asId } from './ids.js';
import {
  asBoolean,
  asColour,
  asList,
  asNumber,
  asOneOf,
  asRecord,
  asString,
  asStrings,
} from './decode.js';

test.each([
  ['pier', 'pier'],
  ['lamp-out', 'lamp-out'],
  ['7d5f0e3a', '7d5f0e3a'],
  ['', null],
  ['Pier', null],
  ['a b', null],
  ['a/b', null],
  ['../x', null],
  ['x'.repeat(65), null],
  ['constructor', null],
  ['__proto__', null],
  [7, null],
  [null, null],
  [['pier'], null],
])('%j as an id is %j', (value, id) => expect(asId(value)).toBe(id));

test.each([
  ['#17505C', '#17505C'],
  ['#17505c', '#17505c'],
  ['red', ''],
  ['#fff', ''],
  ['url(http://evil.example)', ''],
  ['#17505C; background: url(x)', ''],
  [7, ''],
])('%j as a colour is %j', (value, colour) => expect(asColour(value)).toBe(colour));

test.each([
  [5, 5],
  [-3, 0],
  [99, 10],
  [NaN, 4],
  [Infinity, 4],
  ['5', 4],
  [null, 4],
])('%p as a number from 0 to 10 is %p', (value, number) =>
  expect(asNumber(value, 4, 0, 10)).toBe(number),
);

test('the rest fall back without a word', () => {
  expect(asString(7, 'none')).toBe('none');
  expect(asString('x'.repeat(50), '', 10)).toHaveLength(10);
  expect(asBoolean('true')).toBe(false);
  expect(asOneOf('up', ['left', 'right'], 'left')).toBe('left');
  expect(asRecord([1])).toEqual({});
  expect(asRecord(null)).toEqual({});
  expect(asList('abc')).toEqual([]);
  expect(asList([1, 2, 3], 2)).toEqual([1, 2]);
  expect(asStrings(['a', 1, null, 'b'])).toEqual(['a', 'b']);
});
