import fc from 'fast-check';
import { makeSayable, readSayable } from '../index.js';

const RANDOM = fc
  .infiniteStream(fc.nat())
  .map((numbers) => (below: number) => numbers.next().value! % below);

test('every address is four words, and is read as it is said, typed or shouted', () => {
  fc.assert(
    fc.property(RANDOM, fc.constantFrom(' ', '-', '', '_', ' - '), (random, between) => {
      const address = makeSayable(random);
      expect(address).toMatch(/^([a-z]{4}-){3}[a-z]{4}$/);
      expect(readSayable(address.replaceAll('-', between).toUpperCase())).toBe(address);
    }),
  );
});

test('what cannot be an address is none', () => {
  for (const typed of ['', 'mika', 'mika-rute-sola-bin', 'mika-rute-sola-binox', 'TERN 482']) {
    expect(readSayable(typed)).toBeNull();
  }
  expect(readSayable('mika-rute-sola-bino'.repeat(1000))).toBeNull();
});

test('no word is one that is not read out', () => {
  const from = (text: string): ((below: number) => number) => {
    const numbers = [...text].map(
      (letter) => [...'bdghklmnprstz'].indexOf(letter) + 1 || [...'aeiou'].indexOf(letter) + 1 || 1,
    );
    return () => numbers.shift()! - 1;
  };
  expect(makeSayable(from('pipimikarutesolabino'))).toBe('mika-rute-sola-bino');
});
