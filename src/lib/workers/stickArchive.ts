/** A stick of drivers as one archive: packages, a page, the sum of each file, and what checks them on either system. */
import { strToU8, zipSync } from 'fflate';
import type { StickFile } from '$core';
import checkPowerShell from '../stick/check.ps1?raw';
import checkShell from '../stick/check.sh?raw';
import { sha256 } from './sha256';

export async function stickArchive(files: readonly StickFile[], page: string): Promise<Uint8Array> {
  const summed = [...files, { path: 'READ-ME.html', content: page }].map(({ path, content }) => ({
    path,
    bytes: typeof content === 'string' ? strToU8(content) : content,
  }));
  const sums = await Promise.all(
    summed.map(async ({ path, bytes }) => `${await sha256(bytes)}  ${path}\n`),
  );
  return zipSync({
    ...Object.fromEntries(summed.map(({ path, bytes }) => [path, bytes])),
    SHA256SUMS: strToU8(sums.join('')),
    'check.sh': strToU8(checkShell),
    'check.ps1': strToU8(checkPowerShell.replaceAll('\n', '\r\n')),
  });
}
