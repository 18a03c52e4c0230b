/** In hexadecimal, by the browser's own means. */
export async function sha256(bytes: Uint8Array): Promise<string> {
  const hash = new Uint8Array(await crypto.subtle.digest('SHA-256', bytes as BufferSource));
  return Array.from(hash, (byte) => byte.toString(16).padStart(2, '0')).join('');
}
