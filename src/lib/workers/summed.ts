/** SHA-256 of what is too large to be held at once: the browser's own means take only what is there whole. */
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex } from '@noble/hashes/utils.js';

/** In hexadecimal. */
export async function summed(stream: ReadableStream<Uint8Array>): Promise<string> {
  const sum = sha256.create();
  const reader = stream.getReader();
  for (;;) {
    const { done, value } = await reader.read();
    if (done) return bytesToHex(sum.digest());
    sum.update(value);
  }
}
