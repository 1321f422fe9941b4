import { readClassCsv, writeClassCsv } from './classCsv';

test.each([
  ['a name a line', 'Ada Brandt\nBela Tamm\n', ['Ada Brandt', 'Bela Tamm']],
  ['with a head', 'name,group\nAda,1\nBela,2', ['Ada', 'Bela']],
  ['semicolons and quotes', 'Name;Group\n"Brandt, Ada";Table 1', ['Brandt, Ada']],
  ['first and last name apart', 'Last name\tFirst name\nBrandt\tAda', ['Ada Brandt']],
  ['a mark at the beginning, empty lines', '\uFEFFname\n\nAda\n ,\n', ['Ada']],
])('%s', (_what, text, names) => {
  expect(readClassCsv(text)).toMatchObject(names.map((name) => ({ name })));
});

test('groups come along, also without a head', () => {
  expect(readClassCsv('Ada,Table 1\nBela')).toEqual([
    { name: 'Ada', group: 'Table 1' },
    { name: 'Bela', group: '' },
  ]);
});

test.each([[''], ['name,group\n'], [`${'x'.repeat(61)}\n`], ['a\n'.repeat(501)]])(
  'what is no class list says why',
  (text) => {
    expect(typeof readClassCsv(text)).toBe('string');
  },
);

test('what is written is read back, and no cell begins like a formula', () => {
  const students = [
    { name: 'Ada "A" Brandt', group: 'Table, 1' },
    { name: 'Bela', group: '' },
  ];
  expect(readClassCsv(writeClassCsv(students))).toEqual(students);
  for (const name of ['=1+1', '+1', '-A1', '@x', '\t=1']) {
    const [, line = ''] = writeClassCsv([{ name, group: '' }]).split('\r\n');
    expect(line).toMatch(/^"?'/);
  }
});
