/** Drivers from the choice to the proof: which package a system takes and why, what is done about old ones, what a report shows. */
import { expect } from 'chai';
import { acceptanceOfTrial, oldDrivers } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import {
  chooseDriver,
  driverForCard,
  functionQuery,
  instanceQuery,
  inspectPackages,
  packageRecords,
  readSetupPackage,
  setupSaying,
} from '../../src/core/drivers/index.ts';
import {
  emptyFunction,
  valueOf,
  type PciFunction,
  emptyDrive,
} from '../../src/core/parts/index.ts';
import { handOverSheet, forExport, writeJobFile } from '../../src/core/write/index.ts';
import { plainNeed, type Need } from '../../src/core/kinds/index.ts';
import { readInf, ProblemList, readEvidence, readJobFile } from '../../src/core/read/index.ts';
import { steps, type Step, type StepCode } from '../../src/core/procedure/index.ts';
import {
  type Card,
  type DriverPackage,
  type DriverWays,
  type Job,
  type Machine,
  namedDrive,
} from '../../src/core/document/index.ts';
import { observeReport, reportOnPlan } from '../../src/core/diagnosis/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { GAMING, MICRO_TOWER, SMALL_DESKTOP, TOWER } from '../../demo/machines.ts';
import { PICTURE, PORTS, WIRE, deviceList } from '../builders/deviceList.ts';
import { packageFile } from '../builders/packages.ts';
import { PACKAGE_FILES, PACKAGES } from '../builders/library.ts';
import { STAMP, aCard, aJob, aMachine, aPackage, aSlot, listed, told } from '../builders/parts.ts';
import { seating } from '../builders/acts';

const card = (model: string): Card => CARDS.find((each) => each.model === model)!;
const on = (
  family: 'windows' | 'linux' | 'bsd',
  version: string,
  over: Partial<Machine> = {},
): Machine => {
  const plain = aMachine([aSlot(1)], over);
  return {
    ...plain,
    system: {
      ...plain.system,
      family: told(family),
      version: told(version),
      architecture: told('x86-64' as const),
      build: null,
    },
  };
};
const chosen = (model: string, machine: Machine, library: readonly DriverPackage[] = PACKAGES) =>
  driverForCard(card(model), machine, library);
const setup = (
  models: string,
  { version = '1.0.0.0', date = '02/01/2024', more = '', decoration = 'NTamd64' } = {},
) => {
  const problems = new ProblemList();
  const text = `[Version]
Signature="$Windows NT$"
Provider="Pendle"
Class=Net
DriverVer=${date},${version}
${more}
[Manufacturer]
M=M,${decoration}
[M.${decoration}]
${models}
[I]
`;
  return setupSaying(readSetupPackage(readInf(text, problems), problems)!);
};

describe('The driver of a card, by the library’s own files', () => {
  it('is there for one release and shut out of a later one by an empty section (job 2)', () => {
    // The maker ends support with a decorated section that names nothing: published rule, from memory.
    expect(chosen('Gull 300', on('windows', '10')).package?.id).to.equal('sundwick-gull-300');
    expect(chosen('Gull 300', on('windows', '7')).package?.id).to.equal('sundwick-gull-300');
    expect(chosen('Gull 300', on('windows', '11')).package).to.equal(null);
    expect(chosen('Reed P', on('windows', '8.1')).package?.id).to.equal('quillbark-reed');
    expect(chosen('Reed P', on('windows', '10')).package).to.equal(null);
    const linux = chosen('Gull 300', on('linux', '6.1'));
    expect([linux.package?.id, linux.listedAs]).to.deep.equal([
      'sundwick-gull-300-linux',
      'sund_gull',
    ]);
  });

  it('says the name by which the system’s list will show it', () => {
    expect(chosen('Gull 300', on('windows', '10')).listedAs).to.equal(
      'Sundwick Gull 300 wireless adapter',
    );
  });

  it('is the recommended release, unless the card is younger than that (jobs 15 and 16)', () => {
    const both = chosen('Lantern 2', on('windows', '11'));
    expect(both.package?.id).to.equal('kelpwick-display-31');
    expect(both.outranks.map(({ package: each, by }) => [each.id, by])).to.deep.equal([
      ['kelpwick-display-32', 'recommended'],
    ]);
    // Only the newest names it at all.
    expect(chosen('Beacon 285', on('windows', '11')).package?.id).to.equal('kelpwick-display-32');
    const says = listed(['f1a0:7001'], { family: 'windows', from: '10', to: null });
    const [recommended, newest] = [
      aPackage({ id: 'r', says, released: '2023-05-01' }),
      aPackage({ id: 'n', says, released: '2026-05-01', channel: 'newest' }),
    ];
    const ofYear = (year: number) =>
      driverForCard(
        aCard({ year, ids: { vendor: 0xf1a0, device: 0x7001, class24: 0x020000 } }),
        on('windows', '11'),
        [recommended, newest],
      );
    expect(ofYear(2023).package?.id).to.equal('r');
    expect(ofYear(2024).package?.id).to.equal('n');
    expect(ofYear(2024).outranks[0]?.by).to.equal('cardIsNewer');
  });

  it('runs on the system’s own on another system, and nothing is fetched (job 21)', () => {
    const bsd = chosen('Locker 10', on('bsd', '14'));
    expect([bsd.package, bsd.ownDriver]).to.deep.equal([null, 'AHCI']);
  });
});

describe('One package before another', () => {
  const device = functionQuery({
    ...emptyFunction('0000:02:00.0'),
    vendor: 0xf1a1,
    device: 0x2001,
    subsystem: { vendor: 0xf1a1, device: 1 },
    classCode: 0x0200,
    revision: 2,
  });
  const CHIP = '"Port"=I,PCI\\VEN_F1A1&DEV_2001';
  const BOARD = '"Board"=I,PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1';
  const of = (id: string, says: DriverPackage['says'], over: Partial<DriverPackage> = {}) =>
    aPackage({ id, says, ...over });
  const machine = on('windows', '11');
  const first = (packages: readonly DriverPackage[], source: DriverWays['source'] = 'maker') => {
    const choice = chooseDriver(device, machine, packages, { source });
    return [choice.package?.id ?? null, choice.outranks[0]?.by ?? null];
  };
  const plain = of('plain', setup(CHIP));

  it('goes by who vouches, features, how closely it names the device, date, version', () => {
    // The published order of a rank: signature, feature score, identifier; then date, then version (from memory).
    const signed = of('signed', setup(CHIP, { more: 'CatalogFile=a.cat' }));
    expect(first([plain, signed])).to.deep.equal(['signed', 'signature']);
    expect(first([plain, of('board', setup(BOARD))])).to.deep.equal(['board', 'identifier']);
    const later = of('later', setup(CHIP, { date: '03/01/2024' }));
    expect(first([plain, later])).to.deep.equal(['later', 'date']);
    const higher = of('higher', setup(CHIP, { version: '1.0.0.1' }));
    expect(first([plain, higher])).to.deep.equal(['higher', 'version']);
    const fuller = of('fuller', setup(`${CHIP}\n[I.NT]\nFeatureScore=10`));
    expect(first([plain, fuller])).to.deep.equal(['fuller', 'features']);
  });

  it('goes by the way that is wanted, first of all', () => {
    const box = of('box', setup(CHIP, { date: '01/01/2020' }), { channel: 'box' });
    const own = of('own', setup(CHIP, { date: '01/01/2019' }), { channel: 'system' });
    const all = [plain, box, own];
    expect(first(all)).to.deep.equal(['plain', 'date']);
    expect(first(all, 'box')).to.deep.equal(['box', 'source']);
    expect(first(all, 'system')).to.deep.equal(['own', 'source']);
  });

  it('is unsure where a build that nobody told decides', () => {
    const late = of('late', setup(CHIP, { decoration: 'NTamd64.10.0...22631' }));
    expect(chooseDriver(device, machine, [late]).sure).to.equal(false);
    const known = { system: { ...machine.system, build: told('22631') } };
    expect(chooseDriver(device, known, [late]).sure).to.equal(true);
    const older = { system: { ...machine.system, build: told('22000') } };
    expect(chooseDriver(device, older, [late]).package).to.equal(null);
  });

  it('gives one order, whatever order they come in', () => {
    const all = [
      plain,
      of('n', setup(CHIP, { date: '01/01/2026' }), { channel: 'newest' }),
      of('b', setup(BOARD, { date: '01/01/2018' }), { channel: 'box' }),
      of('l', listed(['f1a1:2001'], { family: 'windows', from: '7', to: null })),
      of('s', setup(CHIP), { channel: 'system', released: '2019-01-01' }),
    ];
    const order = (packages: readonly DriverPackage[]) => {
      const choice = chooseDriver(device, machine, packages);
      return [choice.package, ...choice.outranks.map((each) => each.package)].map((e) => e?.id);
    };
    const wanted = order(all);
    for (let n = 0; n < all.length; n += 1)
      expect(order([...all.slice(n), ...all.slice(0, n)])).to.have.members(wanted);
    expect(order(all.toReversed())[0]).to.equal(wanted[0]);
  });

  it('knows devices by the names that a system has for them, at its own bus and at USB', () => {
    const usb = setup('"Stick"=I,USB\\VID_F1A1&PID_0042&MI_01');
    const asked = instanceQuery('USB\\VID_F1A1&PID_0042&MI_01\\6&2A&0')!;
    expect(chooseDriver(asked, machine, [of('u', usb)]).listedAs).to.equal('Stick');
    expect(instanceQuery('ACPI\\PNP0C0A\\1')).to.equal(null);
    const onBus = instanceQuery('PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1&REV_02\\3&11')!;
    expect(onBus.identities.hardware[1]).to.equal('PCI\\VEN_F1A1&DEV_2001&SUBSYS_0001F1A1');
  });
});

describe('Packages at hand', () => {
  const machine = on('linux', '6.1', {
    functions: [
      { ...emptyFunction('0000:03:00.0'), vendor: 0xf1a1, device: 0x7105, classCode: 0x0200 },
    ],
  });

  it('become records that a job keeps: only what they say of its devices', () => {
    const aliases =
      'alias pci:v0000F1A1d00007105sv*sd*bc*sc*i* brin_new\nalias pci:v0000F1A1d00007777sv*sd*bc*sc*i* other\n';
    const [{ record } = { record: null }] = packageRecords(
      [packageFile('lib/modules.alias', aliases)],
      machine,
      [],
    );
    expect(record?.says).to.deep.equal({
      kind: 'modules',
      aliases: [{ pattern: 'pci:v0000F1A1d00007105sv*sd*bc*sc*i*', module: 'brin_new' }],
      // What a list says of one kernel stays with that kernel.
      systems: [{ family: 'linux', architecture: 'x86-64', from: '6.1', to: '6.1' }],
    });
    const kept = apply(aJob(), { name: 'keepPackages', packages: [record!] }, STAMP);
    expect(kept.packages).to.have.length(1);
    expect(
      chooseDriver(functionQuery(machine.functions[0]!), machine, kept.packages).listedAs,
    ).to.equal('brin_new');
    expect(
      apply(kept, { name: 'dropPackage', packageId: record!.id }, STAMP).packages,
    ).to.deep.equal([]);
  });

  it('of any size keep within what a job holds, so that it reads again', () => {
    const like = Array.from({ length: 300 }, (_, n) => `PCI\\VEN_F1A1&DEV_${String(n)}`).join();
    const long = 'x'.repeat(1_000);
    const sections = Array.from({ length: 100 }, (_, n) => `NTamd64.10.0...${n}`);
    const text = `[Version]
Signature="$Windows NT$"
Provider="${long}"
[Manufacturer]
${long}=M,NTamd64,${sections.join()}
[M.NTamd64]
"${long}"=${long},${like},PCI\\VEN_F1A1&DEV_7105
${sections.map((each) => `[M.${each}]`).join('\n')}
[${long}]
Include=${long}`;
    const records = packageRecords(
      Array.from({ length: 400 }, (_, n) => packageFile(`${n}/a.inf`, text)),
      on('windows', '11', { functions: machine.functions }),
      [],
    );
    expect(records).to.have.length(400);
    const packages = records.map(({ record }) => record);
    const kept = apply(aJob(), { name: 'keepPackages', packages }, STAMP);
    expect(readJobFile(writeJobFile(kept)).problems).to.deep.equal([]);
  });

  it('of which one is deliberately wrong say where, and it is chosen for nothing', () => {
    const name = 'quillbark-sound-72/quisound.inf';
    const [look] = inspectPackages([packageFile(name, PACKAGE_FILES[name]!)], machine, []).packages;
    expect(look?.problems.map(({ code, line }) => [code, line])).to.deep.equal([
      ['setup.sectionOpen', 15],
      ['setup.release', 6],
    ]);
    const choice = chosen('Fiddle 2', on('windows', '11'));
    expect([choice.package?.id, choice.outranks]).to.deep.equal(['quillbark-sound', []]);
  });

  it('have a size and a sum for each file', () => {
    for (const { id, files } of PACKAGES) {
      expect(files.length, id).to.be.at.least(1);
      for (const { bytes, sha256 } of files) {
        expect(bytes, id).to.be.greaterThan(0);
        expect(sha256).to.match(/^[0-9a-f]{64}$/);
      }
    }
  });
});

/** A job with these cards in these slots, and the machine’s devices as its system lists them. */
function fitting(
  machine: Machine,
  placed: readonly (readonly [model: string, slotId: string])[],
  { needs = [], ways }: { needs?: readonly Need[]; ways?: Partial<DriverWays> } = {},
): Job {
  const job = aJob(
    { name: 'takeTemplate', machine },
    ...needs.map((need) => ({ name: 'addNeed', need }) as const),
  );
  const tried = placed.map(([model, slotId]) => ({
    card: card(model),
    slot: job.machine.slots.find(({ id }) => id === slotId)!,
  }));
  const accepted = apply(
    job,
    {
      name: 'acceptPlan',
      ...acceptanceOfTrial(tried, job, PACKAGES, { cards: CARDS, extras: [] }),
    },
    STAMP,
  );
  return ways === undefined
    ? accepted
    : apply(accepted, { name: 'setDriverWays', ways: { ...accepted.driverWays, ...ways } }, STAMP);
}
const withDevices = (machine: Machine, ...functions: readonly PciFunction[]): Machine => ({
  ...machine,
  functions,
});
const fn = (address: string, over: Partial<PciFunction>): PciFunction => ({
  ...emptyFunction(address),
  ...over,
});
const OLD_PICTURE = (vendor: number) =>
  fn('0000:01:00.0', {
    vendor,
    device: 0x7021,
    classCode: 0x0300,
    name: 'Old graphics',
    driver: 'Kelpwick 31.1.0.0 (keldispla)',
  });
const without = (
  machine: Machine,
  slotId: string,
  ids: { vendor: number; device: number },
): Machine => ({
  ...machine,
  slots: machine.slots.map((slot) =>
    slot.id === slotId && valueOf(slot.occupant) !== null
      ? {
          ...slot,
          occupant: told({ ...valueOf(slot.occupant)!, ids, disposition: 'remove' as const }),
        }
      : slot,
  ),
});
const codes = (job: Job, stage: Step['stage']): readonly StepCode[] =>
  steps(job).flatMap((step) => (step.stage === stage ? step.code : []));
const valuesOf = <Code extends StepCode>(job: Job, code: Code) =>
  steps(job).flatMap((step) =>
    step.code === code ? [step.values as Extract<Step, { code: Code }>['values']] : [],
  );

describe('Old drivers', () => {
  const SAME = { vendor: 0xf1a0, device: 0x7021 };
  const OTHER = { vendor: 0xf1a3, device: 0x7021 };
  const gaming = (ids: typeof SAME) =>
    withDevices(without(GAMING, 's2', ids), OLD_PICTURE(ids.vendor));

  it('go by light touch within a family of chips, and clean where it changes (job 15)', () => {
    const same = fitting(gaming(SAME), [['Beacon 285', 's2']]);
    expect(oldDrivers(same).map(({ how, because }) => [how, because])).to.deep.equal([
      ['light', 'school'],
    ]);
    const other = fitting(gaming(OTHER), [['Beacon 285', 's2']]);
    expect(oldDrivers(other).map(({ how, because }) => [how, because])).to.deep.equal([
      ['clean', 'otherFamily'],
    ]);
    const strict = fitting(gaming(SAME), [['Beacon 285', 's2']], { ways: { oldDriver: 'clean' } });
    expect(oldDrivers(strict)[0]).to.include({ how: 'clean', because: 'school' });
  });

  it('go before the cards are exchanged, or after, and the machine is off-line meanwhile', () => {
    const before = fitting(gaming(SAME), [['Beacon 285', 's2']]);
    expect(codes(before, 'prepare')).to.include.members(['takeOffline', 'removeOldDriver']);
    expect(codes(before, 'drivers').at(-1)).to.equal('backOnline');
    const after = fitting(gaming(SAME), [['Beacon 285', 's2']], { ways: { removal: 'after' } });
    expect(codes(after, 'prepare')).to.not.include('removeOldDriver');
    expect(codes(after, 'drivers').slice(0, 2)).to.deep.equal(['takeOffline', 'removeOldDriver']);
  });

  it('of network cards go with their team first (job 12)', () => {
    const port = fn('0000:05:00.0', {
      ...SAME,
      classCode: 0x0200,
      name: 'Old port',
      driver: 'Pendle 3.1.0.0 (pendle)',
    });
    const machine = withDevices(without(GAMING, 's2', SAME), port);
    const need = plainNeed('network', 'wire', {
      ports: 2,
      team: 'survival',
      bytesPerSecond: 100e6,
    });
    const job = fitting(machine, [['Cable 10', 's5']], { needs: [need] });
    const prepared = codes(job, 'prepare');
    expect(prepared.indexOf('undoTeam')).to.be.lessThan(prepared.indexOf('removeOldDriver'));
    expect(prepared.indexOf('removeOldDriver')).to.be.lessThan(prepared.indexOf('installFirst'));
    expect(valuesOf(job, 'setNetwork').map(({ setting }) => setting)).to.include('team');
  });

  it('are nothing to other systems, and a basic driver is none', () => {
    expect(oldDrivers(fitting(withDevices(TOWER, OLD_PICTURE(0xf1a0)), []))).to.deep.equal([]);
    const basic = withDevices(without(GAMING, 's2', SAME), {
      ...OLD_PICTURE(0xf1a0),
      driver: 'System 10.0.1 (basicdisplay)',
    });
    expect(oldDrivers(fitting(basic, [['Beacon 285', 's2']]))).to.deep.equal([]);
  });
});

describe('Steps to the drivers', () => {
  it('set a fast wire at both ends, and what the need asks (job 10)', () => {
    const need = plainNeed('network', 'wire', {
      bytesPerSecond: 200e6,
      features: ['wake', 'vlan', 'netBoot'],
    });
    const job = fitting(MICRO_TOWER, [['Hawser 2.5B', 's3']], { needs: [need] });
    expect(valuesOf(job, 'setNetwork').map(({ setting }) => setting)).to.deep.equal([
      'speed',
      'jumbo',
      'wake',
      'vlan',
      'netBoot',
    ]);
  });

  it('put the driver first where its maker says so (job 4), and write a stick for what brings the machine on-line', () => {
    const job = fitting(SMALL_DESKTOP, [['Breeze 867', 's1']]);
    const prepared = codes(job, 'prepare');
    expect(prepared).to.include.members(['fetchDriver', 'writeStick', 'installFirst']);
    expect(valuesOf(job, 'writeStick')).to.deep.equal([{ count: 1, isOnlyWay: true }]);
    expect(codes(job, 'drivers')).to.not.include('installDriver');
  });

  it('tell how the installer behaves, by the way that is chosen (jobs 9 and 15)', () => {
    const told15 = (installation: DriverWays['installation']) =>
      valuesOf(
        fitting(SMALL_DESKTOP, [['Lantern 2', 's2']], { ways: { installation } }),
        'installDriver',
      )[0]!;
    expect(told15('driverOnly')).to.deep.include({ adds: [], flickers: true, restarts: 1 });
    expect(told15('typical').adds).to.deep.equal(['control panel', 'sound over the screen lead']);
    expect(told15('express').adds).to.include('settings of the last driver');
    const goesOn = valuesOf(fitting(SMALL_DESKTOP, [['Candle 2', 's2']]), 'installDriver')[0];
    expect(goesOn).to.include({ goesOn: true, restarts: 2 });
  });

  it('let the system find its driver, where that is the way, and check it afterwards', () => {
    const job = fitting(MICRO_TOWER, [['Quay 4', 's3']], { ways: { source: 'system' } });
    expect(valuesOf(job, 'ownDriver')[0]).to.deep.include({ driver: 'xHCI', isFound: true });
    const plain = fitting(MICRO_TOWER, [['Quay 4', 's3']]);
    expect(valuesOf(plain, 'ownDriver')[0]).to.deep.include({ driver: 'xHCI', isFound: false });
  });

  it('edit a boot loader with a copy and a rescue medium, and read it back', () => {
    const machine = {
      ...SMALL_DESKTOP,
      system: { ...SMALL_DESKTOP.system, family: told('linux' as const), version: told('6.8') },
    };
    const job = fitting(machine, [['Candle 2', 's2']]);
    expect(codes(job, 'prepare')).to.include('rescueMedium');
    const after = codes(job, 'drivers').filter((code) =>
      ['copyBoot', 'editBoot', 'restart', 'readBoot'].includes(code),
    );
    expect(after).to.deep.equal(['copyBoot', 'editBoot', 'restart', 'readBoot']);
  });

  it('look for a card’s own software: flashed before, or loaded at each start', () => {
    const array = fitting(GAMING, [['Vault 4R', 's5']]);
    expect(valuesOf(array, 'flashCard').map(({ name }) => name)).to.deep.equal(['Vault 8.20']);
    expect(codes(array, 'prepare')).to.include('flashCard');
    const radio = fitting(TOWER, [['Gull 867', 's1']]);
    expect(valuesOf(radio, 'checkFirmware').map(({ name }) => name)).to.deep.equal([
      'sundwick/gull-5.bin',
    ]);
  });

  it('count the drives on a carrier that is no device, and name each before it is prepared', () => {
    const need = plainNeed('drives', 'disks', { ports: 4, drive: 'm2', bytesPerSecond: 400e6 });
    const carrier = CARDS.find(({ needsSplit }) => needsSplit)!;
    const job = fitting(GAMING, [[carrier.model, 's2']], { needs: [need] });
    expect(codes(job, 'drivers')).to.include('checkDrives').and.not.include('checkDevice');
  });

  it('ask for no restart that nothing asks for', () => {
    expect(codes(fitting(MICRO_TOWER, [['Hawser 5', 's3']]), 'drivers')).to.not.include('restart');
  });
});

describe('Numbers by which a single thing is known', () => {
  it('stay out of what is exported without them: drives, devices, steps and log', () => {
    const id = 'USB\\VID_F1A1&PID_0042\\SN4711';
    const machine = { ...GAMING, inTrouble: [{ id, name: '', status: 'Error, 28' }] };
    const says = setup('"Stick"=I,USB\\VID_F1A1&PID_0042');
    const job = apply(
      fitting(machine, [['Hawser 5', 's5']]),
      { name: 'keepPackages', packages: [aPackage({ id: 'usb', says })] },
      STAMP,
    );
    const step = steps(job).find(({ deviceId: of }) => of === id)!;
    expect(step.code).to.equal('installDriver');
    const ticked = apply(job, { name: 'tickStep', of: step }, STAMP);
    const value = {
      drive: emptyDrive('own', 2, { serial: 'VX-4711' }),
      holds: 'nothing' as const,
    };
    const drive = namedDrive('s5', value, STAMP.at);
    const named = apply(ticked, { name: 'observe', observations: [drive] }, STAMP);
    const out = (serials: boolean) =>
      JSON.stringify(forExport(named, { customer: true, serials, photographs: true, words: true }));
    expect(out(true)).to.include('VX-4711').and.include('SN4711');
    expect(out(false)).to.not.include('4711');
  });
});

describe('A carrier that is no device', () => {
  it('is not missed in a report', () => {
    const carrier = CARDS.find(({ needsSplit }) => needsSplit)!;
    const job = fitting(GAMING, [[carrier.model, 's2']]);
    const devices = [PICTURE, WIRE, ...PORTS];
    const evidence = readEvidence([{ name: 'd.json', content: deviceList(devices) }]);
    const seated = apply(job, { name: 'tickStep', of: seating(carrier, 's2') }, STAMP);
    const observations = observeReport(seated, evidence, STAMP.at);
    expect(observations[0]).to.deep.include({ kind: 'device', phase: 'after' });
    const seen = apply(seated, { name: 'observe', observations }, STAMP);
    expect(reportOnPlan(seen).map(({ differences }) => differences)).to.deep.equal([[]]);
  });
});

describe('A job of drivers alone', () => {
  const need = plainNeed('drivers', 'drivers', { scope: 'display' });
  const picture = OLD_PICTURE(0xf1a0);
  const job = fitting(withDevices(GAMING, picture), [], { needs: [need] });

  it('is accepted without a card, opens nothing, and goes through all stages', () => {
    expect(job.plan?.met).to.deep.equal(['drivers']);
    expect(codes(job, 'fit')).to.deep.equal([]);
    expect(codes(job, 'prepare')).to.include.members([
      'fetchDriver',
      'writeStick',
      'removeOldDriver',
    ]);
    // Once, after the figures of before were written down.
    expect(codes(job, 'prepare').filter((code) => code === 'removeOldDriver')).to.have.lengthOf(1);
    expect(codes(job, 'prepare').indexOf('removeOldDriver')).to.be.greaterThan(
      codes(job, 'prepare').indexOf('before'),
    );
    expect(codes(job, 'drivers')).to.include.members(['installDriver', 'restart', 'backOnline']);
    expect(codes(job, 'hand-over')).to.deep.equal(['explain']);
    const [installing] = valuesOf(job, 'installDriver');
    expect(installing).to.include({ card: 'Old graphics', version: '31.9.0' });
    const sheet = handOverSheet(job);
    expect(sheet.drivers.map(({ name, seen }) => [name, seen])).to.deep.equal([
      ['Old graphics', null],
    ]);
  });
});
