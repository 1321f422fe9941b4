import { type RichMark, type RichText } from '@gobrel/core';
import { render, screen } from '@testing-library/react';
import { RichTextView } from './RichTextView';

const words = (text: string, ...marks: RichMark[]): RichText => ({
  type: 'doc',
  content: [{ type: 'paragraph', content: [{ type: 'text', text, marks }] }],
});

function drawn(text: RichText): HTMLElement {
  render(<RichTextView text={text} />);
  return screen.getByText(/./);
}

it.each([
  ['#1d2f5b', '#ffffff'],
  ['#F6E3A1', '#000000'],
  ['red; position: fixed', '#000000'],
])('highlights words in %s with an ink that can be read on it', (color, ink) => {
  const mark = drawn(words('tide', { type: 'highlight', attrs: { color } }));
  expect(mark.tagName).toBe('MARK');
  expect(mark.style.getPropertyValue('--ink')).toBe(ink);
  expect(mark.style.position).toBe('');
});

it('leaves words that have a colour of their own in it', () => {
  const inner = drawn(
    words(
      'tide',
      { type: 'textStyle', attrs: { color: '#aa0000' } },
      { type: 'highlight', attrs: { color: '#ffffff' } },
    ),
  );
  expect(inner.style.color).toBe('rgb(170, 0, 0)');
});
