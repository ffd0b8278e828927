/** Saves something that was made here as a file of the user's. */
export function saveAs(blob: Blob, name: string): void {
  const address = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  URL.revokeObjectURL(address);
}
