/** Driver packages as they are dropped: what each would drive in a machine, and what it would take over besides. */
import { expect } from 'chai';
import { strToU8 } from 'fflate';
import { emptyFunction, type PciFunction } from '../../src/core/parts/index.ts';
import {
  inspectPackages,
  nameInArchive,
  type PackageInspection,
} from '../../src/core/drivers/index.ts';
import type { Machine } from '../../src/core/document/index.ts';
import { network } from '../../demo/catalogue/row.ts';
import { encodedInf } from '../builders/inf.ts';
import { packageFile } from '../builders/packages.ts';
import { aCard, aMachine, aSlot, told } from '../builders/parts.ts';

const fn = (address: string, over: Partial<PciFunction>): PciFunction => ({
  ...emptyFunction(address),
  vendor: 0xf1a1,
  classCode: 0x0200,
  ...over,
});
const WIRED = fn('0000:02:00.0', { device: 0x2001, name: 'Pendle wired port' });
const WORKING = fn('0000:03:00.0', { device: 0x2009, driver: 'Pendle 3.1.0.0 (pendle)' });
const PICTURE = fn('0000:01:00.0', {
  device: 0x3001,
  classCode: 0x0300,
  driver: 'System 10.0.1 (basicdisplay)',
});

const machineOn = (
  system: Partial<Machine['system']>,
  ...functions: readonly PciFunction[]
): Machine => {
  const plain = aMachine([aSlot(1)]);
  return {
    ...plain,
    functions,
    system: { ...plain.system, name: null, build: null, ...system },
  };
};
const ELEVEN = {
  family: told('windows' as const),
  version: told('11'),
  architecture: told('x86-64' as const),
};

const setup = (models: string, { version = '2.0.0.0', decoration = 'NTamd64' } = {}) =>
  `[Version]
Signature = "$Windows NT$"
Provider = %P%
Class = Net
DriverVer = 02/01/2025, ${version}
CatalogFile = p.cat
[Manufacturer]
%P% = M, ${decoration}
[M.${decoration}]
${models}
[I]
CopyFiles = F
[Strings]
P = "Pendle Works"`;

const looked = (
  content: string | Uint8Array,
  machine: Machine,
  { name = 'net.inf', cards = [] as Parameters<typeof inspectPackages>[2] } = {},
) => inspectPackages([packageFile(name, content)], machine, cards);
const drives = ({ packages }: ReturnType<typeof looked>) =>
  packages.map((each: PackageInspection) =>
    each.drives.map(({ name, listedAs }) => [name, listedAs]),
  );

describe('Driver packages at hand', () => {
  const machine = machineOn(ELEVEN, WIRED, WORKING, PICTURE);
  const OWN = '"Pendle Mole 1" = I, PCI\\VEN_F1A1&DEV_2001';

  it('say which devices they drive, by which name those will be listed, and how closely they name them', () => {
    const [only] = looked(encodedInf(setup(OWN), 'utf-16le'), machine).packages;
    expect(only).to.deep.include({
      kind: 'setup',
      provider: 'Pendle Works',
      release: { date: '2025-02-01', version: '2.0.0.0' },
      hasCatalogue: true,
      sections: [{ name: 'M.NTamd64', sure: true }],
      models: 1,
      problems: [],
    });
    expect(only!.drives).to.deep.equal([
      {
        id: WIRED.address,
        name: 'Pendle wired port',
        isPlanned: false,
        listedAs: 'Pendle Mole 1',
        match: {
          identity: 'PCI\\VEN_F1A1&DEV_2001',
          isDevices: true,
          isPackages: true,
          // Of a device without a board's own identity.
          place: 1,
        },
        now: null,
        isNowGeneric: false,
        against: null,
        isOutranked: false,
        isUnasked: false,
      },
    ]);
  });

  it('tell a device that works from one that is taken over unasked, and a basic driver from one of its own', () => {
    const broad = setup('"Any port" = I, , PCI\\CC_0200\n"Any picture" = I, PCI\\CC_0300');
    const found = new Map(
      looked(broad, machine).packages[0]!.drives.map((each) => [each.id, each]),
    );
    expect(found.get(WORKING.address)).to.include({ isUnasked: true, now: WORKING.driver });
    expect(found.get(WIRED.address)).to.include({ isUnasked: false, now: null });
    expect(found.get(PICTURE.address)).to.include({ isUnasked: false, isNowGeneric: true });
  });

  it('are held against the version that runs, number by number', () => {
    const against = (version: string) =>
      looked(setup('"P" = I, PCI\\VEN_F1A1&DEV_2009', { version }), machine).packages[0]!.drives[0]!
        .against;
    expect(['3.1.0.1', '3.1.0.0', '3.0.9.9', '3.10.0.0'].map(against)).to.deep.equal([
      'newer',
      'same',
      'older',
      'newer',
    ]);
  });

  it('are held against each other: one is taken, and the others are said to stand behind it', () => {
    const { packages } = inspectPackages(
      [packageFile('a.inf', setup(OWN)), packageFile('b.inf', setup(OWN, { version: '2.0.1.0' }))],
      machine,
      [],
    );
    expect(packages.map((each) => each.drives[0]!.isOutranked)).to.deep.equal([true, false]);
  });

  it('drive the plan’s cards before they are in', () => {
    const card = aCard({
      maker: 'Pendle',
      model: 'Mole 2',
      ids: { vendor: 0xf1a1, device: 0x2002, class24: 0x020000 },
      delivers: network(1, [1000]),
    });
    const text = setup('"Pendle Mole 2" = I, PCI\\VEN_F1A1&DEV_2002');
    const [only] = looked(text, machine, { cards: [card] }).packages;
    expect(only!.drives).to.have.length(1);
    expect(only!.drives[0]).to.include({ name: 'Pendle Mole 2', isPlanned: true });
  });

  it('say which systems they are for where none of it is for this one, and what is not known', () => {
    const arm = looked(setup(OWN, { decoration: 'NTarm64.10.0' }), machine).packages[0]!;
    expect([arm.sections, arm.allSections, arm.drives]).to.deep.equal([[], ['M.NTarm64.10.0'], []]);
    const late = setup(OWN, { decoration: 'NTamd64.10.0...22631' });
    // The name “11” says only that the build is 22000 at least.
    expect(looked(late, machine).packages[0]!.sections).to.deep.equal([
      { name: 'M.NTamd64.10.0...22631', sure: false },
    ]);
    const early = setup(OWN, { decoration: 'NTamd64.10.0...22000' });
    expect(looked(early, machine).packages[0]!.sections[0]!.sure).to.equal(true);
    const told11 = machineOn({ ...ELEVEN, build: told('10.0.22631') }, WIRED);
    expect(drives(looked(late, told11))).to.deep.equal([[['Pendle wired port', 'Pendle Mole 1']]]);
    expect(looked(setup(OWN), machineOn({ ...ELEVEN, version: null }, WIRED)).takesSetup).to.equal(
      'unknown',
    );
    const linux = machineOn({ ...ELEVEN, family: told('linux') }, WIRED);
    expect(looked(setup(OWN), linux)).to.deep.include({ takesSetup: 'no' });
  });

  it('come in archives, and as lists of kernel modules, loadable or built in', () => {
    const name = nameInArchive('pendle.zip', 'drivers/net.inf');
    const inZip = looked(strToU8(setup(OWN)), machine, { name });
    expect(inZip.packages.map(({ name }) => name)).to.deep.equal(['pendle.zip › drivers/net.inf']);
    expect(drives(inZip)).to.deep.equal([[['Pendle wired port', 'Pendle Mole 1']]]);
    const pattern = 'pci:v0000F1A1d00002001sv*sd*bc*sc*i*';
    const aliases = looked(`alias ${pattern} pendle-net\n`, machine, { name: 'modules.alias' });
    expect(drives(aliases)).to.deep.equal([[['Pendle wired port', 'pendle_net']]]);
    const modinfo = strToU8(`pendle.license=GPL\0pendle.alias=${pattern}\0other.alias=of:N*\0`);
    const builtIn = looked(modinfo, machine, { name: 'boot/modules.builtin.modinfo' });
    expect(drives(builtIn)).to.deep.equal([[['Pendle wired port', 'pendle']]]);
  });

  it('that are no packages, or damaged, are counted or told with their place, and change nothing', () => {
    expect(looked('Dear customer', machine, { name: 'letter.txt' })).to.deep.include({
      packages: [],
      others: 1,
    });
    expect(looked(strToU8('PK\u0003\u0004 cut'), machine, { name: 'cut.zip' })).to.deep.include({
      packages: [],
      others: 1,
    });
    const broken = looked('[Version\nClass=Net', machine).packages[0]!;
    expect(broken.problems.map(({ code, line }) => [code, line])).to.deep.equal([
      ['setup.sectionOpen', 1],
      ['setup.outsideSection', 2],
      ['setup.versionMissing', undefined],
    ]);
  });
});
