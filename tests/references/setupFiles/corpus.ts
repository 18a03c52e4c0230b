/** Setup information files to read: our own from a seed, and open ones that packages of Debian carry. */
import { createHash } from 'node:crypto';
import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, renameSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { INF_ENCODINGS, encodedInf, randomInf } from '../../builders/inf';

export interface SetupFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

/** As both readers give it; field 0 of a line is its key. */
export interface ReadSection {
  readonly name: string;
  readonly lines: readonly (readonly string[])[];
}

const OWN = 30;
const SEED = 20261127;
const CACHE = new URL('../../../.cache/setup-files/', import.meta.url).pathname;

/** Source packages of Debian 12, each with what it holds; by SHA-256 of the archive. */
const SOURCES = [
  [
    'a/anytun/anytun_0.3.8.orig.tar.gz',
    '0a43c0df54f9966b97a51a07db94ecbe674a42e011537995c101bdadcbdeae0f',
    ['anytun-0.3.8/contrib/tap32/OemWin2k.inf', 'anytun-0.3.8/contrib/tap64/OemWin2k.inf'],
  ],
  [
    'a/apcupsd/apcupsd_3.14.14.orig.tar.gz',
    '37a266d5dc3240227ff2f8d02fdf608a48d82f90665931ea315558b96f23b1ec',
    [
      'apcupsd-3.14.14/platforms/mingw/apcupsd.inf',
      'apcupsd-3.14.14/platforms/mingw/winusb/apcupsd.inf',
    ],
  ],
  [
    'b/baycomepp/baycomepp_0.10.orig.tar.gz',
    '8d6518070a295f191799f69a337fd68f0b65fc7cf32a1650a998e06854a65fbb',
    ['baycomepp-0.10.orig/ntdrv/eppflex.inf'],
  ],
  [
    'b/bossa/bossa_1.9.1.orig.tar.gz',
    'ca650455dfa36cbd029010167347525bea424717a71a691381c0811591c93e72',
    ['BOSSA-1.9.1/install/bossa.inf'],
  ],
  [
    'd/drs4eb/drs4eb_5.0.6+git20211217+ds.orig.tar.xz',
    '7b1c2f66868f7be3260f706255d62adac88473f04fb15a573b2c9189f0200f51',
    ['drs4eb-5.0.6+git20211217+ds/software/libusb-1.0/drs4_eval5.inf'],
  ],
  [
    'l/lame/lame_3.100.orig.tar.gz',
    'ddfe36cab873794038ae2c1210557ad34857a4b6bdc515785d1da9e175b1da1e',
    ['lame-3.100/ACM/LameACM.inf'],
  ],
  [
    'o/owfs/owfs_3.2p4+dfsg1.orig.tar.xz',
    '5c4cbe57f03200f5918ea7a4596befdfada7606ca1aa7f4b9ab501e833648b63',
    [
      'owfs-3.2p4/src/scripts/usb/cygwin/ds9490.inf',
      'owfs-3.2p4/src/scripts/usb/windows/ds9490.inf',
    ],
  ],
] as const;
/** Comes with the emulator that the tests boot a machine in. */
const INSTALLED = '/usr/share/doc/qemu-system-data/qemupciserial.inf';

export function corpus(): {
  readonly files: readonly SetupFile[];
  readonly missing: readonly string[];
} {
  const own = fc.sample(randomInf, { numRuns: OWN, seed: SEED }).map((text, n): SetupFile => {
    const encoding = INF_ENCODINGS[n % INF_ENCODINGS.length]!;
    return { name: `own ${n + 1}, ${encoding}`, bytes: encodedInf(text, encoding) };
  });
  const missing: string[] = [];
  const open = SOURCES.flatMap(([path, hash, files]): SetupFile[] => {
    const archive = fetched(path, hash);
    if (archive === null) {
      missing.push(path);
      return [];
    }
    return files.map((name) => ({
      name: `open ${name.split('/').slice(1).join('/')}`,
      bytes: withoutFolders(execFileSync('tar', ['xOf', archive, name], { maxBuffer: 2 ** 24 })),
    }));
  });
  if (existsSync(INSTALLED))
    open.push({ name: 'open serial', bytes: withoutFolders(readFileSync(INSTALLED)) });
  else missing.push(INSTALLED);
  return { files: [...own, ...open], missing };
}

/** Folders by number – `%12%` – are put in by Wine as they are on its own disk; here they are taken for plain words. */
const withoutFolders = (bytes: Buffer): Buffer =>
  Buffer.from(bytes.toString('latin1').replaceAll(/%(\d+)%/g, '#$1#'), 'latin1');

/** From Debian's pool, once; null where it cannot be had. */
function fetched(path: string, hash: string): string | null {
  const archive = join(CACHE, path.split('/').at(-1)!);
  const isRight = () =>
    existsSync(archive) &&
    createHash('sha256').update(readFileSync(archive)).digest('hex') === hash;
  if (isRight()) return archive;
  mkdirSync(CACHE, { recursive: true });
  try {
    const part = `${archive}.part`;
    const address = `http://deb.debian.org/debian/pool/main/${path}`;
    execFileSync('curl', ['-sfL', '--max-time', '60', '-o', part, address]);
    renameSync(part, archive);
  } catch {
    return null;
  }
  return isRight() ? archive : null;
}

/** One digest for each section, in order: the files are others' and are not repeated here. */
export const digestsOf = (sections: readonly ReadSection[]): readonly string[] =>
  sections.map(({ name, lines }) =>
    createHash('sha256')
      .update(JSON.stringify([name.toLowerCase(), lines]))
      .digest('hex')
      .slice(0, 16),
  );
