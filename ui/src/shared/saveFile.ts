/** Hands a file that was made to the browser, which saves it under a name. */
export function saveFile(content: Blob, name: string) {
  const link = document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
