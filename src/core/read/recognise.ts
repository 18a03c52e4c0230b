/** What a file of evidence is, told by what stands in it; its name decides only where the contents cannot. */
import { isBundle } from './bundle.ts';
import type { BytesReader, TextReader } from './reader.ts';
import { BYTES_READERS, TEXT_READERS } from './readers.ts';
import { bytesFromText, decodeText, looksBinary } from './text.ts';

export type Recognised =
  | { readonly as: 'bundle'; readonly text: string }
  | { readonly as: 'bytes'; readonly reader: BytesReader; readonly bytes: Uint8Array }
  | { readonly as: 'text'; readonly reader: TextReader; readonly text: string };

/** As much of a text as is looked at. */
const HEAD_LETTERS = 64 * 1024;
/** What copy tools print at their end, behind whatever they copied. */
const TAIL_LETTERS = 4 * 1024;

/** Null where no reader knows it. */
export function recognise(name: string, content: Uint8Array | string): Recognised | null {
  if (typeof content === 'string') return recogniseText(name, content);
  const reader = bytesReader(content, name);
  if (reader !== undefined) return { as: 'bytes', reader, bytes: content };
  return looksBinary(content) ? null : recogniseText(name, decodeText(content));
}

function recogniseText(name: string, text: string): Recognised | null {
  if (isBundle(text)) return { as: 'bundle', text };
  const named = firstOf((reader) => reader.name?.test(name) === true);
  if (named !== undefined) return { as: 'text', reader: named, text };
  const coded = bytesFromText(text);
  if (coded !== null) {
    const reader = bytesReader(coded, name);
    if (reader !== undefined) return { as: 'bytes', reader, bytes: coded };
  }
  const head = text.slice(0, HEAD_LETTERS);
  const line = head.split('\n', 1)[0] ?? '';
  const tail = text.slice(-TAIL_LETTERS);
  const reader =
    firstOf((each) => each.head?.some((pattern) => pattern.test(head)) === true) ??
    firstOf((each) => each.firstLine?.(line) === true) ??
    firstOf((each) => each.tail?.some((pattern) => pattern.test(tail)) === true);
  return reader === undefined ? null : { as: 'text', reader, text };
}

const firstOf = (isOne: (reader: TextReader) => boolean): TextReader | undefined =>
  (TEXT_READERS as readonly TextReader[]).find(isOne);

const bytesReader = (bytes: Uint8Array, name: string): BytesReader | undefined =>
  (BYTES_READERS as readonly BytesReader[]).find((reader) => reader.isOne(bytes, name));
