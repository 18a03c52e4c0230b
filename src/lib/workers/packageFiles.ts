/**
 * Driver packages as they were dropped: folders and archives of which only what says something of drivers is kept in memory.
 * All else is known by name and size, and passes through when it is wanted.
 */
import { Reader, ZipReader, configure, type FileEntry } from '@zip.js/zip.js/index-native.js';
import type { WhyLeftOut } from '$words/packages';
import { nameInArchive, saysOfDrivers, type PackageFile } from '$core/drivers';

// This is a worker already, and the page lets no other be started from a text.
configure({ useWebWorkers: false });

/** A file as it was dropped, or text that was pasted. Its bytes stay where they are until they are asked for. */
export interface DroppedFile {
  readonly name: string;
  readonly content: File | string;
}

export interface HeldFile extends PackageFile {
  /** Its bytes, held against its sum where the archive has one. */
  readonly stream: () => ReadableStream<Uint8Array>;
}

/** An archive, or a file, that is not taken, and why. */
export interface LeftOut {
  readonly name: string;
  readonly why: WhyLeftOut;
  /** The file in the archive at which it shows. */
  readonly at: string | null;
}

export interface Opened {
  readonly files: readonly HeldFile[];
  readonly leftOut: readonly LeftOut[];
}

/** Display packages are around a gigabyte. Nothing larger than this is unpacked. */
const LARGEST_ARCHIVE = 4 * 1024 ** 3;
/** A kernel's list has half a megabyte, the longest setup files a few. */
const LARGEST_SETUP = 32 * 1024 ** 2;
const ARCHIVE = /\.zip$/i;
/** So often it is told how far it is. */
const TELL_EVERY_BYTES = 4 * 1024 ** 2;

/** @param onBytes how far it is, of all bytes that are looked at */
export async function openPackages(
  dropped: readonly DroppedFile[],
  onBytes: (done: number, of: number) => void = () => undefined,
): Promise<Opened> {
  const files: HeldFile[] = [];
  const leftOut: LeftOut[] = [];
  const of = dropped.reduce((sum, { content }) => sum + sizeOf(content), 0);
  let before = 0;
  for (const each of dropped) {
    const { name, content } = each;
    const isArchive = ARCHIVE.test(name) && typeof content !== 'string';
    const told = (share: number) => onBytes(before + share * sizeOf(content), of);
    const opened = isArchive
      ? await openArchive(name, content, told)
      : await openFile(name, content);
    if ('why' in opened) leftOut.push(opened);
    else {
      for (const file of opened.files) files.push(file);
      for (const left of opened.leftOut) leftOut.push(left);
    }
    before += sizeOf(content);
    onBytes(before, of);
  }
  return { files, leftOut };
}

const sizeOf = (content: File | string): number =>
  typeof content === 'string' ? content.length : content.size;

async function openFile(name: string, content: File | string): Promise<Opened | LeftOut> {
  if (typeof content === 'string') {
    // Counted as it will be written: a letter may take several bytes.
    const written = new Blob([content]);
    const file = { name, bytes: written.size, content, stream: () => written.stream() };
    return { files: [file], leftOut: [] };
  }
  const isRead = saysOfDrivers(name);
  if (isRead && content.size > LARGEST_SETUP) return { name, why: 'setupTooLarge', at: null };
  const read = isRead ? new Uint8Array(await content.arrayBuffer()) : null;
  const stream = () => content.stream();
  return { files: [{ name, bytes: content.size, content: read, stream }], leftOut: [] };
}

/** Files of an archive lie one behind the other: what is read of the disk is read for several of them at once. */
class ArchiveReader extends Reader<File> {
  private from = 0;
  private held = new Uint8Array(0);

  constructor(private readonly file: File) {
    super(file);
    this.size = file.size;
  }

  override async readUint8Array(from: number, length: number): Promise<Uint8Array<ArrayBuffer>> {
    const to = Math.min(from + length, this.file.size);
    if (from < this.from || to > this.from + this.held.length) {
      const end = Math.max(to, from + READ_AT_ONCE_BYTES);
      this.held = new Uint8Array(await this.file.slice(from, end).arrayBuffer());
      this.from = from;
    }
    return this.held.slice(from - this.from, to - this.from);
  }
}

const READ_AT_ONCE_BYTES = 1024 ** 2;

/** Every file of an archive is held against its sum and its size before any of it counts; its directory says what it would take. */
async function openArchive(
  name: string,
  archive: File,
  told: (share: number) => void,
): Promise<Opened | LeftOut> {
  const refused = (why: WhyLeftOut, at: string | null = null): LeftOut => ({ name, why, at });
  let entries: readonly FileEntry[];
  try {
    const reader = new ZipReader(new ArchiveReader(archive), { checkLocalFilename: true });
    entries = (await reader.getEntries()).filter((entry): entry is FileEntry => !entry.directory);
  } catch {
    return refused('noArchive');
  }
  const whole = entries.reduce((sum, { uncompressedSize }) => sum + uncompressedSize, 0);
  if (whole > LARGEST_ARCHIVE) return refused('tooLarge');
  const locked = entries.find(({ encrypted }) => encrypted);
  if (locked !== undefined) return refused('locked', locked.filename);
  const files: HeldFile[] = [];
  const leftOut: LeftOut[] = [];
  let done = 0;
  let toldAt = 0;
  for (const entry of entries) {
    const inArchive = nameInArchive(name, entry.filename);
    const isRead = saysOfDrivers(entry.filename);
    const isTooLarge = isRead && entry.uncompressedSize > LARGEST_SETUP;
    const pieces: Uint8Array[] = [];
    const before = done;
    const reading = new WritableStream<Uint8Array>({
      write(piece) {
        if (isRead && !isTooLarge) pieces.push(piece);
        done += piece.length;
        if (done - toldAt < TELL_EVERY_BYTES) return;
        toldAt = done;
        told(done / Math.max(1, whole));
      },
    });
    try {
      await entry.getData(reading, { checkCrc32: true });
    } catch {
      return refused('damaged', entry.filename);
    }
    if (done - before !== entry.uncompressedSize) return refused('damaged', entry.filename);
    if (isTooLarge) leftOut.push({ name: inArchive, why: 'setupTooLarge', at: null });
    else
      files.push({
        name: inArchive,
        bytes: entry.uncompressedSize,
        content: isRead ? new Uint8Array(await new Blob(pieces as BlobPart[]).arrayBuffer()) : null,
        stream: () => streamOf(entry),
      });
  }
  return { files, leftOut };
}

function streamOf(entry: FileEntry): ReadableStream<Uint8Array> {
  const { readable, writable } = new TransformStream<Uint8Array, Uint8Array>();
  // What goes wrong breaks the stream off: whoever reads it is told there.
  entry.getData(writable, { checkCrc32: true }).catch(() => undefined);
  return readable;
}
