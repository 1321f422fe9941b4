import Papa from 'papaparse';
import { SHIELDED, unshielded } from '../ui/csv';

export interface ListedName {
  name: string;
  group: string;
}

const NAME_HEADS = ['name', 'student', 'full name'];
const GROUP_HEADS = ['group', 'table', 'team'];

/**
 * Names and groups out of a table of any usual shape: comma, semicolon or tab between columns, with or without a head
 * line. A head line may call the columns name (or first name and last name) and group.
 */
export function readClassCsv(text: string): ListedName[] | string {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  if (data.length === 0) return 'There is nothing in this file.';
  const head = data[0]!.map((cell) => cell.trim().toLowerCase());
  const find = (...names: string[]): number => head.findIndex((cell) => names.includes(cell));
  const [name, first, last] = [
    find(...NAME_HEADS),
    find('first name'),
    find('last name', 'surname'),
  ];
  const group = find(...GROUP_HEADS);
  const hasHead = name >= 0 || first >= 0;
  const rows = hasHead ? data.slice(1) : data;
  const cell = (row: string[], index: number): string =>
    index >= 0 ? unshielded((row[index] ?? '').trim()) : '';
  const names = rows
    .map((row): ListedName => ({
      name:
        first >= 0 && name < 0
          ? `${cell(row, first)} ${cell(row, last)}`.trim()
          : cell(row, Math.max(0, name)),
      group: cell(row, hasHead ? group : 1),
    }))
    .filter((entry) => entry.name !== '');
  if (names.length > 500) return `There are ${names.length} names in it; a class list holds 500.`;
  const tooLong = names.find((entry) => entry.name.length > 60);
  if (tooLong) return `“${tooLong.name.slice(0, 40)} …” is too long for a name.`;
  return names.length > 0 ? names : 'There are no names in this file.';
}

/** Safe to be opened in a spreadsheet: what begins like a formula is shielded. */
export const writeClassCsv = (students: readonly ListedName[]): string =>
  Papa.unparse(
    students.map(({ name, group }) => ({ name, group })),
    SHIELDED,
  );
