/**
 * One file for everything that a browser keeps: a zip of parts – jobs, photographs, lists, settings, the bin – and a
 * manifest that names each with its length and SHA-256. What was kept goes in as it was, whether it validates or not.
 */
import { itemAt } from '../units.ts';
import { Zip, ZipPassThrough, strFromU8, strToU8, unzipSync } from 'fflate';
import * as z from 'zod/mini';
import { listOf, text, instant, LONGEST_KEY } from '../parts/limits.ts';
import { Picture } from '../read/storedJob.ts';
import { fieldProblem, type Problem } from '../read/problem.ts';

const BACKUP_KIND = 'tenant-backup';
/** Since format 2 the manifest's own SHA-256 lies beside it: a damaged name of a part would else pass for another. */
const BACKUP_FORMAT = 2;
const FIRST_BACKUP_FORMAT = 1;

/** What a browser keeps, by kind. */
export const STORES = ['jobs', 'pictures', 'shelf', 'bin'] as const;
export type StoreName = (typeof STORES)[number];

export interface StoredItem {
  readonly store: StoreName;
  readonly key: string;
  readonly value: unknown;
}

/** Of bytes, in hexadecimal: the platform's own. */
export type Sha256 = (bytes: Uint8Array) => Promise<string>;

const MANIFEST = 'manifest.json';
const MANIFEST_SHA256 = 'manifest.sha256';
const MOST_PARTS = 100_000;
const LARGEST_PART = 64 * 1024 * 1024;
const LONGEST_PATH = 40_000;
const LARGEST_WHOLE = 2 * 1024 * 1024 * 1024;

const count = z.int().check(z.minimum(0), z.maximum(MOST_PARTS));
const Manifest = z.object({
  kind: z.literal(BACKUP_KIND),
  format: z.int().check(z.minimum(FIRST_BACKUP_FORMAT), z.maximum(BACKUP_FORMAT)),
  madeAt: instant,
  madeBy: text,
  counts: z.object({ jobs: count, pictures: count, shelf: count, bin: count }),
  parts: listOf(
    z.object({
      path: z.string().check(z.maxLength(LONGEST_PATH)),
      store: z.enum(STORES),
      key: z.string().check(z.minLength(1), z.maxLength(LONGEST_KEY)),
      /** Of a photograph. */
      type: z.optional(z.string().check(z.regex(/^image\/[a-z+.-]{1,40}$/))),
      bytes: z.int().check(z.minimum(0), z.maximum(LARGEST_PART)),
      sha256: z.string().check(z.regex(/^[0-9a-f]{64}$/)),
    }),
    MOST_PARTS,
  ),
});
export type BackupManifest = z.infer<typeof Manifest>;
type Part = BackupManifest['parts'][number];

/** Makes a backup part by part, so that whoever drives it can tell how far it is, and stop. */
export class BackupWriter {
  private readonly chunks: Uint8Array[] = [];
  private readonly parts: Part[] = [];
  private bytes = 0;
  private readonly zip: Zip;
  private readonly sha256: Sha256;

  /** @param onChunk where the file goes; without it `finish` hands it over whole */
  constructor(sha256: Sha256, onChunk?: (chunk: Uint8Array) => void) {
    this.sha256 = sha256;
    this.zip = new Zip((error, chunk) => {
      if (error) throw error;
      if (onChunk === undefined) this.chunks.push(chunk);
      else onChunk(chunk);
    });
  }

  /** @returns false for what no backup could be read with: it is left out, and whoever asked has to say so */
  async add(item: StoredItem): Promise<boolean> {
    const { store, key } = item;
    const { bytes, ending, type } = asBytes(item);
    const isReadable =
      key.length >= 1 &&
      key.length <= LONGEST_KEY &&
      bytes.length <= LARGEST_PART &&
      this.parts.length < MOST_PARTS &&
      this.bytes + bytes.length <= LARGEST_WHOLE - LARGEST_PART;
    if (!isReadable) return false;
    this.bytes += bytes.length;
    const path = pathOf(store, key, ending);
    // Photographs are compressed already.
    const isText = type === undefined;
    const [sha256, deflated] = await Promise.all([
      this.sha256(bytes),
      isText ? rawDeflated(bytes) : null,
    ]);
    this.put(path, bytes, deflated);
    const part = { path, store, key, bytes: bytes.length, sha256 };
    this.parts.push(type === undefined ? part : { ...part, type });
    return true;
  }

  /** @param madeAt ISO instant @param madeBy the version of Tenant */
  async finish(madeAt: string, madeBy: string): Promise<Uint8Array> {
    const of = (store: StoreName) => this.parts.filter((part) => part.store === store).length;
    const counts = {
      jobs: of('jobs'),
      pictures: of('pictures'),
      shelf: of('shelf'),
      bin: of('bin'),
    };
    const head = { kind: BACKUP_KIND, format: BACKUP_FORMAT, madeAt, madeBy, counts } as const;
    const manifest: BackupManifest = { ...head, parts: this.parts };
    const bytes = strToU8(JSON.stringify(manifest, null, 1));
    this.put(MANIFEST, bytes, await rawDeflated(bytes));
    this.put(MANIFEST_SHA256, strToU8(await this.sha256(bytes)), null);
    this.zip.end();
    return joined(this.chunks);
  }

  private put(path: string, bytes: Uint8Array, deflated: Uint8Array<ArrayBuffer> | null): void {
    const file = deflated === null ? new ZipPassThrough(path) : new Deflated(path, deflated);
    // The same store gives the same file.
    file.mtime = '2020-01-01T00:00:00';
    this.zip.add(file);
    file.push(bytes, true);
  }
}

/** A part of a zip whose bytes were compressed before; sum and size are those of what was compressed. */
class Deflated extends ZipPassThrough {
  private readonly deflated: Uint8Array<ArrayBuffer>;

  constructor(path: string, deflated: Uint8Array<ArrayBuffer>) {
    super(path);
    // Deflate, by the numbers of the zip format.
    this.compression = 8;
    this.deflated = deflated;
  }

  protected override process(_chunk: Uint8Array, isLast: boolean): void {
    this.ondata(null, this.deflated, isLast);
  }
}

/** By the platform's own means: three times as fast as in script. */
async function rawDeflated(bytes: Uint8Array): Promise<Uint8Array<ArrayBuffer>> {
  const { writable, readable } = new CompressionStream('deflate-raw');
  const writer = writable.getWriter();
  const written = writer.write(bytes as Uint8Array<ArrayBuffer>).then(() => writer.close());
  const [deflated] = await Promise.all([new Response(readable).arrayBuffer(), written]);
  return new Uint8Array(deflated);
}

interface Backup {
  readonly manifest: BackupManifest;
  readonly items: readonly StoredItem[];
}

export type BackupReading =
  | { readonly backup: Backup; readonly problems: readonly [] }
  | { readonly backup: null; readonly problems: readonly Problem[] };

const refused = (...problems: Problem[]): BackupReading => ({ backup: null, problems });

/** Reads a backup whole, or says what is wrong with it and where; never a part of it. */
export async function readBackup(bytes: Uint8Array, sha256: Sha256): Promise<BackupReading> {
  if (!startsAsZip(bytes)) return refused({ code: 'backup.notABackup', offset: 0 });
  const files = unzipped(bytes);
  if ('code' in files) return refused(files);
  const head = files.get(MANIFEST);
  if (head === undefined) return refused({ code: 'backup.cut', offset: bytes.length });
  const manifest = manifestIn(head);
  if ('code' in manifest) return refused(manifest);
  const own = files.get(MANIFEST_SHA256);
  if (own === undefined && manifest.format > FIRST_BACKUP_FORMAT)
    return refused({ code: 'backup.partMissing', at: MANIFEST_SHA256 });
  if (own !== undefined && strFromU8(own) !== (await sha256(head)))
    return refused({ code: 'backup.partDamaged', at: MANIFEST });
  const problems: Problem[] = [];
  const items: StoredItem[] = [];
  for (const part of manifest.parts) {
    const read = await itemOf(part, files.get(part.path), sha256);
    if ('code' in read) problems.push(read);
    else items.push(read);
    // Read, its bytes are let go of: both at once is twice the memory.
    files.set(part.path, NOTHING);
  }
  const listed = new Set([MANIFEST, MANIFEST_SHA256, ...manifest.parts.map(({ path }) => path)]);
  for (const path of files.keys())
    if (!listed.has(path))
      problems.push({ code: 'backup.partUnlisted', at: path.slice(0, SHOWN_LETTERS) });
  if (listed.size !== manifest.parts.length + 2)
    problems.push({ code: 'backup.partTwice', at: MANIFEST });
  return problems.length > 0
    ? refused(...problems.slice(0, MOST_PROBLEMS))
    : { backup: { manifest, items }, problems: [] };
}

const pathOf = (store: StoreName, key: string, ending: string): string =>
  `${store}/${encodeURIComponent(key)}.${ending}`;

const MOST_PROBLEMS = 8;

const startsAsZip = (bytes: Uint8Array): boolean =>
  [0x50, 0x4b, 0x03, 0x04].every((byte, n) => bytes[n] === byte);

const NOTHING = new Uint8Array(0);

/** Every file by its path; or the problem, where the zip is damaged or would unpack to more than can be. */
function unzipped(bytes: Uint8Array): Map<string, Uint8Array> | Problem {
  let whole = 0;
  let at = '';
  let tooLarge = '';
  try {
    // Its directory says how large it is: nothing is unpacked before that is known.
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        at = name.slice(0, SHOWN_LETTERS);
        whole += originalSize;
        if (originalSize > LARGEST_PART || whole > LARGEST_WHOLE) tooLarge ||= at;
        return false;
      },
    });
    if (tooLarge !== '') return { code: 'backup.tooLarge', at: tooLarge };
    return new Map(
      Object.entries(
        unzipSync(bytes, {
          filter: ({ name }) => {
            at = name.slice(0, SHOWN_LETTERS);
            return true;
          },
        }),
      ),
    );
  } catch {
    // The list of parts stands at the end: without it nothing was unpacked.
    return at === ''
      ? { code: 'backup.cut', offset: bytes.length }
      : { code: 'backup.partDamaged', at };
  }
}

const SHOWN_LETTERS = 100;

function manifestIn(bytes: Uint8Array): BackupManifest | Problem {
  let data: unknown;
  try {
    data = JSON.parse(strFromU8(bytes));
  } catch {
    return { code: 'backup.partDamaged', at: MANIFEST };
  }
  const head = z.object({ kind: z.literal(BACKUP_KIND), format: z.number() }).safeParse(data);
  if (!head.success) return { code: 'backup.notABackup', at: MANIFEST };
  if (head.data.format > BACKUP_FORMAT)
    return {
      code: 'file.newer',
      at: MANIFEST,
      expected: `${BACKUP_FORMAT}`,
      found: `${head.data.format}`,
    };
  const parsed = Manifest.safeParse(data);
  return parsed.success ? parsed.data : fieldProblem(itemAt(parsed.error.issues, 0));
}

async function itemOf(
  part: Part,
  bytes: Uint8Array | undefined,
  sha256: Sha256,
): Promise<StoredItem | Problem> {
  const { path, store, key, type } = part;
  // In format 1 nothing else says that the name of a part is as it was written.
  if (path !== pathOf(store, key, type?.slice('image/'.length) ?? 'json'))
    return { code: 'backup.partDamaged', at: path };
  if (bytes === undefined) return { code: 'backup.partMissing', at: path };
  const found = await sha256(bytes);
  if (bytes.length !== part.bytes || found !== part.sha256)
    return { code: 'backup.partDamaged', at: path, expected: part.sha256, found };
  if (store === 'pictures') {
    const value = `data:${type ?? ''};base64,${toBase64(bytes)}`;
    return Picture.safeParse(value).success
      ? { store, key, value }
      : { code: 'backup.partDamaged', at: path };
  }
  try {
    return { store, key, value: JSON.parse(strFromU8(bytes)) as unknown };
  } catch {
    return { code: 'file.notJson', at: path };
  }
}

function asBytes({ store, value }: StoredItem): {
  readonly bytes: Uint8Array;
  readonly ending: string;
  readonly type?: string;
} {
  const [, type, coded] =
    store === 'pictures' && typeof value === 'string'
      ? (/^data:(image\/[a-z+.-]{1,40});base64,([A-Za-z0-9+/]*={0,2})$/.exec(value) ?? [])
      : [];
  return type === undefined || coded === undefined
    ? { bytes: strToU8(JSON.stringify(value) ?? 'null'), ending: 'json' }
    : { bytes: fromBase64(coded), ending: type.slice('image/'.length), type };
}

/** The platform's own, of browsers and Node alike (WHATWG HTML, atob and btoa). */
declare const atob: (coded: string) => string;
declare const btoa: (bytes: string) => string;

const fromBase64 = (coded: string): Uint8Array => strToU8(atob(coded), true);
const toBase64 = (bytes: Uint8Array): string => btoa(strFromU8(bytes, true));

function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const whole = new Uint8Array(chunks.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const chunk of chunks) {
    whole.set(chunk, at);
    at += chunk.length;
  }
  return whole;
}
