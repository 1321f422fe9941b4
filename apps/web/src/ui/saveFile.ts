/** Hands a file to the person, as a download. */
export function saveFile(name: string, content: string, type = 'text/csv;charset=utf-8'): void {
  const address = URL.createObjectURL(new Blob([content], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}
