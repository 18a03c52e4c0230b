/**
 * Readers take time in proportion to what they read, whatever it is: twice the input, at most 2.3 times the steps
 * (linear, or n log n). Steps are counted, not timed.
 */
import { countSteps } from './steps.ts';
import { expect } from 'chai';
import {
  ProblemList,
  readEvidence,
  readInf,
  readJobFile,
  type EvidenceFile,
  type FileReport,
} from '../../src/core/read/index.ts';
import { emptyFunction } from '../../src/core/parts/index.ts';
import { emptyMachine } from '../../src/core/document/index.ts';
import { matchColumns, readCatalogueTable, readRows } from '../../src/core/catalogue/index.ts';
import { pciIdentities, rankedDrivers, readSetupPackage } from '../../src/core/drivers/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { EVERY_KIND } from '../builders/evidence.ts';
import { hexText } from '../builders/configSpace.ts';
import { TEN } from '../builders/inf.ts';
import { ascii, buildTable } from '../builders/smbios.ts';

const MOST_GROWTH = 2.3;

type Content = string | Uint8Array;
type EvidenceKind = NonNullable<FileReport['kind']>;

/** As JSON writes it, and as good in a table. */
const ID = 'PCI\\\\VEN_F1A1&DEV_2001';
const times = (count: number, part: (n: number) => string): string =>
  Array.from({ length: count }, (_, n) => part(n)).join('');
const hex = (n: number, digits: number): string =>
  (n % 16 ** digits).toString(16).padStart(digits, '0');
const place = (n: number): string => `${hex(n >> 8, 2)}:${hex((n >> 3) & 31, 2)}.${n & 7}`;

/** What a reader stumbled over once, each with its neighbours: the kind it is taken for, a size, and the input. */
const INPUTS: Readonly<
  Record<string, readonly [kind: EvidenceKind | null, size: number, input: (n: number) => Content]>
> = {
  'blanks behind what looks like base64': [null, 2000, (n) => `AAAAAAAA${' '.repeat(n)}!`],
  'base64 with blanks everywhere': [null, 40, (n) => `${'AA '.repeat(n)}!`],
  'base64 that ends well': [null, 100, (n) => 'Wxyz'.repeat(n)],
  'hexadecimal that ends well': [null, 100, (n) => '0x00, '.repeat(n)],
  'hexadecimal that ends badly': [null, 40, (n) => `${'0x00, '.repeat(n)}!`],
  'a property list that breaks off': [
    'hardwareReport',
    300,
    (n) => `<plist><array><string>SPPCIDataType</string>${'<<a '.repeat(n)}`,
  ],
  'a property list with what it does not know': [
    'hardwareReport',
    300,
    (n) => `<plist><array><string>SPPCIDataType</string>${'<dict>&x;</dict> '.repeat(n)}`,
  ],
  'blanks behind a field of os-release': [
    'osRelease',
    1000,
    (n) => `PRETTY_NAME=x${' '.repeat(n)}y${' '.repeat(n)}`,
  ],
  'quotes in os-release': ['osRelease', 2000, (n) => `PRETTY_NAME="${'" '.repeat(n)}y`],
  'digits in uname': ['uname', 2000, (n) => `Linux ${'1.1'.repeat(n)} \u2028`],
  'names in uname': ['uname', 1000, (n) => 'Linux 1.1a b\n'.repeat(n)],
  'blank lines of ethtool': ['ethtool', 2000, (n) => `Settings for a:\n${'\n'.repeat(n)}x`],
  'lists of ethtool that go on': [
    'ethtool',
    300,
    (n) => `Settings for a:\n Supported link modes: x\n${'  \n'.repeat(n)}Z`,
  ],
  'digits as link modes': [
    'ethtool',
    2000,
    (n) => `Settings for a:\n Supported link modes: ${'1'.repeat(n)}`,
  ],
  'link modes without an end': [
    'ethtool',
    1000,
    (n) => `Settings for a:\n Supported link modes: ${'1base'.repeat(n)}`,
  ],
  'many ports of ethtool': [
    'ethtool',
    200,
    (n) => times(n, (k) => `Settings for p${k}:\n\tSpeed: 10Mb/s\n`),
  ],
  'many ports of ip': [
    'ipLink',
    200,
    (n) => `[${times(n, (k) => `{"ifname":"p${k}","link_type":"ether","operstate":"UP"},`)}1]`,
  ],
  'drivers of one device': [
    'lspciMachine',
    500,
    (n) => `Slot:\t00:1f.6\n${'Module:\tx\n'.repeat(n)}`,
  ],
  'figures that never become a copy': [
    'copies',
    500,
    (n) => `1+0 records out\n${'1'.repeat(n)} x (`,
  ],
  'brackets behind figures of a copy': [
    'copies',
    500,
    (n) => `1+0 records out\n12 bytes (${'a '.repeat(n)}\n`,
  ],
  'blanks before a rate': ['copies', 500, (n) => `1+0 records out\n:${' '.repeat(n)}1 Bytes/s\n`],
  'thousands of a rate': ['copies', 500, (n) => `1+0 records out\nx: ${'1,'.repeat(n)} Bytes/s\n`],
  'many copies': ['copies', 200, (n) => '12 bytes (12 B) copied, 3 s, 4 B/s\n'.repeat(n)],
  'intervals of iperf3': [
    'iperf3',
    200,
    (n) => `{"start":{"version":"iperf 3.1"},"intervals":[${'{"sum":{"bytes":1}},'.repeat(n)}1]}`,
  ],
  'drives of hdparm': [
    'hdparm',
    100,
    (n) => ' Timing buffered disk reads:  64 MB in  0.10 seconds = 663.17 MB/sec\n'.repeat(n),
  ],
  'jobs of fio': ['fio', 100, (n) => `{"fio version":"f","jobs":[${'{"error":1},'.repeat(n)}{}]}`],
  'brackets that are no JSON': ['fio', 500, (n) => `"fio version":\n${'{['.repeat(n)}`],
  'rates of a radio': [
    'radio',
    300,
    (n) => `Rate (Mbps)  : 1${'\ntx bitrate: 1.0 MBit/s'.repeat(n)}`,
  ],
  'columns of a table of runs': ['resultTable', 200, (n) => `MB/s,x\n1${',"'.repeat(n)}`],
  'rows of a table of runs': ['resultTable', 200, (n) => `MB/s,x\n${'1,2\n'.repeat(n)}`],
  'devices of -vmm': [
    'lspciMachine',
    150,
    (n) =>
      times(
        n,
        (k) => `Slot:\t${place(k)}\nClass:\tA [0200]\nVendor:\tB [f1a1]\nDevice:\tC [2001]\n\n`,
      ),
  ],
  'devices of pciconf': [
    'pciconf',
    100,
    (n) =>
      times(
        n,
        (k) =>
          `em${k}@pci0:${k % 256}:${k % 32}:0:\tclass=0x020000 rev=0x01 vendor=0xf1a1 device=0x2001\n    cap 10[70] = PCI-Express 2 endpoint max data 128\n link x1(x4) speed 2.5(8.0)\n`,
      ),
  ],
  'fields of one device of pciconf': [
    'pciconf',
    60,
    (n) => `em0@pci0:1:0:0:\tclass=0x020000 ${'rev=0x01 '.repeat(n)}\n`,
  ],
  'capabilities of one device of pciconf': [
    'pciconf',
    200,
    (n) =>
      `em0@pci0:1:0:0:\tclass=0x020000 rev=0x01\n${'    cap 10[70] = PCI-Express 2 endpoint\n'.repeat(n)}`,
  ],
  'devices on one line of a kernel’s messages': [
    'attached',
    60,
    (n) => `pci1: <b> on pcib1\nem0: <${' at device 0.0'.repeat(n)}`,
  ],
  'buses of a kernel’s messages': [
    'attached',
    200,
    (n) => times(n, (k) => `pci${k}: <b> on pcib${k}\nem${k}: <m> at device 0.0 on pci${k}\n`),
  ],
  'classes in a heading': ['lspci', 100, (n) => `00:00.0 ${'[0000]: '.repeat(n)}[0000:0000`],
  'halves of identities in a heading': [
    'lspci',
    100,
    (n) => `00:00.0 ${'[0000]: [0000:000 '.repeat(n)}`,
  ],
  'identities in a heading': [
    'lspci',
    100,
    (n) => `00:00.0 A [0300]: ${'[0000:0000] '.repeat(n)}x`,
  ],
  'devices of lspci': [
    'lspci',
    200,
    (n) => times(n, (k) => `${place(k)} A [0300]: B [f1a0:0001]\n`),
  ],
  'capabilities of one device': [
    'lspci',
    300,
    (n) =>
      `00:00.0 A [0604]: B [f1a0:0001]\n${'Capabilities: [40] Express (v2) Root Port (Slot+), x\n'.repeat(n)}`,
  ],
  'registers of many devices': [
    'lspci',
    20,
    (n) => times(n, (k) => hexText(place(k), new Uint8Array(256))),
  ],
  'nested lists': [
    'deviceList',
    1000,
    (n) => `[{"InstanceId":"${ID}"},${'['.repeat(n)}${']'.repeat(n)}]`,
  ],
  'a field of nested lists': [
    'deviceList',
    1000,
    (n) => `[{"InstanceId":"${ID}","Name":${'['.repeat(n)}${']'.repeat(n)}}]`,
  ],
  'digits in places': [
    'deviceList',
    60,
    (n) => `InstanceId,Location\n${`${ID},${'1'.repeat(20)}\n`.repeat(n)}`,
  ],
  'digits in one place': ['deviceList', 900, (n) => `InstanceId,Location\n${ID},${'1'.repeat(n)}`],
  'columns and rows of a device list': [
    'deviceList',
    200,
    (n) => `InstanceId${',x'.repeat(n)}\n${`${ID},y,y\n`.repeat(n)}`,
  ],
  'quotes of a device list': ['deviceList', 500, (n) => `InstanceId\n${'"a"\n'.repeat(n)}`],
  'quotes that do not end': ['deviceList', 500, (n) => `InstanceId,b\n${'"a" "'.repeat(n)}`],
  'cards of a hardware report': [
    'hardwareReport',
    300,
    (n) =>
      `PCI:\n\n${times(n, (k) => `    Card ${k}:\n\n      Vendor ID: 0xf1a1\n      Device ID: 0x${hex(k, 4)}\n      Slot: Slot-${k}\n`)}`,
  ],
  'headings of a hardware report, up and down': [
    'hardwareReport',
    300,
    (n) => `PCI:\n${times(n, (k) => `${' '.repeat((k % 24) + 1)}a:\n`)}`,
  ],
  'sections of a hardware report as JSON': [
    'hardwareReport',
    300,
    (n) => `{"SPPCIDataType":[${times(n, (k) => `{"_name":"c${k}","_items":[]},`)}{}]}`,
  ],
  'open lists of a property list': [
    'hardwareReport',
    300,
    (n) => `<plist><array><dict><string>SPPCIDataType</string>${'<array>'.repeat(n)}`,
  ],
  'entities of a property list': [
    'hardwareReport',
    300,
    (n) =>
      `<plist><array><dict><key>_dataType</key><string>SPPCIDataType</string><key>_items</key><array>${'<dict><key>a</key><string>&amp;</string></dict>'.repeat(n)}</array></dict></array></plist>`,
  ],
  'a text of a property list': [
    'hardwareReport',
    2000,
    (n) => `<plist><array><string>SPPCIDataType</string><string>${'x &amp; '.repeat(n)}`,
  ],
  'patterns of drivers': [
    'modulesAlias',
    300,
    (n) => times(n, (k) => `alias pci:v*d*sv*sd*bc${hex(k, 2).toUpperCase()}sc00i* m${k}\n`),
  ],
  'stars of drivers': ['modulesAlias', 300, (n) => `alias pci:${'*0'.repeat(n)}Z m\n`],
  'names of devices': [
    'pciIds',
    500,
    (n) => `# List of PCI ID's\n${times(n, (k) => `${hex(k, 4)}  A\n`)}`,
  ],
  'fields of a firmware report': [
    'dmidecode',
    500,
    (n) => `Handle 0x0001, DMI type 9, 17 bytes\n${times(n, (k) => `\tF${k}: x\n`)}`,
  ],
  'slots of a firmware report': [
    'dmidecode',
    200,
    (n) =>
      times(
        n,
        (k) =>
          `Handle 0x0001, DMI type 9, 17 bytes\n\tDesignation: S${k}\n\tType: x16 PCI Express 3 x16\n\tID: ${k}\n`,
      ),
  ],
  'slots of a firmware table': [
    'firmwareTable',
    200,
    (n) =>
      buildTable(
        Array.from({ length: n }, (_, k) => ({
          type: 9,
          body: [1, 0xb5, 0x0b, 3, 4, k & 0xff, k >> 8, 4, 0, 0xff, 0xff, 0xff, 0xff],
          strings: [ascii(`S${k}`)],
        })),
      ),
  ],
  'parts of a bundle': ['bundle', 300, (n) => `tenant-survey 1\n${'== a\n b\n'.repeat(n)}== end\n`],
};

const reading = (name: string, content: Content) => () => {
  const evidence = readEvidence([{ name, content }]);
  takeEvidence(emptyMachine(), evidence);
};

/** Ports that all say they have the same slot, each with a device behind it. */
const portsWithOneSlot = (n: number): string =>
  times(
    n,
    (k) =>
      `${place(k)} A [0604]: B [f1a0:0001]\n\tBus: primary=00, secondary=${hex(k, 2)}, subordinate=${hex(k, 2)}\n` +
      '\tCapabilities: [40] Express (v2) Downstream Port (Slot+), x\n\t\tLnkCap: Port #1, Speed 8GT/s, Width x4\n' +
      '\t\tLnkSta: Speed 8GT/s, Width x4\n\t\tSlot #1, PowerLimit 75W\n',
  );

/** Steps for an input of a size and of twice that, the second over the first. */
function growth(work: (n: number) => () => void, size: number): number {
  const [once, twice] = [work(size), work(2 * size)];
  // What is only done the first time – tables filled, patterns read – is not the input's.
  once();
  return countSteps(twice) / countSteps(once);
}

describe('Steps of reading', () => {
  for (const [what, [kind, size, input]] of Object.entries(INPUTS)) {
    it(`grow with ${what} no faster than the input`, () => {
      const name = kind === 'pciIds' ? 'pci.ids' : 'file';
      // The input reaches the reader it is meant for.
      expect(readEvidence([{ name, content: input(size) }]).files[0]?.kind).to.equal(kind);
      expect(growth((n) => reading(name, input(n)), size)).to.be.at.most(MOST_GROWTH);
    });
  }

  it('grow with ports of one slot number no faster than they do, the merge included', () => {
    const evidence = (n: number) =>
      readEvidence([{ name: 'l', content: portsWithOneSlot(n) }] satisfies EvidenceFile[]);
    const merging = (n: number) => {
      const read = evidence(n);
      return () => void takeEvidence(emptyMachine(), read);
    };
    expect(growth(merging, 120)).to.be.at.most(MOST_GROWTH);
    expect(growth((n) => () => void evidence(n), 120)).to.be.at.most(MOST_GROWTH);
  });

  it('grow with devices and the patterns they are held against no faster than both together', () => {
    const files = (n: number): EvidenceFile[] => [
      { name: 'l', content: times(n, (k) => `${place(k)} A [0300]: B [f1a0:${hex(k, 4)}]\n`) },
      {
        name: 'm',
        content: times(n, (k) => `alias pci:v*d0000${hex(k, 4).toUpperCase()}sv*sd*bc*sc*i* m\n`),
      },
    ];
    expect(growth((n) => () => void readEvidence(files(n)), 500)).to.be.at.most(MOST_GROWTH);
  });

  it('grow with every kind of evidence, said over and over, no faster than it', () => {
    for (const { name, content } of EVERY_KIND) {
      const text = typeof content === 'string' ? content : Buffer.from(content).toString('latin1');
      const again = (n: number): Content =>
        typeof content === 'string'
          ? text.repeat(n)
          : Uint8Array.from(Buffer.from(text.repeat(n), 'latin1'));
      expect(
        growth((n) => reading(name, again(n)), 2),
        name,
      ).to.be.at.most(MOST_GROWTH);
    }
  });

  it('grow with setup files and what they name no faster than they do', () => {
    const head = '[Version]\nSignature="x"\n';
    const ranked = (text: string) => () => {
      const problems = new ProblemList();
      const read = readSetupPackage(readInf(text, problems), problems);
      if (read !== null) rankedDrivers(pciIdentities(emptyFunction('0000:00:00.0')), TEN, [read]);
    };
    for (const text of [
      (n: number) => `[a]\n${'"'.repeat(n)}`,
      (n: number) => `[a]\n${'"x" '.repeat(n)}`,
      (n: number) => `[a]\n${'"\n'.repeat(n)}`,
      (n: number) => `[a]\n${'\\ '.repeat(n)}`,
      (n: number) => `[a]\nb=${'c,\\\n'.repeat(n)}`,
      (n: number) => `[a]\nb=${'%'.repeat(n)}\nc=${'%d'.repeat(n)}`,
      (n: number) => times(n, (k) => `[s${k}\n[s${k}]\n`),
      (n: number) =>
        `${head}[Manufacturer]\na=M,NTamd64\n[M.NTamd64]\n${times(n, (k) => `d=I${k},PCI\\CC_0000\n`)}${times(n, (k) => `[I${k}.NTamd64]\n`)}`,
      (n: number) =>
        `${head}[Manufacturer]\na=M${',NTamd64'.repeat(n)}\n[M.NTamd64]\n${times(n, (k) => `d=I,PCI\\CC_${k}\n`)}`,
      (n: number) =>
        `${head}[Manufacturer]\n${'a=M,NTamd64\n'.repeat(n)}[M.NTamd64]\n${'d=I,PCI\\CC_0000\n'.repeat(n)}`,
    ])
      expect(
        growth((n) => ranked(text(n)), 300),
        text(2),
      ).to.be.at.most(MOST_GROWTH);
  });

  it('grow with tables of cards and with job files no faster than they do', () => {
    const table = (text: string) => () => {
      const read = readCatalogueTable(text);
      if ('table' in read) readRows(read.table, matchColumns(read.table), () => 'id');
    };
    const rows = (n: number) => `Maker,Model,Kind,Price\n${times(n, (k) => `A,B${k},sound,1\n`)}`;
    const columns = (n: number) => `Maker${',x'.repeat(n)}\n${'A\n'.repeat(n)}`;
    const quotes = (n: number) => `Maker,Model\n${'"a"b"\n'.repeat(n)}`;
    for (const text of [rows, columns, quotes])
      expect(growth((n) => table(text(n)), 100)).to.be.at.most(MOST_GROWTH);
    for (const text of [
      (n: number) => `{"kind":"tenant-job"${'\n'.repeat(n)}`,
      (n: number) => `{"kind":"tenant-job","job":${'['.repeat(n)}${']'.repeat(n)}}`,
      (n: number) =>
        `{"kind":"tenant-job","pictures":{"a":"data:image/png;base64,${'A='.repeat(n)}"},"job":{}}`,
    ])
      expect(growth((n) => () => void readJobFile(text(n)), 2000)).to.be.at.most(MOST_GROWTH);
  });
});
