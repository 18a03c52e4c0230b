/** Hands a file to the browser to keep. */
export function downloadFile(name: string, file: Blob): void {
  const address = URL.createObjectURL(file);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The download has taken hold of the file by the next turn.
  setTimeout(() => URL.revokeObjectURL(address), 0);
}

/** The same for text. */
export const download = (name: string, text: string, type = 'application/json'): void =>
  downloadFile(name, new Blob([text], { type }));
