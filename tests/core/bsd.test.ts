/** Reports of BSD: pciconf, the kernel's messages, uname; beside lspci of the same machine, and damaged. */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  ProblemList,
  readEvidence,
  readLspci,
  type EvidenceFile,
} from '../../src/core/read/index.ts';
import { emptyMachine } from '../../src/core/document/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { valueOf, type PciFunction } from '../../src/core/parts/index.ts';
import { readPciconf } from '../../src/core/read/pci/pciconf.ts';
import { readAttached } from '../../src/core/read/system/attached.ts';
import { LSPCI } from '../builders/evidence.ts';
import { printAttached, printPciconf } from '../builders/pciconf.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const { functions } = readLspci(LSPCI);
/** What pciconf does not print. */
const printed = (fn: PciFunction): PciFunction => ({
  ...fn,
  name: null,
  buses: null,
  modules: null,
  resizableBar: null,
  driver: null,
});
const read = (text: string) => readPciconf(text, new ProblemList());
const survey = (...files: readonly EvidenceFile[]) =>
  takeEvidence(emptyMachine(), readEvidence(files)).machine;
const slotsOf = (machine: ReturnType<typeof survey>) =>
  machine.slots.map(({ number, lanes, generation, powerWatts, occupant }) => ({
    number: valueOf(number),
    lanes: valueOf(lanes),
    generation: valueOf(generation),
    powerWatts: valueOf(powerWatts),
    isTaken: occupant === null ? null : occupant.value !== null,
  }));

describe('Reports of BSD', () => {
  const text = printPciconf(functions);

  it('say of each device what lspci says of it, in both ways that pciconf prints', () => {
    for (const style of ['newer', 'older'] as const) {
      const found = read(printPciconf(functions, style)).functions;
      expect(found.map(printed)).to.deep.equal(functions.map(printed));
      expect(found[0]?.name).to.match(/^a class: Maker of [0-9a-f]{4} Model/);
    }
  });

  it('give addresses in decimal, and no driver where none is attached', () => {
    const line =
      'none12@pci0:23:31:6:\tclass=0x020000 rev=0x01 hdr=0x00 vendor=0xf1a1 device=0x7102 subvendor=0x0000 subdevice=0x0000\n';
    expect(read(line).functions).to.deep.include.members([
      {
        address: '0000:17:1f.6',
        vendor: 0xf1a1,
        device: 0x7102,
        subsystem: null,
        classCode: 0x0200,
        programmingInterface: 0,
        revision: 1,
        name: null,
        buses: null,
        express: null,
        driver: null,
        modules: null,
        resizableBar: null,
      },
    ]);
  });

  it('tell slots once the kernel’s messages tell which bus hangs on which port', () => {
    const lspci = slotsOf(survey({ name: 'lspci.txt', content: LSPCI }));
    const both = survey(
      { name: 'pciconf.txt', content: text },
      { name: 'dmesg.txt', content: printAttached(functions) },
    );
    expect(lspci.length).to.be.greaterThan(3);
    expect(slotsOf(both)).to.deep.equal(lspci);
    // By itself the report does not say what hangs behind a port whose link is up: no slot is called empty.
    const alone = slotsOf(survey({ name: 'pciconf.txt', content: text }));
    expect(alone.every(({ isTaken }) => isTaken === false)).to.equal(true);
    expect(alone.length).to.be.below(lspci.length);
  });

  it('are joined with lspci of the same machine, which gives names and buses', () => {
    const joined = readEvidence([
      { name: 'lspci.txt', content: LSPCI },
      { name: 'pciconf.txt', content: text },
    ]);
    expect(joined.devices.functions.map(({ name }) => name)).to.deep.equal(
      readEvidence([{ name: 'lspci.txt', content: LSPCI }]).devices.functions.map(
        ({ name }) => name,
      ),
    );
    expect(joined.files.map(({ kind, found }) => [kind, found])).to.deep.equal([
      ['lspci', functions.length],
      ['pciconf', functions.length],
    ]);
  });

  it('name the system by its kernel, or by its own file', () => {
    const systems = [
      ['FreeBSD gull 14.1-RELEASE FreeBSD 14.1-RELEASE releng/14.1 GENERIC amd64', '14.1'],
      ['OpenBSD gull 7.5 GENERIC.MP#82 amd64', '7.5'],
      ['NetBSD gull 10.0 NetBSD 10.0 (GENERIC) #0: Thu Mar 28 2024 amd64', '10.0'],
    ] as const;
    for (const [content, version] of systems) {
      const { system } = survey({ name: 'uname.txt', content });
      expect([system.family, system.version, system.architecture].map(valueOf)).to.deep.equal([
        'bsd',
        version,
        'x86-64',
      ]);
    }
    const named = survey({ name: 'os-release', content: 'NAME=FreeBSD\nVERSION_ID="14.1"\n' });
    expect(valueOf(named.system.family)).to.equal('bsd');
    const linux = survey({ name: 'uname.txt', content: 'Linux h 6.1.0-18-amd64 #1 SMP i686' });
    expect(valueOf(linux.system.architecture)).to.equal('x86-32');
  });

  const MUTATIONS = soaked(1_000, 20_000);
  it(`are read or refused when damaged, ${MUTATIONS} times (seed ${SEED})`, () => {
    const texts = [text, printPciconf(functions, 'older'), printAttached(functions)];
    const damage = fc.record({
      of: fc.nat(texts.length - 1),
      at: fc.double({ min: 0, max: 1, noNaN: true }),
      length: fc.nat(40),
      put: fc.oneof(fc.string({ maxLength: 30 }), fc.constantFrom('x99', '=0x', '\n', ':99:')),
    });
    let [readAgain, refused] = [0, 0];
    for (const { of, at, length, put } of fc.sample(damage, { numRuns: MUTATIONS, seed: SEED })) {
      const whole = texts[of]!;
      const start = Math.floor(at * whole.length);
      const content = whole.slice(0, start) + put + whole.slice(start + length);
      const problems = new ProblemList();
      const found = readPciconf(content, problems).functions;
      readAttached(content, problems);
      for (const { address, express } of found) {
        expect(address).to.match(/^[0-9a-f]{4,8}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]$/);
        expect(express?.link?.now.width ?? 0).to.be.within(0, 63);
      }
      // What is read is taken into a survey without failing.
      takeEvidence(emptyMachine(), readEvidence([{ name: 'x.txt', content }]));
      if (found.length > 0) readAgain += 1;
      else refused += 1;
    }
    expect(Math.min(readAgain, refused)).to.be.greaterThan(MUTATIONS / 10);
  });
});
