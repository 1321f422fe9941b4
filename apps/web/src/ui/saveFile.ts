/** Hands a file to the person, as a download. */
export function saveFile(name: string, content: BlobPart, type = 'text/csv;charset=utf-8'): void {
  // A spreadsheet takes a table for UTF-8 only when it begins with a byte order mark.
  const mark = type.startsWith('text/csv') ? '\uFEFF' : '';
  const address = URL.createObjectURL(new Blob([mark, content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
