/** Setup information files as a careless maker might write them: every way of the syntax, in three encodings. */
import fc from 'fast-check';
import type { TargetSystem } from '../../src/core/drivers/index.ts';

/** A workstation of version 10 and no newer a build. */
export const TEN: TargetSystem = {
  architecture: 'x86-64',
  major: 10,
  minor: 0,
  productType: 1,
  suites: 0,
  build: 19_045,
};

const WORDS = [
  'Harbour',
  'Mole 4',
  'net',
  'x',
  'Straße',
  'né',
  'a b',
  'PCI\\VEN_1AF4&DEV_0001',
  '0x10',
];
const NAMES = ['Maker', 'Card.Name', 'Disk1', 'a-b'];

const blanks = fc.constantFrom('', '', ' ', '\t', '  ');
const quoted = fc
  .constantFrom('one, two', 'a ""word""', ' held ', 'a;b', 'x=y', '50%% more', '%Maker% inside', '')
  .map((text) => `"${text}"`);
const plain = fc.constantFrom(...WORDS, ...NAMES.map((name) => `%${name}%`), '%none%', '100%%', '');
/** Quotes may stand in the middle of a field as well. */
const field = fc
  .tuple(
    blanks,
    fc.oneof(
      plain,
      plain,
      quoted,
      fc.tuple(plain, quoted).map(([a, b]) => a + b),
    ),
    blanks,
  )
  .map((parts) => parts.join(''));
const remark = fc.constantFrom('', '', '', ' ; a remark', ';"not a string', '; [none]');
/** Where a line may be led on in the next. */
const comma = fc.constantFrom(',', ', ', ',\\\n   ', ', \\ \n', ',\\ ; led on\n\t');
const values = fc
  .array(fc.tuple(field, comma), { minLength: 0, maxLength: 4 })
  .chain((parts) => field.map((last) => parts.map(([a, b]) => a + b).join('') + last));
const key = fc.constantFrom('Key', 'AddReg', '%Maker%', '"quoted key"', 'Device', 'x y', '');
const line = fc.oneof(
  fc.tuple(key, blanks, values, remark).map(([k, b, v, r]) => `${k}${b}=${v}${r}`),
  fc.tuple(values, remark).map(([v, r]) => `${v}${r}`),
  fc.constantFrom('', '; only a remark', '   ', '  ; another'),
);
const section = fc
  .tuple(
    fc.constantFrom('Version', 'Manufacturer', 'Models.NTamd64.10.0', 'Install', 'install', 'A B'),
    fc.array(line, { maxLength: 8 }),
    fc.constantFrom('', ' ; of it', '   '),
  )
  .map(([name, lines, after]) => `[${name}]${after}\n${lines.join('\n')}`);

const strings = (name: string, language: string) =>
  `[${name}]\nMaker = "Pendle ${language}"\nCard.Name = "Creek, ""4"" ${language}" ; as sold\nDisk1 = plain text\n"a-b" = %%`;

/** Text as an editor shows it; lines end in a line feed. */
export const randomInf: fc.Arbitrary<string> = fc
  .tuple(fc.array(section, { minLength: 1, maxLength: 7 }), fc.boolean(), fc.boolean())
  .map(([sections, first, localised]) => {
    const own = strings('Strings', 'plain');
    const all = [
      '; a file of nobody\n[Version]\nSignature = "$Windows NT$"',
      ...(first ? [own] : []),
      ...sections,
      ...(first ? [] : [own]),
      ...(localised ? [strings('Strings.0409', 'US'), strings('Strings.0407', 'DE')] : []),
    ];
    return `${all.join('\n\n')}\n`;
  });

export const INF_ENCODINGS = ['utf-16le', 'utf-8', 'windows-1252'] as const;

/** With the mark that the encoding wants at the beginning, and the line ends that such files have. */
export function encodedInf(text: string, encoding: (typeof INF_ENCODINGS)[number]): Uint8Array {
  const lines = text.replaceAll('\n', '\r\n');
  if (encoding === 'windows-1252') return Buffer.from(lines, 'latin1');
  return Buffer.from(`\uFEFF${lines}`, encoding === 'utf-8' ? 'utf8' : 'utf16le');
}

/** A whole package: makers with models by system, and what is installed for each. */
export interface PackageSpec {
  readonly date: string;
  readonly version: string;
  readonly signed: boolean;
  readonly makers: readonly (readonly SectionSpec[])[];
  readonly installs: readonly InstallSpec[];
}
export interface SectionSpec {
  /** Empty: undecorated. */
  readonly decoration: string;
  readonly models: readonly {
    readonly install: number;
    readonly hardware: string;
    readonly compatible: readonly string[];
  }[];
}
interface InstallSpec {
  readonly decoration: string;
  readonly score: number | null;
}

/** @param date as ISO; written as such files have it */
export function packageText({ date, version, signed, makers, installs }: PackageSpec): string {
  const [year, month, day] = date.split('-');
  const dotted = (name: string, decoration: string) =>
    decoration === '' ? name : `${name}.${decoration}`;
  const listed = makers.map((sections, m) => {
    const decorations = sections.map(({ decoration }) => decoration).filter((each) => each !== '');
    return `%Maker${m}% = Models${m}${decorations.map((each) => `, ${each}`).join('')}`;
  });
  const models = makers.flatMap((sections, m) =>
    sections.map(
      ({ decoration, models: lines }) =>
        `[${dotted(`Models${m}`, decoration)}]\n${lines
          .map(({ install, hardware, compatible }) =>
            [`"Device ${install}" = Install${install}`, hardware, ...compatible].join(', '),
          )
          .join('\n')}`,
    ),
  );
  return [
    `[Version]\nSignature = "$Windows NT$"\nClass = Net\nDriverVer = ${month}/${day}/${year}, ${version}`,
    signed ? 'CatalogFile = all.cat' : '',
    `[Manufacturer]\n${listed.join('\n')}`,
    ...models,
    ...installs.map(
      ({ decoration, score }, n) =>
        `[${dotted(`Install${n}`, decoration)}]\nCopyFiles = a${score === null ? '' : `\nFeatureScore = ${score.toString(16)}`}`,
    ),
    `[Strings]\n${makers.map((_, m) => `Maker${m} = "Pendle ${m}"`).join('\n')}`,
  ].join('\n\n');
}

const DECORATIONS = [
  '',
  'NTx86',
  'NTamd64',
  'NTarm64',
  'NTamd64.6.1',
  'NTamd64.6.3',
  'NTamd64.10.0',
  'NTamd64.10.0...17763',
  'NTamd64.10.0...22000',
  'NTamd64.10.0.1',
  'NTamd64.10.0.3',
  'NTamd64.6.1.1',
  'NTx86.5.1',
  'NTamd64.11.0',
  'NTamd64.10.0.1.0x100',
];
/** Names of one device, from its own to those of anything of its class. */
const SOME_IDENTITIES = [
  'PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1&REV_02',
  'PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1',
  'PCI\\VEN_F1A1&DEV_2001&REV_02',
  'PCI\\VEN_F1A1&DEV_2001',
  'PCI\\VEN_F1A1&DEV_2001&CC_0200',
  'PCI\\VEN_F1A1&CC_020000',
  'PCI\\CC_0200',
  'PCI\\VEN_F1A1&DEV_2002',
  'pci\\ven_f1a1&dev_2001',
];
const identity = fc.constantFrom(...SOME_IDENTITIES);

export const randomPackage: fc.Arbitrary<PackageSpec> = fc.record({
  date: fc.constantFrom('2019-03-04', '2023-11-20', '2024-02-01'),
  version: fc.constantFrom('1.2.3.4', '10.0.0.1', '9.30.0.2', '1.2.10.0'),
  signed: fc.boolean(),
  makers: fc.array(
    fc
      .uniqueArray(fc.constantFrom(...DECORATIONS), { minLength: 1, maxLength: 5 })
      .chain((decorations) =>
        fc.tuple(
          ...decorations.map((decoration) =>
            fc.record({
              decoration: fc.constant(decoration),
              models: fc.array(
                fc.record({
                  install: fc.nat(3),
                  hardware: fc.oneof(identity, fc.constant('')),
                  compatible: fc.array(identity, { maxLength: 2 }),
                }),
                { minLength: 1, maxLength: 3 },
              ),
            }),
          ),
        ),
      ),
    { minLength: 1, maxLength: 2 },
  ),
  installs: fc.array(
    fc.record({
      decoration: fc.constantFrom('', 'NT', 'NTamd64', 'NTx86', 'NTamd64.10.0'),
      score: fc.constantFrom(null, 0x10, 0xc0),
    }),
    { minLength: 4, maxLength: 4 },
  ),
});
