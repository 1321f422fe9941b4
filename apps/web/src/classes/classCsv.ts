import Papa from 'papaparse';
import { SHIELDED, unshielded } from '../ui/csv';

export interface ListedName {
  name: string;
  group: string;
}

const NAME_HEADS = ['name', 'student', 'full name'];
const GROUP_HEADS = ['group', 'table', 'team'];

/** How what stands before and behind a comma is taken. */
export type NameOrder = 'asWritten' | 'familyFirst';

/**
 * Names and groups out of a table of any usual shape: comma, semicolon or tab between columns, with or without a head
 * line. A head line may call the columns name (or first name and last name) and group. Without one, what stands behind
 * the first comma is the group, or with `familyFirst` the given name.
 */
export function readClassCsv(text: string, order: NameOrder = 'asWritten'): ListedName[] | string {
  const table = readTable(text);
  if (table.rows.length === 0 && !table.hasHead) return 'There is nothing in this file.';
  const isTurned = order === 'familyFirst';
  const names = table.rows
    .map((row): ListedName => {
      const { name, first, last, group } = table.columns;
      const cell = (index: number): string =>
        index >= 0 ? unshielded((row[index] ?? '').trim()) : '';
      if (first >= 0 && name < 0) {
        return { name: `${cell(first)} ${cell(last)}`.trim(), group: cell(group) };
      }
      const written = cell(Math.max(0, name));
      const [family, given] = parts(written);
      if (isTurned && given) return { name: `${given} ${family}`, group: cell(group) };
      if (isTurned && !table.hasHead) {
        return { name: `${cell(1)} ${written}`.trim(), group: cell(2) };
      }
      return { name: written, group: cell(table.hasHead ? group : 1) };
    })
    .filter((entry) => entry.name !== '');
  if (names.length > 500) return `There are ${names.length} names in it; a class list holds 500.`;
  const tooLong = names.find((entry) => entry.name.length > 60);
  if (tooLong) return `“${tooLong.name.slice(0, 40)} …” is too long for a name.`;
  return names.length > 0 ? names : 'There are no names in this file.';
}

/**
 * Whether a person has to say what is what: names with a comma in them, or a second column without a head in which
 * hardly anything comes twice, as given names do and groups do not.
 */
export function mayBeFamilyFirst(text: string): boolean {
  const { rows, hasHead, columns } = readTable(text);
  if (rows.some((row) => parts(row[Math.max(0, columns.name)] ?? '')[1] !== '')) return true;
  if (hasHead) return false;
  const behind = rows
    .map((row) => (row[1] ?? '').trim())
    .filter((cell) => /^\p{L}[\p{L}\p{M} .'’-]*$/u.test(cell));
  return behind.length > 0 && new Set(behind).size > behind.length * 0.6;
}

const parts = (name: string): [family: string, given: string] => {
  const [family = '', ...given] = name.split(',').map((part) => part.trim());
  return [family, given.join(' ')];
};

function readTable(text: string): {
  rows: string[][];
  hasHead: boolean;
  columns: { name: number; first: number; last: number; group: number };
} {
  const { data } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const head = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const find = (...names: string[]): number => head.findIndex((cell) => names.includes(cell));
  const columns = {
    name: find(...NAME_HEADS),
    group: find(...GROUP_HEADS),
    first: find('first name', 'given name'),
    last: find('last name', 'surname', 'family name'),
  };
  const hasHead = columns.name >= 0 || columns.first >= 0;
  return { rows: hasHead ? data.slice(1) : data, hasHead, columns };
}

/** Safe to be opened in a spreadsheet: what begins like a formula is shielded. */
export const writeClassCsv = (students: readonly ListedName[]): string =>
  Papa.unparse(
    students.map(({ name, group }) => ({ name, group })),
    SHIELDED,
  );
