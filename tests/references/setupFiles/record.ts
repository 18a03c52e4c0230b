/**
 * Records what Wine's setupapi reads in setup information files, for inf.test.ts. Run by hand where Wine and a compiler
 * for it are at hand (Debian: wine64, gcc-mingw-w64-x86-64):
 *   npx tsx --tsconfig tsconfig.tests.json tests/references/setupFiles/record.ts
 */
import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { corpus, digestsOf, type ReadSection } from './corpus';

const folder = mkdtempSync(join(tmpdir(), 'tenant-inf-'));
const program = join(folder, 'readInf.exe');
const source = new URL('readInf.c', import.meta.url).pathname;
execFileSync('x86_64-w64-mingw32-gcc', ['-O1', '-o', program, source, '-lsetupapi']);

const recorded: Record<string, readonly string[]> = {};
const { files, missing } = corpus();
if (missing.length > 0) throw new Error(`Not to be had: ${missing.join(', ')}`);
for (const { name, bytes } of files) {
  const path = join(folder, 'one.inf');
  writeFileSync(path, bytes);
  const said = execFileSync('wine', [program, `Z:${path.replaceAll('/', '\\')}`], {
    encoding: 'utf8',
    env: { ...process.env, WINEDEBUG: '-all', WINEPREFIX: join(tmpdir(), 'tenant-wine') },
  });
  recorded[name] = digestsOf(sectionsIn(said));
}
writeFileSync(new URL('recorded.json', import.meta.url), `${JSON.stringify(recorded, null, 2)}\n`);
console.log(`${files.length} files recorded`);

function sectionsIn(said: string): readonly ReadSection[] {
  const sections: { name: string; lines: string[][] }[] = [];
  for (const row of said.split('\n')) {
    if (row.startsWith('S ')) sections.push({ name: row.slice(2).trimEnd(), lines: [] });
    if (row.startsWith('L '))
      sections.at(-1)?.lines.push(row.slice(2).replace(/\r$/, '').split('\t'));
  }
  return sections;
}
