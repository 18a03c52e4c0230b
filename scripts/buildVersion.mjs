/** What a build is called: the release, and behind it a hash of everything it is made from. */
import { createHash } from 'node:crypto';
import { readFileSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = new URL('..', import.meta.url).pathname;
const SOURCES = [
  'src',
  'demo',
  'static',
  'package.json',
  'package-lock.json',
  'vite.config.ts',
  'svelte.config.js',
];

const filesIn = (path) =>
  statSync(path).isDirectory()
    ? readdirSync(path)
        .toSorted()
        .flatMap((name) => filesIn(join(path, name)))
    : [path];

export function buildVersion() {
  const { version } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8'));
  const hash = createHash('sha256');
  for (const source of SOURCES)
    for (const file of filesIn(join(ROOT, source))) hash.update(file).update(readFileSync(file));
  return `${version}-${hash.digest('hex').slice(0, 10)}`;
}
