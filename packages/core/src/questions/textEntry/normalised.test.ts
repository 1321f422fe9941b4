import { isAccepted, normalised } from './normalised.js';

const LENIENT = { heedsCase: false, heedsAccents: false };
const STRICT = { heedsCase: true, heedsAccents: true };

test.each([
  ['curly and straight apostrophes', 'keeper’s', "keeper's"],
  ['quotes of several languages', '„Lamp“', '"Lamp"'],
  ['dashes', 'north–east', 'north-east'],
  ['ß and ss', 'Straße', 'Strasse'],
  ['full-width digits', '１２３', '123'],
  ['composed and decomposed letters', 'Caf\u00e9', 'Cafe\u0301'],
  ['runs of spaces', ' storm   petrel ', 'storm petrel'],
])('%s are equal, however strictly it is compared', (_, written, right) => {
  expect(isAccepted([right], written, STRICT)).toBe(true);
  expect(isAccepted([written], right, STRICT)).toBe(true);
});

test.each([
  ['accents of Latin letters', 'cafe', 'café', true],
  ['accents of Greek letters', 'φως', 'φώς', true],
  ['the final sigma', 'ΦΩΣ', 'φωσ', true],
  ['Japanese letters with and without their mark', 'か', 'が', false],
  ['Cyrillic letters', 'и', 'й', false],
  ['Hebrew letters', 'ש', 'שׁ', false],
])('overlooking accents, %s', (_, written, right, isEqual) => {
  expect(isAccepted([right], written, LENIENT)).toBe(isEqual);
});

test('accents and case count where they are heeded', () => {
  expect(isAccepted(['café'], 'cafe', STRICT)).toBe(false);
  expect(isAccepted(['Lamp'], 'lamp', STRICT)).toBe(false);
});

test('what is compared once compares the same again', () => {
  for (const text of ['Straße', 'keeper’s', 'が', '１２', 'ΦΩΣ']) {
    expect(normalised(normalised(text))).toBe(normalised(text));
  }
});
