/** Which driver package a system takes for a device: by the published rules of setup files (from memory), rule by rule. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { ProblemList, readInf } from '../../src/core/read/index.ts';
import { emptyFunction } from '../../src/core/parts/index.ts';
import {
  installingOf,
  modelsFor,
  pciIdentities,
  rankedDrivers,
  readSetupPackage,
  readTarget,
  type TargetSystem,
} from '../../src/core/drivers/index.ts';
import type { SetupPackage } from '../../src/core/document/index.ts';
import { TEN, packageText, randomPackage } from '../builders/inf.ts';
import { slowDriver } from '../builders/slowDrivers.ts';
import { soaked } from '../builders/soak.ts';

const SEED = 20261127;
const DEVICE = {
  ...emptyFunction('0000:01:00.0'),
  vendor: 0xf1a1,
  device: 0x2001,
  subsystem: { vendor: 0xf1a1, device: 0x0001 },
  classCode: 0x0200,
  revision: 2,
};
const IDENTITIES = pciIdentities(DEVICE);
const ELEVEN = { ...TEN, build: 22_631 };
const SEVEN = { ...TEN, major: 6, minor: 1, build: 7_601 };
const SERVER = { ...TEN, productType: 3, build: 17_763 };
const OLD_32 = { ...SEVEN, architecture: 'x86-32' } as const;
const ARM = { ...ELEVEN, architecture: 'arm64' } as const;

function packageOf(text: string, language?: number): SetupPackage {
  const problems = new ProblemList();
  const found = readSetupPackage(readInf(text, problems, language), problems);
  expect(problems.all).to.deep.equal([]);
  return found!;
}

describe('Sections of a setup file by system', () => {
  /** A file whose models differ by these decorations; the empty one stands for an undecorated section. */
  const taken = (decorations: readonly string[], system: TargetSystem): string | null => {
    const named = decorations.filter((each) => each !== '');
    const sections = decorations.map(
      (each) => `[M${each === '' ? '' : `.${each}`}]\n"Card" = I, PCI\\VEN_F1A1&DEV_2001`,
    );
    const of = packageOf(
      `[Version]\nSignature="$Windows NT$"\n[Manufacturer]\n"P" = M${named.map((each) => `,${each}`).join('')}\n${sections.join('\n')}`,
    );
    return modelsFor(of, system)[0]?.section.name ?? null;
  };
  const CASES: readonly (readonly [
    rule: string,
    readonly string[],
    TargetSystem,
    string | null,
  ])[] = [
    ['a 64-bit system takes no undecorated models', [''], TEN, null],
    ['a 32-bit one does', [''], OLD_32, 'M'],
    ['NT without architecture is for 32 bits', ['NT'], TEN, null],
    ['NT without architecture is for 32 bits', ['NT'], OLD_32, 'M.NT'],
    ['the architecture has to be the system’s', ['NTx86', 'NTamd64'], TEN, 'M.NTamd64'],
    ['the architecture has to be the system’s', ['NTamd64'], ARM, null],
    ['the architecture has to be the system’s', ['NTarm64', 'NTamd64'], ARM, 'M.NTarm64'],
    ['decorated goes before undecorated', ['', 'NTx86'], OLD_32, 'M.NTx86'],
    ['a version is the least that is served', ['NTamd64.10.0'], SEVEN, null],
    ['a version is the least that is served', ['NTamd64.6.1'], TEN, 'M.NTamd64.6.1'],
    [
      'the highest version that is not too high counts',
      ['NTamd64.6.1', 'NTamd64.6.3'],
      TEN,
      'M.NTamd64.6.3',
    ],
    [
      'the highest version that is not too high counts',
      ['NTamd64', 'NTamd64.10.0', 'NTamd64.6.1'],
      SEVEN,
      'M.NTamd64.6.1',
    ],
    [
      'a newer version of no system yet is left',
      ['NTamd64.6.1', 'NTamd64.11.0'],
      ELEVEN,
      'M.NTamd64.6.1',
    ],
    ['a build is the least that is served', ['NTamd64.10.0...22000'], TEN, null],
    [
      'a build is the least that is served',
      ['NTamd64.10.0', 'NTamd64.10.0...22000'],
      TEN,
      'M.NTamd64.10.0',
    ],
    [
      'the highest build that is not too high counts',
      ['NTamd64.10.0', 'NTamd64.10.0...17763', 'NTamd64.10.0...22000'],
      ELEVEN,
      'M.NTamd64.10.0...22000',
    ],
    ['a workstation is product type 1', ['NTamd64.10.0.3'], TEN, null],
    [
      'a server is product type 3',
      ['NTamd64.10.0.1', 'NTamd64.10.0.3'],
      SERVER,
      'M.NTamd64.10.0.3',
    ],
    [
      'a product type goes before none',
      ['NTamd64.10.0', 'NTamd64.10.0.1'],
      TEN,
      'M.NTamd64.10.0.1',
    ],
    [
      'the version goes before the product type',
      ['NTamd64.10.0', 'NTamd64.6.1.1'],
      TEN,
      'M.NTamd64.10.0',
    ],
    [
      'suites are bits that all have to be set',
      ['NTamd64.10.0', 'NTamd64.10.0.1.0x100'],
      TEN,
      'M.NTamd64.10.0',
    ],
    [
      'suites are bits that all have to be set',
      ['NTamd64.10.0', 'NTamd64.10.0.1.0x100'],
      { ...TEN, suites: 0x300 },
      'M.NTamd64.10.0.1.0x100',
    ],
    ['letters may be small or large', ['ntAMD64.10.0'], TEN, 'M.ntAMD64.10.0'],
  ];
  for (const [rule, decorations, system, wanted] of CASES)
    it(`${rule}: of ${decorations.map((each) => each || 'none').join(', ')} for ${system.architecture} ${system.major}.${system.minor}.${system.build}`, () => {
      expect(taken(decorations, system)).to.equal(wanted);
    });

  it('are only those that the maker’s line lists', () => {
    const of = packageOf(
      '[Version]\nSignature="$Windows NT$"\n[Manufacturer]\n"P" = M,NTamd64\n[M.NTamd64]\n"A"=I,PCI\\VEN_F1A1\n[M.NTamd64.10.0]\n"B"=I,PCI\\VEN_F1A1',
    );
    expect(modelsFor(of, TEN).map(({ section }) => section.name)).to.deep.equal(['M.NTamd64']);
  });

  it('are unsure where the build or the product that decides is not known', () => {
    const of = packageOf(
      '[Version]\nSignature="$Windows NT$"\n[Manufacturer]\n"P" = M,NTamd64.10.0...22000\n[M.NTamd64.10.0...22000]\n"A"=I,PCI\\VEN_F1A1',
    );
    expect(modelsFor(of, { ...TEN, build: null })[0]!.sure).to.equal(false);
    expect(modelsFor(of, ELEVEN)[0]!.sure).to.equal(true);
  });

  it('have decorations of a known form', () => {
    for (const wrong of [
      'amd64',
      'NTz80',
      'NTamd64.ten',
      'NTamd64.10.0.1.2.3.4',
      'NTamd64.10.0.1.0xZ',
    ])
      expect(readTarget(wrong), wrong).to.equal(null);
  });

  it('to install: decorated for the system, then NT, then plain; with services, features and what they draw on', () => {
    const of = packageOf(`[Version]
Signature="$Windows NT$"
[Manufacturer]
M=M
[M]
"I"=I,PCI\\A
"J"=J,PCI\\B
"K"=K,PCI\\C
[I.NTamd64.10.0]
FeatureScore=C0
Include=netrass.inf, other.inf
[I.NTamd64.10.0.Services]
AddService=helper,0x0,H
AddService=pendle,0x00000002,S
[I.NT]
[I]
[J]`);
    const ten = installingOf(of, 'I', TEN)!;
    expect(ten).to.deep.equal({
      of: 'i',
      decoration: 'ntamd64.10.0',
      section: 'i.ntamd64.10.0',
      services: [
        { name: 'pendle', isDevices: true },
        { name: 'helper', isDevices: false },
      ],
      featureScore: 0xc0,
      includes: ['netrass.inf', 'other.inf'],
    });
    expect(installingOf(of, 'I', SEVEN)!.section).to.equal('i.nt');
    expect(installingOf(of, 'J', TEN)!.section).to.equal('j');
    expect(installingOf(of, 'K', TEN)).to.equal(null);
  });
});

describe('Packages ranked for a device', () => {
  const BOARD = 'PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1';
  const made = (
    ids: string,
    { date = '02/01/2024', version = '1.0.0.0', signed = true, score = '' } = {},
  ) =>
    packageOf(`[Version]
Signature="$Windows NT$"
DriverVer=${date},${version}
${signed ? 'CatalogFile=a.cat' : ''}
[Manufacturer]
"P"=M,NTamd64
[M.NTamd64]
"Card"=I,${ids}
[I]
${score === '' ? '' : `FeatureScore=${score}`}`);
  const first = (...packages: readonly SetupPackage[]) =>
    packages.indexOf(rankedDrivers(IDENTITIES, TEN, packages)[0]!.package);

  it('are found by the device’s identities, the closest first', () => {
    // As the system itself lists them for a device; the board’s model comes before its maker.
    expect(IDENTITIES.hardware).to.deep.equal([
      `${BOARD}&REV_02`,
      BOARD,
      'PCI\\VEN_F1A1&DEV_2001&REV_02',
      'PCI\\VEN_F1A1&DEV_2001',
      'PCI\\VEN_F1A1&DEV_2001&CC_020000',
      'PCI\\VEN_F1A1&DEV_2001&CC_0200',
    ]);
    expect(IDENTITIES.compatible.at(-1)).to.equal('PCI\\CC_0200');
  });

  const RULES: readonly (readonly [string, () => number])[] = [
    [
      'the closer identity goes first, older as it may be',
      () => first(made('PCI\\VEN_F1A1&DEV_2001', { date: '02/01/2025' }), made(BOARD)),
    ],
    ['a revision goes before the bare board', () => first(made(BOARD), made(`${BOARD}&REV_02`))],
    [
      'the device’s own identity goes before what it is like',
      () => first(made('PCI\\CC_0200'), made('PCI\\VEN_F1A1&DEV_2001&CC_0200')),
    ],
    [
      'what the package names as its own goes before what it names as alike',
      () => first(made(`,${BOARD}`), made('PCI\\VEN_F1A1&DEV_2001')),
    ],
    [
      'a signature goes before everything else',
      () => first(made(BOARD, { signed: false }), made('PCI\\CC_0200')),
    ],
    [
      'features go before identities',
      () => first(made(BOARD, { score: 'FF' }), made('PCI\\VEN_F1A1&DEV_2001', { score: '10' })),
    ],
    [
      'of equals the later date',
      () => first(made(BOARD, { version: '9.0.0.0' }), made(BOARD, { date: '02/02/2024' })),
    ],
    [
      'of equals of one day the higher version, by number',
      () => first(made(BOARD, { version: '1.9.0.0' }), made(BOARD, { version: '1.10.0.0' })),
    ],
    ['of wholly equal ones the first', () => 1 - first(made(BOARD), made(BOARD))],
    [
      'a small letter is as good as a large one',
      () => first(made('PCI\\CC_0200'), made(BOARD.toLowerCase())),
    ],
  ];
  for (const [rule, answer] of RULES)
    it(rule, () => {
      expect(answer()).to.equal(1);
    });

  it('count nothing for a model without anything to install', () => {
    const empty = packageOf(
      `[Version]\nSignature="$Windows NT$"\n[Manufacturer]\n"P"=M,NTamd64\n[M.NTamd64]\n"Card"=I,${BOARD}`,
    );
    expect(rankedDrivers(IDENTITIES, TEN, [empty])).to.deep.equal([]);
  });

  it('name makers and devices in the language that is asked for, else in the plain one', () => {
    const text = `[Version]
Signature="$Windows NT$"
[Manufacturer]
%P%=M,NTamd64
[M.NTamd64]
%Card%=I,${BOARD}
[I]
[Strings]
P="Pendle Works"
Card="Network card"
[Strings.0407]
Card="Netzwerkkarte"`;
    expect(packageOf(text, 0x0407).makers[0]!).to.deep.include({ maker: 'Pendle Works' });
    const named = (language?: number) =>
      rankedDrivers(IDENTITIES, TEN, [packageOf(text, language)])[0]!.model.description;
    expect([named(0x0407), named(0x0409), named()]).to.deep.equal([
      'Netzwerkkarte',
      'Network card',
      'Network card',
    ]);
  });

  const jobs = soaked(200, 1_000);
  it(`are those that the slow way finds, for ${jobs} sets of packages on six systems (seed ${SEED})`, () => {
    const sets = fc.sample(fc.array(randomPackage, { minLength: 1, maxLength: 4 }), {
      numRuns: jobs,
      seed: SEED,
    });
    let found = 0;
    for (const specs of sets) {
      const packages = specs.map((spec) => packageOf(packageText(spec)));
      for (const system of [TEN, ELEVEN, SEVEN, SERVER, OLD_32, ARM]) {
        const [ours] = rankedDrivers(IDENTITIES, system, packages);
        const theirs = slowDriver(specs, IDENTITIES, system);
        expect(
          ours === undefined
            ? null
            : {
                package: packages.indexOf(ours.package),
                install: ours.model.install,
                identity: ours.match.identity,
              },
        ).to.deep.equal(
          theirs && { package: theirs.package, install: theirs.install, identity: theirs.identity },
        );
        found += theirs === null ? 0 : 1;
      }
    }
    expect(found).to.be.within(jobs * 3, jobs * 6 - 1);
  });

  it('say where a file is wrong', () => {
    const problems = new ProblemList();
    const inf = readInf(
      'stray\n[Version]\nSignature="$Windows NT$"\nDriverVer=13/40/2020,1\n[Manufacturer]\n%P%=M,NTz80\n[open',
      problems,
    );
    expect(readSetupPackage(inf, problems)).to.not.equal(null);
    expect(problems.all.map(({ code, line }) => [code, line])).to.deep.equal([
      ['setup.outsideSection', 1],
      ['setup.sectionOpen', 7],
      ['setup.stringMissing', 6],
      ['setup.release', 4],
      ['setup.target', 6],
    ]);
    const none = new ProblemList();
    expect(readSetupPackage(readInf('[A]\nb=c', none), none)).to.equal(null);
    expect(none.all.map(({ code }) => code)).to.deep.equal(['setup.versionMissing']);
  });
});
