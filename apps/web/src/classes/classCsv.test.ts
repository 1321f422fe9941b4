import { mayBeFamilyFirst, readClassCsv, writeClassCsv } from './classCsv';

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

describe('family names first', () => {
  test.each([
    ['Brandt, Ada\nTamm, Bela\nOrd, Cleo', true],
    ['name;group\n"Brandt, Ada";1', true],
    ['Ada,Table 1\nBela,Table 1\nCleo,Table 2\nDan,Table 2', false],
    ['Ada\nBela', false],
    ['Last name,First name\nBrandt,Ada\nTamm,Bela', false],
    ['Ada,1\nBela,2', false],
  ])('%j: whether that is asked is %s', (text, isAsked) => {
    expect(mayBeFamilyFirst(text)).toBe(isAsked);
  });

  test('are turned round where that is said, and left as they are where not', () => {
    expect(readClassCsv('Brandt, Ada\nTamm, Bela, Table 2', 'familyFirst')).toEqual([
      { name: 'Ada Brandt', group: '' },
      { name: 'Bela Tamm', group: 'Table 2' },
    ]);
    const listed = 'name;group\n"Brandt, Ada";1';
    expect(readClassCsv(listed, 'familyFirst')).toEqual([{ name: 'Ada Brandt', group: '1' }]);
    expect(readClassCsv(listed)).toEqual([{ name: 'Brandt, Ada', group: '1' }]);
  });
});
