import { expect } from 'chai';
import {
  bestMode,
  contradictions,
  disagreeing,
  takeEvidence,
  isOtherMachine,
  sameMachine,
  templateOf,
  withCardRecords,
} from '../../src/core/survey/index.ts';
import { emptyMachine, Machine } from '../../src/core/document/index.ts';
import { modulesFor, shellMatch } from '../../src/core/drivers/index.ts';
import {
  ProblemList,
  readDeviceList,
  readEthtool,
  evidenceOf,
  readEvidence,
  readFiles,
  readIdList,
  readIpLink,
  readModulesAlias,
  nameIn,
  type EvidenceFile,
  type Evidence,
} from '../../src/core/read/index.ts';
import { slotVerdict } from '../../src/core/rules/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { TEMPLATES, TOWER } from '../../demo/machines.ts';
import * as sample from '../builders/evidence.ts';
import { aCard, told } from '../builders/parts.ts';
import { ascii, buildTable } from '../builders/smbios.ts';

const read = (...files: readonly EvidenceFile[]): Evidence => readEvidence(files);
const file = (content: string | Uint8Array, name = 'file'): EvidenceFile => ({ name, content });
const taken = (machine: Machine, ...files: readonly EvidenceFile[]): Machine =>
  takeEvidence(machine, read(...files)).machine;
const problems = () => new ProblemList();

describe('Evidence of every kind', () => {
  it('is known by what stands in it, whatever it is called', () => {
    const kinds = sample.EVERY_KIND.map(({ content }, n) => {
      // The bare names of the system's own files are the one thing that may decide.
      return read(file(content, `x${n}`)).files[0]?.kind;
    });
    expect(kinds).to.deep.equal([
      ...['lspci', 'lspci', 'lspciMachine', 'firmwareTable', 'firmwareTable', 'edid', 'edid'],
      ...['osRelease', 'uname', 'modulesAlias', 'ipLink', 'ethtool', 'deviceList', 'deviceList'],
      ...['hardwareReport', 'hardwareReport', 'hardwareReport', 'iperf3', 'fio', 'copies'],
      ...['radio', 'nvme', 'resultTable', 'pciIds', 'usbIds', 'bundle'],
    ]);
  });

  it('reads without a problem, but for what a bundle says it could not read', () => {
    for (const each of sample.EVERY_KIND) {
      const codes = read(each).files.flatMap((report) => report.problems.map(({ code }) => code));
      expect(codes, each.name).to.deep.equal(
        each.name === 'tenant-survey.txt' ? ['bundle.notRead'] : [],
      );
    }
  });

  it('takes a driver’s setup file for what it is, in either encoding, and no device from it', () => {
    const setup = [
      '; Quay wired network',
      '[Version]',
      'Signature = "$WINDOWS NT$"',
      '[Quay.NTamd64]',
      '%Quay% = Quay_Install, PCI\\VEN_F1A1&DEV_2001&SUBSYS_00010001',
    ].join('\r\n');
    const wide = Uint8Array.from([0xff, 0xfe, ...Buffer.from(setup, 'utf16le')]);
    for (const content of [setup, wide, Buffer.from(setup)]) {
      const evidence = read(file(content, 'quay.inf'));
      expect(evidence.files[0]).to.deep.include({ kind: 'driverSetup', found: 0 });
      expect(evidence.files[0]!.problems.map(({ code }) => code)).to.deep.equal([
        'evidence.driverSetup',
      ]);
      expect(taken(emptyMachine(), file(content))).to.deep.equal(emptyMachine());
    }
  });

  it('leaves what it does not know aside and says so', () => {
    const { files } = read(file('A letter about the weather.'), file(Uint8Array.of(1, 0, 2, 0, 3)));
    expect(files.map(({ kind, problems: [first] }) => [kind, first?.code])).to.deep.equal([
      [null, 'evidence.unknown'],
      [null, 'evidence.unknown'],
    ]);
  });

  it('tells how far it is', () => {
    const told: number[] = [];
    readEvidence(sample.EVERY_KIND, undefined, (done) => told.push(done));
    expect(told).to.deep.equal(sample.EVERY_KIND.map((_, n) => n + 1));
  });

  it('merges in any order to the same machine', () => {
    const forwards = taken(emptyMachine(), ...sample.EVERY_KIND);
    const backwards = taken(emptyMachine(), ...sample.EVERY_KIND.toReversed());
    expect(forwards.slots).to.deep.equal(backwards.slots);
    expect(forwards.functions).to.deep.equal(backwards.functions);
    expect(Machine.safeParse(forwards).success).to.equal(true);
  });
});

describe('Files of two machines', () => {
  const OTHER_RECORDS = sample.MUSEUM_RECORDS.map((record) =>
    record.type === 1 ? { ...record, strings: [ascii('Longreach'), ascii('Q2')] } : record,
  );
  /** The same tree with other devices in it: the first so many, or all. */
  const exchanged = (text: string, most = Infinity): string => {
    let n = 0;
    return text.replaceAll(/\[(f[0-9a-f]{3}):([0-9a-f]{4})\]/g, (all, maker: string) =>
      n++ < most ? `[${maker}:e${String(n).padStart(3, '0')}]` : all,
    );
  };
  const [LSPCI, OTHER] = [sample.LSPCI, exchanged(sample.LSPCI)];
  const table = (records: Parameters<typeof buildTable>[0]) => buildTable(records);
  const namesOf = (...files: readonly EvidenceFile[]) =>
    read(...files).apart?.machines.map(({ fileNames }) => fileNames) ?? null;

  it('are told apart by their boards, by their devices, and by what is whole in itself', () => {
    const bundle = file(sample.BUNDLE, 'survey');
    expect(
      namesOf(file(table(sample.MUSEUM_RECORDS), 'a'), file(table(OTHER_RECORDS), 'b')),
    ).to.deep.equal([['a'], ['b']]);
    expect(namesOf(file(LSPCI, 'a'), file(OTHER, 'b'))).to.deep.equal([['a'], ['b']]);
    expect(namesOf(bundle, file(OTHER, 'other'))).to.deep.equal([['survey'], ['other']]);
    expect(namesOf(bundle, file(sample.BUNDLE, 'second'))).to.deep.equal([['survey'], ['second']]);
  });

  it('are told apart by slots in use of which the tree of devices knows none', () => {
    const usedAt = (bus: number, deviceFunction = 8) =>
      buildTable(
        [1, 2].map((number) => ({
          type: 9,
          body: [1, 0xa5, 0x0d, 4, 4, number, 0, 4, 1, 0, 0, bus, deviceFunction],
          strings: [ascii(`GULL_${number}`)],
        })),
      );
    expect(namesOf(file(LSPCI, 'tree'), file(usedAt(0x90), 'board'))).to.deep.equal([
      ['tree'],
      ['board'],
    ]);
    expect(namesOf(file(LSPCI, 'tree'), file(usedAt(0), 'board'))).to.equal(null);
    // Firmware that does not know where its slots are says nothing of the tree.
    expect(namesOf(file(LSPCI, 'tree'), file(usedAt(0xff, 0xff), 'board'))).to.equal(null);
  });

  it('are one machine where a card or a half of the devices changed, or a list is short', () => {
    const devices = read(file(LSPCI)).devices.functions.length;
    expect(namesOf(file(LSPCI), file(exchanged(LSPCI, devices / 2 - 1)))).to.equal(null);
    expect(namesOf(file(LSPCI), file(OTHER.split('\n\n').slice(0, 3).join('\n\n')))).to.equal(null);
    expect(read(...sample.EVERY_KIND).apart).to.equal(null);
  });

  it('give nothing until one is chosen, and then what only its files say', () => {
    const files = [
      file(LSPCI, 'shop/a/lspci.txt'),
      file(sample.SCREEN_BYTES, 'shop/b/edid'),
      file(OTHER, 'shop/b/lspci.txt'),
      file(sample.OS_RELEASE, 'os-release'),
    ];
    expect(taken(TOWER, ...files)).to.deep.equal(TOWER);
    const all = readFiles(files);
    expect(all.apart).to.deep.equal({
      machines: [
        { board: null, devices: 11, files: [0], fileNames: ['shop/a/lspci.txt'] },
        { board: null, devices: 11, files: [1, 2], fileNames: ['shop/b/edid', 'shop/b/lspci.txt'] },
      ],
      loose: ['os-release'],
    });
    expect(evidenceOf(all, 1)).to.deep.equal(read(files[1]!, files[2]!));
    expect(evidenceOf(all, 0)).to.deep.equal(read(files[0]!));
  });

  it('are noticed when they come one after the other as well', () => {
    const surveyed = taken(TOWER, file(LSPCI));
    const { functions } = read(file(OTHER)).devices;
    expect(isOtherMachine(surveyed, functions)).to.equal(true);
    expect(isOtherMachine(surveyed, surveyed.functions.slice(3))).to.equal(false);
    expect(isOtherMachine(TOWER, functions)).to.equal(false);
  });
});

describe('A survey file and the machine it makes', () => {
  const machine = taken(TOWER, file(sample.BUNDLE));
  const numbered = (number: number) =>
    machine.slots.find((slot) => valueOf(slot.number) === number)!;

  it('believes the port and shows what firmware and template say against it', () => {
    const { lanes } = numbered(7);
    expect([valueOf(lanes), lanes?.source]).to.deep.equal([4, 'registers']);
    expect(disagreeing(lanes)).to.have.deep.members([
      { value: 8, source: 'template' },
      { value: 8, source: 'firmware' },
    ]);
    expect(contradictions(machine).map(({ path }) => path.slice(-1)[0])).to.include('lanes');
  });

  it('takes the firmware for what no port can tell', () => {
    expect(valueOf(numbered(7).splits)).to.equal(true);
    expect(valueOf(machine.firmware.date)).to.equal('2019-03-14');
    expect(machine.onBoard).to.deep.equal([{ name: 'Video of the board', kind: 'Video' }]);
  });

  it('knows system, start and network', () => {
    const { system, firmware, path } = machine;
    expect([
      valueOf(system.name),
      valueOf(system.version),
      valueOf(system.secureBoot),
    ]).to.deep.equal(['Harbour Linux 4 (gull)', '6.1', true]);
    expect(valueOf(firmware.kind)).to.equal('uefi');
    expect([valueOf(path.ownMegabits), valueOf(path.hops[0]!.portMegabits)]).to.deep.equal([
      1000,
      [100, 1000],
    ]);
  });

  it('knows the screen and the best it can show', () => {
    const screen = machine.screens[0]!;
    expect([screen.name, valueOf(screen.input)]).to.deep.equal(['Gullview 27', 'displayport']);
    expect(bestMode(screen)).to.include({ widthPx: 3840, heightPx: 2160, refreshHz: 60 });
  });

  it('knows the fitted card again by its identity, and keeps what was measured', () => {
    const known = withCardRecords(taken(emptyMachine(), file(sample.BUNDLE)), CARDS);
    const occupant = known.slots.flatMap((slot) => valueOf(slot.occupant) ?? [])[0]!;
    const record = CARDS.find(({ ids }) => ids.device === occupant.ids?.device);
    expect(occupant.name).to.equal(`${record?.maker} ${record?.model}`);
    expect(valueOf(occupant.lengthMm)).to.equal(record?.lengthMm);
  });

  it('ignores the system of a live stick, not its devices', () => {
    const live = sample.BUNDLE.replace(' uefi=yes', ' uefi=yes\n live=yes');
    const from = taken(emptyMachine(), file(live));
    expect([from.system.name, from.system.version]).to.deep.equal([null, null]);
    expect(from.slots).to.have.length(5);
  });

  it('says where a cut file ends, and takes what came before', () => {
    const cut = sample.BUNDLE.slice(0, sample.BUNDLE.indexOf('== loaded-drivers'));
    const { files, devices } = read(file(cut));
    expect(files[0]?.problems.map(({ code }) => code)).to.deep.equal(['bundle.sectionOpen']);
    expect(devices.functions).to.have.length(11);
  });

  it('refuses a newer file', () => {
    const { files } = read(file(sample.BUNDLE.replace('survey 1', 'survey 2')));
    expect(files.map(({ problems: [first] }) => first?.code)).to.deep.equal(['bundle.newer']);
  });
});

describe('Firmware records without a port', () => {
  it('become slots of their own, and join a template’s by name', () => {
    const records = file(buildTable(sample.MUSEUM_RECORDS));
    const fresh = taken(emptyMachine(), records);
    expect(fresh.slots.map(({ label, bus }) => [label, bus])).to.deep.equal([
      ['GULL_TOP', 'pcie'],
      ['GULL_X8', 'pcie'],
    ]);
    expect(taken(fresh, records)).to.deep.equal(fresh);
    expect(fresh.name).to.equal('Longreach T7');
  });
});

describe('Firmware records joined to ports', () => {
  const port = (address: string, slotNumber: number, lanes: number): EvidenceFile => ({
    name: `${address.replaceAll(':', '')}.txt`,
    content: [
      `${address} PCI bridge [0604]: Port [f1a8:0100]`,
      `\tBus: primary=00, secondary=0${slotNumber}, subordinate=0${slotNumber}`,
      '\tCapabilities: [40] Express (v2) Root Port (Slot+), MSI 00',
      `\t\tLnkCap:\tPort #1, Speed 8GT/s, Width x${lanes}, ASPM not supported`,
      '\t\tLnkSta:\tSpeed 2.5GT/s, Width x0',
      '\t\tSltCap:\tAttnBtn- PwrCtrl- MRL- AttnInd- PwrInd- HotPlug- Surprise-',
      `\t\t\tSlot #${slotNumber}, PowerLimit 25W; Interlock- NoCompl+`,
    ].join('\n'),
  });
  const PORTS = [port('00:01.0', 1, 4), port('00:02.0', 2, 16)];
  interface Record {
    readonly label: string;
    readonly type: number;
    readonly devfn: number;
    readonly number: number;
    readonly traits?: readonly [number, number];
    readonly length?: number;
  }
  /** Type 9 of 17 bytes (DSP0134, from memory): x4 wide, available. */
  const record = ({ label, type, devfn, number, traits = [0, 0], length = 4 }: Record) => ({
    type: 9,
    body: [1, type, 0x0a, 3, length, number, 0, ...traits, 0, 0, 0, devfn],
    strings: [ascii(label)],
  });
  const surveyed = (...records: readonly Record[]): Machine =>
    taken(emptyMachine(), ...PORTS, file(buildTable(records.map(record))));
  const named = (machine: Machine) => machine.slots.map(({ label, bus }) => [label, bus]);
  const EXPRESS = { label: 'PCIE_B', type: 0xa5, devfn: 0x10, number: 2 };

  it('make a socket of a port that a record calls M.2, and no card goes in it', () => {
    const machine = surveyed({ label: 'M2_1', type: 0x17, devfn: 0x08, number: 1 }, EXPRESS);
    expect(named(machine)).to.deep.equal([
      ['M2_1', 'm2'],
      ['PCIE_B', 'pcie'],
    ]);
    expect(valueOf(machine.slots[0]!.key)).to.equal('M');
    const card = aCard({ lanes: 4 });
    expect(slotVerdict(card, machine.slots[0]!, machine, null).verdict).to.equal('blocked');
  });

  it('take away a port whose slot no expansion card goes into', () => {
    // U.2, a mini card, a mezzanine card, a ruler drive.
    for (const type of [0x20, 0x21, 0x26, 0xc5])
      expect(
        named(surveyed({ label: 'OTHER', type, devfn: 0x08, number: 1 }, EXPRESS)),
      ).to.deep.equal([['PCIE_B', 'pcie']]);
    // A record that does not say what kind it is takes nothing away.
    const unsaid = surveyed({ label: 'WHAT', type: 0x02, devfn: 0x08, number: 1 }, EXPRESS);
    expect(named(unsaid)[0]).to.deep.equal(['WHAT', 'pcie']);
  });

  it('join one record to a port and make a slot of its own of another that names it too', () => {
    const twice = { ...EXPRESS, label: 'PCIE_C', number: 9 };
    const { machine, problems: said } = takeEvidence(
      emptyMachine(),
      readEvidence([...PORTS, file(buildTable([twice, EXPRESS].map(record)))]),
    );
    expect(machine.slots.map(({ label, port: at }) => [label, valueOf(at)])).to.deep.equal([
      ['Slot #1', '0000:00:01.0'],
      ['PCIE_B', '0000:00:02.0'],
      ['PCIE_C', null],
    ]);
    expect(said.map(({ code, at }) => [code, at])).to.deep.include([
      'firmware.sameAddress',
      '0000:00:02.0',
    ]);
  });

  it('keep slots apart that the board names alike', () => {
    const alike = surveyed(
      { ...EXPRESS, label: 'PCIE', devfn: 0x08, number: 1 },
      { ...EXPRESS, label: 'PCIE' },
    );
    expect(alike.slots.map(({ label }) => label)).to.deep.equal(['PCIE', 'PCIE #2']);
    expect(taken(alike, file(buildTable([record({ ...EXPRESS, label: 'PCIE' })])))).to.deep.equal(
      alike,
    );
  });

  it('do not take “PCI Express” without a number for Gen 1', () => {
    const alone = taken(emptyMachine(), file(buildTable([record({ ...EXPRESS, devfn: 0x38 })])));
    expect(alone.slots[0]!.generation).to.equal(null);
    const said = taken(
      emptyMachine(),
      file(buildTable([record({ ...EXPRESS, devfn: 0x38, type: 0xb1 })])),
    );
    expect(valueOf(said.slots[0]!.generation)).to.equal(3);
  });

  it('keep hot-plug, length, voltages and a shared opening', () => {
    const [express, classic] = surveyed(
      { ...EXPRESS, traits: [0x08, 0x02], length: 3 },
      { label: 'PCI1', type: 0x06, devfn: 0x38, number: 7, traits: [0x02, 0] },
    ).slots.slice(1);
    expect(valueOf(express!.hotPlug)).to.equal(true);
    expect(valueOf(express!.cardLength)).to.equal('short');
    expect(valueOf(express!.sharesOpening)).to.equal(true);
    expect([valueOf(classic!.keying), valueOf(classic!.hotPlug)]).to.deep.equal(['5 V', false]);
    // Both voltages say nothing of the key, and characteristics that are not known say nothing at all.
    const [, , other] = surveyed(EXPRESS, {
      label: 'PCI1',
      type: 0x06,
      devfn: 0x38,
      number: 7,
      traits: [0x07, 0x02],
    }).slots;
    expect([other!.keying, other!.hotPlug]).to.deep.equal([null, null]);
    // What shares an opening waits until all openings are counted.
    const machine = surveyed({ ...EXPRESS, traits: [0x08, 0] });
    const counted = machine.slots.map((slot, n) => ({ ...slot, opening: told(n + 1) }));
    const verdicts = (slots: Machine['slots']) =>
      slotVerdict(aCard(), slots[1]!, { ...machine, slots }, null).findings.map(({ code }) => code);
    expect(verdicts(counted)).to.not.include('body.sharedOpening');
    expect(verdicts([machine.slots[0]!, counted[1]!])).to.include('body.sharedOpening');
  });
});

describe('Links that the system tells anybody', () => {
  const plain = [
    '00:01.0 PCI bridge [0604]: Port [f1a8:0100]',
    '\tBus: primary=00, secondary=01, subordinate=01',
    '\tCapabilities: <access denied>',
    '00:02.0 PCI bridge [0604]: Port [f1a8:0100]',
    '\tBus: primary=00, secondary=02, subordinate=02',
    '\tCapabilities: <access denied>',
    '01:00.0 Ethernet controller [0200]: Wire [f1a1:2001]',
    '\tCapabilities: <access denied>',
  ].join('\n');
  const links = [
    '0000:00:01.0 16 4 8.0 GT/s PCIe / 2.5 GT/s PCIe',
    '0000:00:02.0 255 255 Unknown / Unknown',
    '0000:01:00.0 4 4 5.0 GT/s PCIe / 2.5 GT/s PCIe',
    'slot 3 0000:01:00',
    'slot 3-1 0000:02:00',
  ].join('\n');

  it('stand in for registers that only root may read', () => {
    const machine = taken(emptyMachine(), file(plain), file(links, 'links'));
    const [first, second] = machine.slots;
    expect(valueOf(first!.number)).to.equal(3);
    expect([valueOf(first!.lanes), valueOf(first!.generation)]).to.deep.equal([16, 3]);
    expect(first!.lanes?.source).to.equal('system');
    expect(valueOf(first!.occupant)?.ids).to.deep.equal({ vendor: 0xf1a1, device: 0x2001 });
    // A second slot of one number is told apart by the system, not by the board.
    expect([second!.label, second!.number, second!.lanes]).to.deep.equal(['00:02.0', null, null]);
    const fn = machine.functions.find(({ address }) => address === '0000:01:00.0');
    expect(fn?.express?.link).to.deep.equal({
      able: { generation: 2, width: 4 },
      now: { generation: 1, width: 4 },
    });
  });

  it('change nothing where the registers were read, and what was denied is said once', () => {
    const evidence = read(file(plain), file(links, 'links'));
    expect(evidence.files[0]!.problems).to.deep.equal([
      { code: 'capability.deniedMany', found: '3' },
    ]);
    const whole = taken(emptyMachine(), file(sample.BUNDLE));
    expect(taken(emptyMachine(), file(sample.BUNDLE), file(links, 'links'))).to.deep.equal(whole);
  });
});

describe('Device lists of the other system', () => {
  for (const [way, content] of [
    ['JSON', sample.DEVICE_JSON],
    ['CSV', sample.DEVICE_CSV],
  ] as const) {
    it(`gives device, link, driver and trouble from ${way}`, () => {
      const list = readDeviceList(content, problems());
      expect(list.functions).to.have.length(1);
      expect(list.functions[0]).to.deep.include({
        address: '0000:03:00.0',
        vendor: 0xf1a1,
        device: 0x2001,
        subsystem: { vendor: 0xf1a1, device: 0x0001 },
        classCode: 0x0200,
        revision: 0x10,
        driver: 'Brinehollow 12.4.1',
      });
      expect(list.functions[0]?.express?.link).to.deep.equal({
        now: { generation: 2, width: 1 },
        able: { generation: 3, width: 4 },
      });
      expect(list.inTrouble.map(({ status }) => status)).to.deep.equal([
        'Error, CM_PROB_FAILED_INSTALL',
      ]);
    });
  }

  it('reads UTF-16 of either order, with a mark and without', () => {
    const little = sample.utf16(sample.DEVICE_JSON);
    const big = Uint8Array.from(little.map((_, n) => little[n ^ 1]!));
    for (const content of [little, big, little.slice(2), big.slice(2)]) {
      const { system } = taken(emptyMachine(), file(content));
      expect([
        valueOf(system.family),
        valueOf(system.version),
        valueOf(system.build),
      ]).to.deep.equal(['windows', '11', '22631']);
    }
  });

  it('names what has no name from the open lists', () => {
    const machine = taken(emptyMachine(), file(sample.DEVICE_JSON), file(sample.USB_IDS));
    expect(machine.inTrouble[0]?.name).to.equal('Pellworth Stick reader');
  });

  it('locates a row that says nothing of its place, and a list without identities', () => {
    const list = problems();
    readDeviceList(sample.DEVICE_CSV.replace('PCI bus 3, device 0, function 0', ''), list);
    expect(list.all.map(({ code, line }) => [code, line])).to.deep.equal([
      ['list.placeMissing', 3],
    ]);
    const none = problems();
    readDeviceList('Name,Colour\nGull,white', none);
    expect(none.all[0]?.code).to.equal('list.noIdentities');
  });
});

describe('Drivers that a system has', () => {
  const list = readModulesAlias(sample.ALIASES, problems());
  const functions = read(file(sample.LSPCI_MACHINE)).devices.functions;

  it('are found by pattern, each once, with the kernel’s own names', () => {
    const [audio, wire] = functions;
    expect(modulesFor(wire!, list)).to.deep.equal(['e1w', 'e1w_old']);
    expect(modulesFor(audio!, list)).to.deep.equal(['snd_quill']);
  });

  it('match as a shell does', () => {
    for (const [pattern, text, fits] of [
      ['a*c', 'abbc', true],
      ['a*c', 'abbd', false],
      ['a?c', 'abc', true],
      ['[a-c]x', 'bx', true],
      ['[!a-c]x', 'bx', false],
      ['*', '', true],
      ['a[', 'a[', true],
      ['*a*b*', 'xxaxxbxx', true],
      ['', 'a', false],
    ] as const) {
      expect(shellMatch(pattern, text), `${pattern} ${text}`).to.equal(fits);
    }
  });
});

describe('Network ports', () => {
  it('leave the loop to itself out', () => {
    expect(
      readIpLink(sample.IP_LINK, problems()).map(({ name, linked }) => [name, linked]),
    ).to.deep.equal([
      ['enp3s0', true],
      ['enp4s0', false],
    ]);
  });

  it('know speeds of both ends over several lines', () => {
    expect(readEthtool(sample.ETHTOOL, problems())[0]).to.deep.equal({
      name: 'enp3s0',
      linked: true,
      megabits: 1000,
      ableMegabits: [100, 1000, 2500],
      farEndMegabits: [100, 1000],
    });
  });
});

describe('Open lists of names', () => {
  it('name makers and models, and take no class for a maker', () => {
    const list = readIdList(sample.PCI_IDS, problems());
    expect(nameIn(list, 0xf1a0, 0x7020)).to.equal('Kelpwick Instruments Beacon 120');
    expect(nameIn(list, 0xf1a0, 0x9999)).to.equal('Kelpwick Instruments device');
    expect(nameIn(list, 0xf1ff, 1)).to.equal(null);
    expect(list.devices.size).to.equal(2);
  });

  it('name the devices that are in the survey already', () => {
    const before = taken(emptyMachine(), file(sample.REGISTERS));
    const { machine: named } = takeEvidence(
      before,
      readEvidence([file(sample.PCI_IDS)], { pci: null, usb: null, functions: before.functions }),
    );
    expect(named.functions.map(({ name }) => name)).to.include(
      'VGA compatible controller: Kelpwick Instruments Beacon 120',
    );
    expect(named.slots).to.deep.equal(before.slots);
  });
});

describe('A machine that was here before', () => {
  it('is known by its devices where they sat, with a card more or less', () => {
    const before = taken(emptyMachine(), file(sample.REGISTERS));
    const without = { ...before, functions: before.functions.slice(1) };
    const other = {
      ...before,
      functions: before.functions.map((fn) => ({ ...fn, device: fn.device ^ 1 })),
    };
    expect(sameMachine(before, without)).to.equal(true);
    expect(sameMachine(before, other)).to.equal(false);
    expect(sameMachine(emptyMachine(), emptyMachine())).to.equal(false);
  });
});

describe('Templates', () => {
  it('are at least twelve, of one shape each, and all sound', () => {
    expect(TEMPLATES.length).to.be.at.least(12);
    for (const template of TEMPLATES) {
      expect(Machine.safeParse(template).success, template.name).to.equal(true);
      expect(template.slots.length, template.name).to.be.greaterThan(0);
      const ids = new Set(template.slots.map(({ id }) => id));
      expect(ids.size).to.equal(template.slots.length);
      for (const { slotId, whenSlotId } of template.conditions)
        expect(ids.has(slotId) && ids.has(whenSlotId), template.name).to.equal(true);
    }
    expect(new Set(TEMPLATES.map(({ name }) => name)).size).to.equal(TEMPLATES.length);
  });

  it('are made of a surveyed machine without what is this one’s alone', () => {
    const surveyed = withCardRecords(taken(TOWER, file(sample.BUNDLE)), CARDS);
    const template = templateOf(surveyed);
    expect(Machine.safeParse(template).success).to.equal(true);
    expect([template.functions, template.screens, template.inTrouble]).to.deep.equal([[], [], []]);
    expect(template.system.version).to.equal(null);
    expect(template.slots[4]?.lanes).to.deep.equal({ value: 4, source: 'template' });
    expect(JSON.stringify(template)).to.not.match(/registers|"firmware":\{"value|technician/);
  });
});
