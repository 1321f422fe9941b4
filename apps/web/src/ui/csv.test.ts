import Papa from 'papaparse';
import { readClassCsv, writeClassCsv } from '../classes/classCsv';
import { decodeText, SHIELDED } from './csv';

const bytes = (...codes: number[]): ArrayBuffer => Uint8Array.from(codes).buffer;

test('files of old spreadsheets are read: windows-1252, semicolons, UTF-8 with its mark', () => {
  expect(decodeText(bytes(0x5a, 0x6f, 0xeb))).toBe('Zoë');
  expect(decodeText(bytes(0x5a, 0x6f, 0xc3, 0xab))).toBe('Zoë');
  expect(decodeText(bytes(0xef, 0xbb, 0xbf, 0x41))).toBe('A');
  expect(readClassCsv('name;group\nZoë;One\n')).toEqual([{ name: 'Zoë', group: 'One' }]);
});

test('a negative number stays one; what begins like a formula is shielded', () => {
  const row = ['-5', '-2,5', '-5+cmd', '=1+1', '@x', '-', '+A1'];
  const [written] = Papa.parse<string[]>(Papa.unparse([row], SHIELDED)).data;
  expect(written).toEqual(['-5', '-2,5', "'-5+cmd", "'=1+1", "'@x", "'-", "'+A1"]);
});

test('names that begin with a sign are the same after writing and reading', () => {
  const names = ['=Ada', '-Bo', '+Cy', '@Di', "O'Neil"].map((name) => ({ name, group: '=One' }));
  expect(readClassCsv(writeClassCsv(names))).toEqual(names);
});
