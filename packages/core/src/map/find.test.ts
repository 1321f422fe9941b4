import { readDeck } from '../index.js';
import { choice, deck, slide, text } from '../testing/builder.js';
import { findSlides } from './find.js';
import { routeGraph } from './graph.js';

const found = (doc: ReturnType<typeof deck>, sought: string): [string, string][] => {
  const read = readDeck(doc);
  return findSlides(read, routeGraph(read), sought).map(({ slideId, words }) => [slideId, words]);
};

describe('finding slides', () => {
  const doc = deck(
    slide('pool: The tide pool', choice('Row out to the skerry', 'sea')),
    slide('sea: At sea', text('The pool is far away by now, and the skerry near.')),
    slide('area: Area \\(a^2\\)', text('Its side is \\(\\frac{1}{2}\\) long.')),
    slide('none: ', text('Nothing')),
  );

  test('by title first, by what a choice says, by what stands on them', () => {
    expect(found(doc, 'the pool').map(([id]) => id)).toEqual(['sea']);
    expect(found(doc, 'pool').map(([id]) => id)).toEqual(['pool', 'sea']);
    expect(found(doc, 'SKERRY')).toEqual([
      ['pool', 'Row out to the skerry'],
      ['sea', expect.stringContaining('skerry')],
    ]);
  });

  test('formulas are sought and told in plain letters', () => {
    expect(found(doc, 'area')).toEqual([['area', 'Area a²']]);
    expect(found(doc, 'a²')).toEqual([['area', 'Area a²']]);
    expect(found(doc, '\\(a')).toEqual([]);
    expect(found(doc, 'side is')[0]![1]).not.toContain('\\');
  });

  test('nothing sought is every slide, one without a title too', () => {
    expect(found(doc, ' ').map(([, words]) => words)).toContain('Untitled');
    expect(found(doc, ' ')).toHaveLength(4);
  });
});
