/** Bytes of a text file as text, whatever of the usual encodings it was saved in. */

/** The standard decoder of browsers and Node (WHATWG Encoding), the one thing of theirs that the core uses. */
declare const TextDecoder: new (
  label: string,
  options?: { readonly fatal?: boolean },
) => { decode(bytes: Uint8Array): string };

const SNIFFED_BYTES = 4096;

/**
 * UTF-8, or UTF-16 in either order, told by the mark at the beginning or else by where the zeros stand; what is neither
 * is the code page of western systems. Bytes that are no text come out as some letters, never as an error.
 */
export function decodeText(bytes: Uint8Array): string {
  const encoding = encodingOf(bytes);
  if (encoding !== 'utf-8') return new TextDecoder(encoding).decode(bytes);
  try {
    return new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}

function encodingOf(bytes: Uint8Array): 'utf-8' | 'utf-16le' | 'utf-16be' {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, SNIFFED_BYTES);
  let even = 0;
  let odd = 0;
  head.forEach((byte, n) => {
    if (byte === 0) {
      if (n % 2 === 0) even += 1;
      else odd += 1;
    }
  });
  // Text of western letters in UTF-16 has a zero in nearly every second byte.
  if (odd > head.length / 4 && even === 0) return 'utf-16le';
  if (even > head.length / 4 && odd === 0) return 'utf-16be';
  return 'utf-8';
}

/** Zero bytes that no text encoding explains. */
export function looksBinary(bytes: Uint8Array): boolean {
  return encodingOf(bytes) === 'utf-8' && bytes.subarray(0, SNIFFED_BYTES).includes(0);
}

const HEX_TEXT = /^(?:0x)?[0-9a-fA-F]{2}(?:[\s,]*(?:0x)?[0-9a-fA-F]{2})+$/;
const BASE64_TEXT = /^[A-Za-z0-9+/\s]+={0,2}$/;
const BASE64 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/';
const LONGEST_CODED = 256 * 1024;

/** Bytes written as hexadecimal or base64 text; null for text that is neither. */
export function bytesFromText(text: string): Uint8Array | null {
  if (text.length > LONGEST_CODED) return null;
  const plain = text.trim();
  if (HEX_TEXT.test(plain)) return fromHex(plain);
  return plain.length >= 8 && BASE64_TEXT.test(plain) ? fromBase64(plain) : null;
}

/** Pairs of hexadecimal digits, whatever stands between the pairs. */
function fromHex(text: string): Uint8Array {
  const digits = text.replace(/0x/g, '').replace(/[^0-9a-fA-F]/g, '');
  return Uint8Array.from({ length: digits.length >> 1 }, (_, n) =>
    parseInt(digits.slice(2 * n, 2 * n + 2), 16),
  );
}

/** Source: RFC 4648, section 4. */
function fromBase64(text: string): Uint8Array {
  const letters = text.replace(/[\s=]/g, '');
  const bytes = new Uint8Array(Math.floor((letters.length * 6) / 8));
  let held = 0;
  let bits = 0;
  let at = 0;
  for (const letter of letters) {
    held = ((held << 6) | BASE64.indexOf(letter)) & 0xfffff;
    bits += 6;
    if (bits >= 8) {
      bits -= 8;
      bytes[at++] = (held >> bits) & 0xff;
    }
  }
  return bytes;
}
