import type { DeskStudent } from '@gobrel/core';

/** What a student is called on the desk: by name, or by a number that stays while names are hidden. */
export function shownName(
  students: readonly DeskStudent[],
  student: DeskStudent,
  hidesNames: boolean,
): string {
  if (!hidesNames) return student.name;
  return `Student ${students.findIndex(({ folioId }) => folioId === student.folioId) + 1}`;
}
