import { waitFor } from '@testing-library/react';
import type { watchLetters as WatchLetters } from './letters';

/** What has been fetched, in order; those that are gone cannot be. */
const fetched: string[] = [];
const gone = new Set<string>();
const sheet = (name: string) => () => {
  fetched.push(name);
  if (gone.has(name)) throw new Error('gone');
  return {};
};
jest.mock('./letters.css', () => ({}), { virtual: true });

/** Those of earlier tests look no more. */
const looking: MutationObserver[] = [];
const Observer = MutationObserver;
globalThis.MutationObserver = class extends Observer {
  constructor(callback: MutationCallback) {
    super(callback);
    looking.push(this);
  }
};
afterEach(() => looking.splice(0).forEach((one) => one.disconnect()));

let watchLetters: typeof WatchLetters;
beforeEach(async () => {
  fetched.length = 0;
  gone.clear();
  document.body.replaceChildren();
  jest.resetModules();
  jest.doMock('@fontsource-variable/noto-sans-thai', sheet('thai'), { virtual: true });
  jest.doMock('@fontsource-variable/noto-sans-jp', sheet('jp'), { virtual: true });
  jest.doMock('@fontsource-variable/noto-sans-kr', sheet('kr'), { virtual: true });
  jest.doMock('@fontsource-variable/noto-sans-sc', sheet('sc'), { virtual: true });
  jest.doMock('@fontsource-variable/noto-emoji', sheet('emoji'), { virtual: true });
  ({ watchLetters } = await import('./letters'));
});

const write = (words: string): HTMLElement => {
  const paragraph = document.createElement('p');
  paragraph.append(words);
  return document.body.appendChild(paragraph);
};
/** Until all that has happened on the page has been looked at. */
const looked = (): Promise<void> => new Promise((done) => setTimeout(done, 30));

test('what stands there when it begins to look counts, and so does what comes', async () => {
  write('등대');
  watchLetters(document);
  await waitFor(() => expect(fetched).toEqual(['kr']));
  write('The lamp').append(document.createElement('b'), 'ประภาคาร');
  await waitFor(() => expect(fetched).toEqual(['kr', 'thai']));
});

test('letters that families have fetch nothing, whatever signs stand among them', async () => {
  watchLetters(document);
  for (const words of [
    'Straße 12 – “Fünf” → €5 ✓ ½',
    'маяк φάρος',
    'منارة מגדלור',
    'प्रकाश',
    '①②',
  ]) {
    write(words);
  }
  await looked();
  expect(fetched).toEqual([]);
});

test('Japanese has its own, and what is written in Chinese characters alone theirs', async () => {
  watchLetters(document);
  write('灯台');
  await waitFor(() => expect(fetched).toEqual(['sc']));
  write('とうだい');
  await waitFor(() => expect(fetched).toEqual(['sc', 'jp']));
});

test('what is typed is seen while it is typed: in the page, and in fields', async () => {
  const paragraph = write('Fish');
  const field = document.body.appendChild(document.createElement('input'));
  watchLetters(document);
  paragraph.firstChild!.textContent = 'Fish 🐟';
  await waitFor(() => expect(fetched).toEqual(['emoji']));
  field.value = 'とうだい';
  field.dispatchEvent(new Event('input', { bubbles: true }));
  await waitFor(() => expect(fetched).toEqual(['emoji', 'jp']));
});

test('each is fetched once; one that could not be fetched is asked for again with the next words', async () => {
  watchLetters(document);
  gone.add('kr');
  write('등대');
  await waitFor(() => expect(fetched).toEqual(['kr']));
  await looked();
  gone.clear();
  write('바다');
  await waitFor(() => expect(fetched).toEqual(['kr', 'kr']));
  write('섬');
  write('눈');
  await looked();
  expect(fetched).toEqual(['kr', 'kr']);
});
