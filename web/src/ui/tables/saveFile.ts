/** Hands a file out under a name, as a press on a link to it would. */
export function saveFile(address: string, name: string): void {
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
}
