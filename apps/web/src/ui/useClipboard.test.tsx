import { cleanup, renderHook } from '@testing-library/react';
import { useClipboard } from './useClipboard';

afterEach(() => {
  cleanup();
  document.body.replaceChildren();
  getSelection()?.removeAllRanges();
});

/** A view whose things are copied; `takesPaste` says whether it knows what is pasted. */
function open(hands: { onlyPaste?: boolean; takesPaste?: boolean } = {}) {
  const said: string[] = [];
  const note = (what: string) => (): void => void said.push(what);
  renderHook(() =>
    useClipboard({
      onPaste: () => {
        said.push('paste');
        return hands.takesPaste ?? true;
      },
      ...(hands.onlyPaste ? {} : { onCopy: note('copy'), onCut: note('cut') }),
    }),
  );
  /** Whether the browser is kept from doing it by itself. */
  const happens = (name: string, target: Element = document.body): boolean => {
    const event = new Event(name, { bubbles: true, cancelable: true });
    Object.defineProperty(event, 'clipboardData', { value: {} });
    return !target.dispatchEvent(event);
  };
  return { said, happens };
}
const added = (name: string, role?: string): HTMLElement => {
  const element = document.body.appendChild(document.createElement(name));
  if (role) element.setAttribute('role', role);
  return element;
};

test('things are copied, cut and pasted wherever the focus is', () => {
  const { said, happens } = open();
  added('button').focus();
  expect(['copy', 'cut', 'paste'].map((name) => happens(name))).toEqual([true, true, true]);
  expect(said).toEqual(['copy', 'cut', 'paste']);
  expect([happens('beforecopy'), happens('beforecut')]).toEqual([true, true]);
});

test.each([['input'], ['textarea'], ['select']])('a %s keeps its clipboard', (name) => {
  const { said, happens } = open();
  const field = added(name);
  field.focus();
  expect(['copy', 'cut', 'paste', 'beforecopy'].map((one) => happens(one, field))).toEqual([
    false,
    false,
    false,
    false,
  ]);
  // The event may come to the page while the focus is in the field.
  expect(happens('paste')).toBe(false);
  expect(said).toEqual([]);
});

test('so does a dialog', () => {
  const { said, happens } = open();
  const inner = added('div', 'dialog').appendChild(document.createElement('p'));
  expect(happens('copy', inner)).toBe(false);
  expect(said).toEqual([]);
});

test('where text is marked that is what is copied; pasting is not kept from it', () => {
  const { said, happens } = open();
  const words = added('p');
  words.textContent = 'Low tide at nine.';
  getSelection()?.selectAllChildren(words);
  expect([happens('copy'), happens('cut'), happens('beforecopy')]).toEqual([false, false, false]);
  expect(happens('paste')).toBe(true);
  expect(said).toEqual(['paste']);
});

test('with nothing in hand nothing is copied, and what is not known is left to the browser', () => {
  const { said, happens } = open({ onlyPaste: true, takesPaste: false });
  expect([happens('copy'), happens('beforecut'), happens('paste')]).toEqual([false, false, false]);
  expect(said).toEqual(['paste']);
});

test('a view that is left hears nothing any more', () => {
  const { said, happens } = open();
  cleanup();
  expect(happens('copy')).toBe(false);
  expect(said).toEqual([]);
});
