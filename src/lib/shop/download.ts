/** Hands text to the browser as a file to keep. */
export function download(name: string, text: string, type = 'application/json'): void {
  const address = URL.createObjectURL(new Blob([text], { type }));
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The download has taken hold of the file by the next turn.
  setTimeout(() => URL.revokeObjectURL(address), 0);
}
