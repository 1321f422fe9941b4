/** What begins like a formula is shielded, so that a spreadsheet does not run it; a negative number is none. */
export const SHIELDED = { escapeFormulae: /^(?:[=+@\t\r]|-(?!\d+(?:[.,]\d+)?$))/ };

/** A cell as it was before it was shielded. */
export const unshielded = (cell: string): string => cell.replace(/^'(?=[=+\-@\t\r])/, '');

/** The text of a file: UTF-8, with a byte order mark or without; what is none is taken for windows-1252. */
export function decodeText(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
