/** The stick of drivers: the fewest packages that do, in an order that works, and what is wrong with it afterwards. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { strToU8, zipSync } from 'fflate';
import { execFileSync, spawnSync } from 'node:child_process';
import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import {
  emptyFunction,
  fewest,
  lookAtPackages,
  stickFiles,
  stickOf,
  type EvidenceFile,
} from '../../src/core/index.ts';
import { aMachine, aSlot, told } from '../builders/parts.ts';

const SEED = 20261127;
const CHECK = new URL('../../src/lib/stick/check.sh', import.meta.url).pathname;

describe('The fewest packages', () => {
  it(`are those that an exhaustive search finds, for 300 sets of packages (seed ${SEED})`, () => {
    const sets = fc.array(
      fc.record({
        bytes: fc.integer({ min: 1, max: 9 }),
        covers: fc.uniqueArray(fc.constantFrom(...'abcdefg'), { maxLength: 4 }),
      }),
      { maxLength: 11 },
    );
    let several = 0;
    for (const set of fc.sample(sets, { numRuns: 300, seed: SEED })) {
      const all = new Set(set.flatMap(({ covers }) => covers));
      let least = [Infinity, Infinity] as const;
      for (let chosen = 0; chosen < 2 ** set.length; chosen += 1) {
        const some = set.filter((_, n) => (chosen & (1 << n)) !== 0);
        if (new Set(some.flatMap(({ covers }) => covers)).size < all.size) continue;
        const bytes = some.reduce((sum, each) => sum + each.bytes, 0);
        if (some.length < least[0] || (some.length === least[0] && bytes < least[1]))
          least = [some.length, bytes];
      }
      const ours = fewest(
        set.map((item) => ({ item, bytes: item.bytes, covers: new Set(item.covers) })),
      );
      expect(new Set(ours.flatMap(({ covers }) => covers)).size).to.equal(all.size);
      expect([ours.length, ours.reduce((sum, { bytes }) => sum + bytes, 0)]).to.deep.equal([
        ...least,
      ]);
      several += ours.length > 1 ? 1 : 0;
    }
    expect(several).to.be.greaterThan(100);
  });
});

const setup = (className: string, provider: string, ...devices: readonly string[]) => `[Version]
Signature="$Windows NT$"
Class=${className}
Provider="${provider}"
CatalogFile=all.cat
[Manufacturer]
"P"=M,NTamd64
[M.NTamd64]
${devices.map((each) => `"Device ${each}"=I,PCI\\VEN_F1A1&DEV_${each}`).join('\n')}
[I]
[SourceDisksFiles]
own.sys=1
`;

describe('A stick of drivers', () => {
  const idle = (device: number, classCode = 0x0200) => ({
    ...emptyFunction(`0000:0${device & 15}:00.0`),
    vendor: 0xf1a1,
    device,
    classCode,
    name: `Device ${device.toString(16)}`,
  });
  const plain = aMachine([aSlot(1)]);
  const machine = {
    ...plain,
    functions: [
      idle(0x2001),
      idle(0x2002, 0x0107),
      idle(0x2003, 0x0880),
      idle(0x2004, 0x0300),
      idle(0x2005, 0x0604),
      { ...idle(0x2009), driver: 'Pendle 1.0 (pendle)' },
    ],
    system: {
      ...plain.system,
      family: told('windows' as const),
      version: told('10'),
      architecture: told('x86-64' as const),
    },
  };
  const files: readonly EvidenceFile[] = [
    { name: 'net/net.inf', content: setup('Net', 'Pendle / Works', '2001', '2009') },
    { name: 'net/own.sys', content: strToU8('sys') },
    { name: 'net/x64/ALL.CAT', content: strToU8('cat') },
    { name: 'disk/disk.inf', content: setup('SCSIAdapter', 'Mole', '2002') },
    { name: 'chip/chip.inf', content: setup('System', 'Creek', '2003') },
    { name: 'both/all.inf', content: setup('System', 'Slip', '2003', '2002', '2009') },
    { name: 'other/../sly.inf', content: setup('Net', 'Sly', '2009') },
  ].map(({ name, content }) => ({
    name,
    content: typeof content === 'string' ? strToU8(content) : content,
  }));
  const look = lookAtPackages(files, machine, []);

  it('holds the fewest that drive what nothing drives, chipset first, and says what none drives', () => {
    expect(
      stickOf(look).map(({ folder, stage, package: { name } }) => [folder, stage, name]),
    ).to.deep.equal([
      ['01-Slip', 'chipset', 'both/all.inf'],
      ['02-Pendle-Works', 'network', 'net/net.inf'],
    ]);
    // A bridge wants none; the graphics device has none.
    expect(look.undriven).to.deep.equal(['Device 2004']);
  });

  it('misses files that a package names and that lie nowhere in its folder, in whatever letters', () => {
    const missing = (name: string) => look.packages.find((each) => each.name === name)!.missing;
    expect(missing('net/net.inf')).to.deep.equal([]);
    expect(missing('both/all.inf')).to.deep.equal(['all.cat', 'own.sys']);
  });

  it('takes each package’s folder as it is, and nothing out of it', () => {
    const paths = stickFiles(stickOf(look), files).map(({ path }) => path);
    expect(paths).to.deep.equal([
      '01-Slip/all.inf',
      '02-Pendle-Works/net.inf',
      '02-Pendle-Works/own.sys',
      '02-Pendle-Works/x64/ALL.CAT',
    ]);
  });

  it('keeps the names of files that were dropped loose, or at the root of an archive', () => {
    const inf = strToU8(setup('Net', 'Pendle', '2001'));
    const paths = (dropped: readonly EvidenceFile[]) =>
      stickFiles(stickOf(lookAtPackages(dropped, machine, [])), dropped).map(({ path }) => path);
    const loose = [
      { name: 'network.inf', content: inf },
      { name: 'own.sys', content: strToU8('sys') },
      { name: 'folder/other.sys', content: strToU8('of another') },
    ];
    expect(paths(loose)).to.deep.equal(['01-Pendle/network.inf', '01-Pendle/own.sys']);
    const inZip = zipSync({ 'network.inf': inf, 'x64/own.sys': strToU8('sys') });
    expect(paths([{ name: 'pendle.zip', content: inZip }])).to.deep.equal([
      '01-Pendle/network.inf',
      '01-Pendle/x64/own.sys',
    ]);
  });

  describe('checked by its script', () => {
    const folder = mkdtempSync(join(tmpdir(), 'tenant-stick-'));
    after(() => rmSync(folder, { recursive: true }));
    const written = {
      '01-a/one.inf': 'one',
      '01-a/with blanks.sys': 'two',
      'READ-ME.html': 'three',
    };
    const put = (path: string, content: string) => {
      mkdirSync(dirname(join(folder, path)), { recursive: true });
      writeFileSync(join(folder, path), content);
    };
    const check = () => {
      const { stdout, status } = spawnSync('sh', [join(folder, 'check.sh')], {
        encoding: 'utf8',
        cwd: '/',
      });
      return [status, stdout.trim()];
    };
    before(() => {
      for (const [path, content] of Object.entries(written)) put(path, content);
      const sums = execFileSync('sha256sum', Object.keys(written), {
        cwd: folder,
        encoding: 'utf8',
      });
      put('SHA256SUMS', sums);
      execFileSync('cp', [CHECK, folder]);
    });

    it('is whole as it was written', () => {
      expect(check()).to.deep.equal([0, 'All 3 files are as they were written.']);
    });

    it('is wrong by one byte, or without a file, and the file is named', () => {
      put('01-a/with blanks.sys', 'twO');
      expect(check()).to.deep.equal([
        1,
        'changed: 01-a/with blanks.sys\n1 of 3 files are not as they were written. Write the stick anew.',
      ]);
      rmSync(join(folder, '01-a/one.inf'));
      expect(check()[1]).to.match(/^missing: 01-a\/one\.inf\nchanged: .*\n2 of 3 files/);
    });
  });
});
