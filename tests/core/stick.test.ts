/** The stick of drivers: the fewest packages that do, in an order that works, and what is wrong with it afterwards. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { strToU8 } from 'fflate';
import highs from 'highs';
import { emptyFunction } from '../../src/core/parts/index.ts';
import {
  fewest,
  fewestSearch,
  inspectPackages,
  nameInArchive,
  stickFiles,
  stickSearch,
  type PackageFile,
  type PackagesInspection,
} from '../../src/core/drivers/index.ts';
import { packageFile } from '../builders/packages.ts';
import { aMachine, aSlot, told } from '../builders/parts.ts';

const SEED = 20261127;

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

  const many = (packages: number, devices: number, most: number, seed: number) =>
    fc.sample(
      fc.array(
        fc.record({
          bytes: fc.integer({ min: 1, max: 999 }),
          covers: fc.uniqueArray(fc.integer({ min: 0, max: devices - 1 }), {
            minLength: 1,
            maxLength: most,
          }),
        }),
        { minLength: packages, maxLength: packages },
      ),
      { numRuns: 1, seed },
    )[0]!;
  type Set = ReturnType<typeof many>;
  const asked = (set: Set) =>
    set.map((item) => ({ item, bytes: item.bytes, covers: new Set(item.covers.map(String)) }));
  const weight = (items: Set): number =>
    items.length * 1_000_000 + items.reduce((sum, { bytes }) => sum + bytes, 0);

  // The same as a mixed-integer program: HiGHS, the `highs` package.
  it(`are those of a general solver, where trying all is out of reach (seed ${SEED})`, async () => {
    const solver = await highs();
    for (let n = 0; n < 6; n += 1) {
      const set = many(60, 30, 4 + n, SEED + n);
      const rows = [...new Set(set.flatMap(({ covers }) => covers))].map(
        (device) =>
          ` d${device}: ${set.flatMap(({ covers }, p) => (covers.includes(device) ? [`x${p}`] : [])).join(' + ')} >= 1`,
      );
      const cost = set.map(({ bytes }, p) => `${1_000_000 + bytes} x${p}`).join(' + ');
      const names = set.map((_, p) => `x${p}`).join(' ');
      const { ObjectiveValue } = solver.solve(
        `Minimize\n obj: ${cost}\nSubject To\n${rows.join('\n')}\nBinary\n ${names}\nEnd`,
        { mip_rel_gap: 0 },
      );
      expect(weight([...fewest(asked(set))])).to.equal(Math.round(ObjectiveValue));
    }
  });

  it('of a hundred packages and forty devices are found in few steps', () => {
    for (const most of [4, 8, 12, 20]) {
      const search = fewestSearch(asked(many(100, 40, most, SEED)));
      let steps = 0;
      while (search.next().done !== true) steps += 1;
      // Two thousand nodes each; without bounds they are not found in a million.
      expect(steps, `${most} devices a package`).to.be.lessThan(20);
    }
  });

  it('are told as far as they are found, and what is told always drives everything', () => {
    const set = many(300, 80, 6, SEED);
    const all = new Set(set.flatMap(({ covers }) => covers)).size;
    const search = fewestSearch(asked(set));
    let before = Infinity;
    for (let n = 0; n < 20; n += 1) {
      const { value, done } = search.next();
      expect(done).to.equal(false);
      expect(value.isFewest).to.equal(false);
      expect(new Set(value.items.flatMap(({ covers }) => covers)).size).to.equal(all);
      expect(weight([...value.items])).to.be.at.most(before);
      before = weight([...value.items]);
    }
  });
});

const stickOf = (look: PackagesInspection) => {
  const search = stickSearch(look);
  for (;;) {
    const { value, done } = search.next();
    if (done === true) return value.packages;
  }
};

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
  const files: readonly PackageFile[] = [
    { name: 'net/net.inf', content: setup('Net', 'Pendle / Works', '2001', '2009') },
    { name: 'net/own.sys', content: strToU8('sys') },
    { name: 'net/x64/ALL.CAT', content: strToU8('cat') },
    { name: 'disk/disk.inf', content: setup('SCSIAdapter', 'Mole', '2002') },
    { name: 'chip/chip.inf', content: setup('System', 'Creek', '2003') },
    { name: 'both/all.inf', content: setup('System', 'Slip', '2003', '2002', '2009') },
    { name: 'other/../sly.inf', content: setup('Net', 'Sly', '2009') },
  ].map(({ name, content }) =>
    packageFile(name, typeof content === 'string' ? strToU8(content) : content),
  );
  const look = inspectPackages(files, machine, []);

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
    const paths = (dropped: readonly PackageFile[]) =>
      stickFiles(stickOf(inspectPackages(dropped, machine, [])), dropped).map(({ path }) => path);
    const loose = [
      packageFile('network.inf', inf),
      packageFile('own.sys', 'sys'),
      packageFile('folder/other.sys', 'of another'),
    ];
    expect(paths(loose)).to.deep.equal(['01-Pendle/network.inf', '01-Pendle/own.sys']);
    // Another loose setup file is another package.
    const other = packageFile('other.inf', strToU8(setup('Net', 'Sly', '2009')));
    expect(paths([...loose, other])).to.deep.equal(paths(loose));
    const inZip = [
      packageFile(nameInArchive('pendle.zip', 'network.inf'), inf),
      packageFile(nameInArchive('pendle.zip', 'x64/own.sys'), 'sys'),
    ];
    expect(paths(inZip)).to.deep.equal(['01-Pendle/network.inf', '01-Pendle/x64/own.sys']);
  });

  it('gives no file a name that a system stumbles over', () => {
    const names = [
      'net.inf',
      'CON',
      'nul.sys',
      'Com1.dll',
      'lpt\u00b2',
      'end. ',
      'blank ',
      'turned\u202egnp.exe',
      'unseen\u200b.sys',
      'bell\u0007.sys',
      'a:b|c?.sys',
      '..',
    ];
    const dropped = names.map((name) =>
      packageFile(`p/${name}`, name === 'net.inf' ? strToU8(setup('Net', 'P', '2001')) : 'x'),
    );
    const paths = stickFiles(stickOf(inspectPackages(dropped, machine, [])), dropped);
    expect(paths.map(({ path }) => path.slice('01-P/'.length)).toSorted()).to.deep.equal(
      [
        '__',
        '_CON',
        '_Com1.dll',
        '_lpt\u00b2',
        '_nul.sys',
        'a_b_c_.sys',
        'bell_.sys',
        'blank_',
        'end__',
        'net.inf',
        'turned_gnp.exe',
        'unseen_.sys',
      ].toSorted(),
    );
  });
});
