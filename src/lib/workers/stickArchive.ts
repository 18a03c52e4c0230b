/** A stick of drivers as one archive: packages, a page, the sum of each file, and what checks them on either system. */
import { BlobWriter, TextReader, ZipWriter } from '@zip.js/zip.js/index-native.js';
import { sha256 } from '@noble/hashes/sha2.js';
import { bytesToHex, utf8ToBytes } from '@noble/hashes/utils.js';
import { stickFiles, type StickPackage } from '$core/drivers';
import type { HeldFile } from './packageFiles';

/** What checks a stick, as it is written for any; which files this one has is filled in. */
export interface CheckScripts {
  readonly shell: string;
  readonly powerShell: string;
}

/** What is on the stick is not what was shown: nothing is handed over. */
export class NotAsShown extends Error {}

/**
 * @param stick as it was shown: every package with all its files
 * @param page to read on the bench @param onBytes how many bytes are written
 * @throws NotAsShown where a package is not there any more, or is not as large as it was
 */
export async function stickArchive(
  stick: readonly StickPackage[],
  held: readonly HeldFile[],
  page: string,
  scripts: CheckScripts,
  onBytes: (done: number) => void = () => undefined,
): Promise<Blob> {
  const files = stickFiles(stick, held);
  for (const { package: shown, folder } of stick) {
    const found = files.filter(({ path }) => path.startsWith(`${folder}/`));
    const bytes = found.reduce((sum, { file }) => sum + file.bytes, 0);
    if (found.length !== shown.files || bytes !== shown.bytes) throw new NotAsShown(shown.name);
  }
  const zip = new ZipWriter(new BlobWriter('application/zip'));
  const sums: string[] = [];
  let written = 0;
  for (const { path, file } of files) {
    const sum = sha256.create();
    const before = written;
    const summed = new TransformStream<Uint8Array, Uint8Array>({
      transform(piece, out) {
        sum.update(piece);
        written += piece.length;
        onBytes(written);
        out.enqueue(piece);
      },
    });
    await zip.add(path, file.stream().pipeThrough(summed));
    if (written - before !== file.bytes) throw new NotAsShown(path);
    sums.push(`${bytesToHex(sum.digest())}  ${path}\n`);
  }
  sums.push(`${sumOf(page)}  READ-ME.html\n`);
  const list = sums.join('');
  const check = (script: string) =>
    script.replace('@FILES@', String(sums.length)).replace('@SUMS@', sumOf(list));
  const texts = {
    'READ-ME.html': page,
    SHA256SUMS: list,
    'check.sh': check(scripts.shell),
    'check.ps1': check(scripts.powerShell).replaceAll('\n', '\r\n'),
  };
  for (const [path, text] of Object.entries(texts)) await zip.add(path, new TextReader(text));
  return zip.close();
}

const sumOf = (text: string): string => bytesToHex(sha256(utf8ToBytes(text)));
