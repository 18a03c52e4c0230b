/**
 * The survey script against machines that are known: it is run for real, on this machine and inside a machine in
 * QEMU whose ports, cards and slot records were chosen, and the survey has to come out as the machine was built.
 */
import { execFileSync, spawnSync } from 'node:child_process';
import {
  chmodSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  readdirSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect } from 'chai';
import * as fc from 'fast-check';
import { contradictions, disagreeing, takeEvidence } from '../../src/core/survey/index.ts';
import { emptyMachine, type Machine } from '../../src/core/document/index.ts';
import { ProblemList, readEdid, readEvidence, type Evidence } from '../../src/core/read/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { buildEdid, randomEdid } from '../builders/edid.ts';
import { missingForQemu, surveyInQemu, type VirtualMachine } from '../builders/virtualMachine.ts';
import { SEED, requireTool, runWithComplaints, withFile } from './tools.ts';

const SCRIPT = new URL('../../static/survey.sh', import.meta.url).pathname;
/** The script's functions without the survey itself. */
const FUNCTIONS = readFileSync(SCRIPT, 'utf8').split('devices() {')[0]!;
const take = (text: string): { evidence: Evidence; machine: Machine } => {
  const evidence = readEvidence([{ name: 'survey.txt', content: text }]);
  return { evidence, machine: takeEvidence(emptyMachine(), evidence).machine };
};

/** What tells one unit from another, as it stands in its report: numbers, text, and an identity of 16 bytes. */
const UNIT: readonly (readonly number[])[] = [
  [0xd4, 0xc3, 0xb2, 0xa1],
  [...'UNIT-7741'].map((letter) => letter.charCodeAt(0)),
  [...'CASE-IDENTITY-16'].map((letter) => letter.charCodeAt(0)),
  [...'MAKERS-OWN'].map((letter) => letter.charCodeAt(0)),
];

/** The report with a serial in its base block, as text, in a maker's own block, and in a copy of the base block. */
function withSerials(report: Uint8Array): Uint8Array {
  const [serial, text, identity, own] = UNIT as [number[], number[], number[], number[]];
  const seal = (block: Uint8Array, error = 0) => {
    const sum = block.subarray(0, 127).reduce((total, byte) => total + byte, 0);
    block[127] = (error - sum) & 0xff;
    return block;
  };
  const base = report.slice(0, 128);
  const error = base.reduce((sum, byte) => sum + byte, 0) & 0xff;
  base.set(serial, 12);
  base.set([0, 0, 0, 0xff, 0, ...text, 0x0a, 0x20, 0x20, 0x20], 0x6c);
  base[0x7e] = report.length / 128 + 2;
  // Of that maker's blocks of consumer electronics: primary use case, then the container's identity.
  const cta = new Uint8Array(128);
  cta.set([2, 3, 4 + 22, 0, 0x75, 0x5c, 0x12, 0xca, 2, 7, ...identity]);
  const other = new Uint8Array(128);
  other.set([0xff, ...own]);
  const copy = seal(base.slice());
  copy[0x7e] = 0;
  const parts = [seal(base, error), report.slice(128), seal(cta), seal(copy), seal(other)];
  return Uint8Array.from(parts.flatMap((block) => [...block]));
}

describe('The survey script', () => {
  it('is plain POSIX shell', function () {
    requireTool(this, 'shellcheck');
    execFileSync('shellcheck', ['-s', 'sh', '-S', 'warning', SCRIPT]);
  });

  it(`leaves in a screen’s report nothing that tells one unit from another, and all else as it was (seed ${SEED})`, function () {
    requireTool(this, 'edid-decode');
    let sections = 0;
    for (const spec of fc.sample(randomEdid, { numRuns: 40, seed: SEED })) {
      const before = withSerials(buildEdid({ ...spec, missing: 0 }));
      const masked = withFile(before, (path) => {
        const rows = execFileSync('sh', ['-c', `${FUNCTIONS}\nscreen "$0"`, path, 'none.txt'], {
          encoding: 'utf8',
        });
        return Uint8Array.from(Buffer.from(rows.replaceAll(/\s/g, ''), 'hex'));
      });
      const [was, is] = [before, masked].map((bytes) => readEdid(bytes, new ProblemList()));
      expect(is).to.deep.equal(was);
      for (const word of UNIT) {
        expect(Buffer.from(before).includes(Buffer.from(word))).to.equal(true);
        expect(Buffer.from(masked).includes(Buffer.from(word)), word.toString()).to.equal(false);
      }
      const printed = withFile(masked, (path) => runWithComplaints('edid-decode', ['-c', path]));
      const serials = printed
        .split('\n')
        .filter((line) => /Serial Number: (?!One or more)/.test(line));
      for (const line of serials) expect(line).to.match(/Serial Number: (0|'\s*'|\.\.\.)?$/);
      if (is!.checksumsHold) expect(printed).to.not.match(/should be 0x/);
      sections += /DisplayID Extension/.test(printed) ? 1 : 0;
    }
    expect(sections).to.be.greaterThan(10);
  });

  it('leaves the addresses of network ports out, also where their names hold them', () => {
    const ports =
      '[{"ifname":"enx00a1b2c3d4e5","address":"00:a1:b2:c3:d4:e5","phys_switch_id":"00a1b2","mtu":1500}]';
    const printed = execFileSync('sh', ['-c', `${FUNCTIONS}\nmasked`, 'sh', 'none.txt'], {
      encoding: 'utf8',
      input: ports,
    });
    expect(printed.trim()).to.equal(
      '[{"ifname":"enxe5","address":"","phys_switch_id":"","mtu":1500}]',
    );
  });

  describe('on this machine', () => {
    const folder = mkdtempSync(join(tmpdir(), 'tenant-survey-'));
    const runIt = (...args: readonly string[]) =>
      spawnSync('sh', [SCRIPT, ...args], { cwd: folder });
    after(() => rmSync(folder, { recursive: true }));

    it('writes one file that reads without a problem, but for what it says it could not read', () => {
      expect(runIt('here.txt').status).to.equal(0);
      expect(readdirSync(folder)).to.deep.equal(['here.txt']);
      const { evidence, machine } = take(readFileSync(join(folder, 'here.txt'), 'utf8'));
      const problems = evidence.files.flatMap((file) => file.problems.map(({ code }) => code));
      expect(problems.filter((code) => code !== 'bundle.notRead')).to.deep.equal([]);
      expect(valueOf(machine.system.version)).to.match(/^\d+\.\d+$/);
      const release = execFileSync('uname', ['-r'], { encoding: 'utf8' }).trim();
      expect(valueOf(machine.system.build)).to.equal(release);
    });

    it('says what it could not read for want of rights', function () {
      if (process.getuid?.() !== 0 || !existsSync('/sys/bus/pci/devices')) {
        console.warn('      skipped: it takes root to run it as somebody else, and PCI devices');
        this.skip();
      }
      const open = mkdtempSync(join(tmpdir(), 'tenant-survey-'));
      try {
        chmodSync(open, 0o777);
        const nobody = 65534;
        spawnSync('sh', [SCRIPT, 'plain.txt'], { cwd: open, uid: nobody, gid: nobody });
        const { evidence, machine } = take(readFileSync(join(open, 'plain.txt'), 'utf8'));
        const said = evidence.files.flatMap(({ problems }) => problems.map(({ found }) => found));
        expect(said).to.include('registers beyond the first 64 bytes: not root');
        expect(machine.functions.length).to.be.greaterThan(0);
      } finally {
        rmSync(open, { recursive: true });
      }
    });

    it('never writes over a file, and says how it is used when it is used wrongly', () => {
      writeFileSync(join(folder, 'there.txt'), 'mine');
      expect(runIt('there.txt').status).to.equal(2);
      expect(readFileSync(join(folder, 'there.txt'), 'utf8')).to.equal('mine');
      const wrong = runIt('--everything');
      expect(wrong.status).to.equal(2);
      expect(String(wrong.stderr)).to.match(/Usage/);
    });
  });

  describe('in a machine that was built for it', () => {
    const BUILT: VirtualMachine = {
      ports: [
        { slot: 1, device: 4, gigatransfers: '8', width: 4, card: 'e1000e' },
        { slot: 2, device: 5, gigatransfers: '16', width: 16, card: null },
        { slot: 3, device: 6, gigatransfers: '5', width: 1, card: 'qemu-xhci' },
        { slot: 7, device: 7, gigatransfers: '2_5', width: 8, card: null },
      ],
      behindSwitch: [11, 12],
      records: [
        // The label and the record say sixteen lanes; the port has four.
        { label: 'QUAY_X16', type: 0xb6, width: 0x0d, usage: 4, number: 1, device: 4 },
        { label: 'QUAY_TOP', type: 0xbd, width: 0x0d, usage: 3, number: 2, device: 5 },
        // The record says that it is free; a card is in it.
        { label: 'QUAY_X1', type: 0xac, width: 0x08, usage: 3, number: 3, device: 6 },
      ],
      firmware: { vendor: 'Saltmarrow', version: 'F7', date: '03/14/2019' },
      system: { maker: 'Longreach', product: 'T7', serial: 'HARBOUR-SERIAL-77' },
    };
    let text = '';
    let read: ReturnType<typeof take>;

    before(function () {
      const missing = missingForQemu();
      if (missing !== null) {
        console.warn(`      skipped: ${missing} is not on this machine`);
        this.skip();
      }
      text = surveyInQemu(BUILT);
      read = take(text);
    });

    const slotNumbered = (number: number) => {
      const slot = read.machine.slots.find((each) => valueOf(each.number) === number);
      if (slot === undefined) throw new Error(`no slot ${number}\n${text.slice(0, 2000)}`);
      return slot;
    };

    it('finds every port with its lanes, generation and what is in it', () => {
      const generations = { '2_5': 1, '5': 2, '8': 3, '16': 4 } as const;
      for (const port of BUILT.ports) {
        const slot = slotNumbered(port.slot);
        expect([valueOf(slot.lanes), valueOf(slot.generation)], slot.label).to.deep.equal([
          port.width,
          generations[port.gigatransfers],
        ]);
        expect(slot.lanes?.source).to.equal('registers');
        expect(valueOf(slot.occupant) !== null, slot.label).to.equal(port.card !== null);
      }
    });

    it('finds the same slots, links and cards where root’s rights are missing, and says so once', () => {
      // The system shows 64 bytes of registers to others, the links and the slots to all.
      const row = /^ ([0-9a-f]{2,3}): /;
      const plain = text
        .split('\n')
        .filter((line) => parseInt(row.exec(line)?.[1] ?? '0', 16) < 64)
        .join('\n');
      const others = take(plain);
      const seen = ({ machine }: typeof others) =>
        machine.slots.map((slot) => ({
          port: valueOf(slot.port),
          lanes: valueOf(slot.lanes),
          generation: valueOf(slot.generation),
          holds: valueOf(slot.occupant)?.ids ?? null,
        }));
      expect(
        others.evidence.devices.functions.every(({ express }) => express?.kind == null),
      ).to.equal(true);
      // Of the port above the switch the system lists no slot, and there is none.
      const aboveSwitch = '0000:00:1a.0';
      expect(seen(others)).to.deep.equal(seen(read).filter(({ port }) => port !== aboveSwitch));
      const denied = others.evidence.files.flatMap(({ problems }) =>
        problems.filter(({ code }) => code.startsWith('capability.denied')),
      );
      expect(denied).to.have.length(1);
    });

    it('joins the records to the ports by address, and shows what they contradict', () => {
      expect([1, 2, 3].map((number) => slotNumbered(number).label)).to.deep.equal(
        BUILT.records.map(({ label }) => label),
      );
      expect(disagreeing(slotNumbered(1).lanes)).to.deep.equal([{ value: 16, source: 'firmware' }]);
      expect(disagreeing(slotNumbered(3).occupant)).to.deep.equal([
        { value: null, source: 'firmware' },
      ]);
      expect(disagreeing(slotNumbered(2).lanes)).to.deep.equal([]);
      const where = contradictions(read.machine).map(({ path: [, slot, fact] }) => [
        read.machine.slots[Number(slot)]?.label,
        fact,
      ]);
      expect(where).to.deep.equal([
        ['QUAY_X16', 'lanes'],
        ['QUAY_X1', 'occupant'],
      ]);
      expect(valueOf(slotNumbered(1).connectorLanes)).to.equal(16);
    });

    it('knows which slots share a switch', () => {
      const uplinks = BUILT.behindSwitch.map((number) => valueOf(slotNumbered(number).uplink)?.id);
      expect(uplinks[0]).to.match(/^0000:/);
      expect(uplinks[0]).to.equal(uplinks[1]);
      expect(slotNumbered(1).uplink).to.equal(null);
    });

    it('knows firmware, maker and system', () => {
      const { firmware, system, name } = read.machine;
      expect(name).to.equal('Longreach T7');
      expect([
        valueOf(firmware.version),
        valueOf(firmware.date),
        valueOf(firmware.kind),
      ]).to.deep.equal(['F7', '2019-03-14', 'bios']);
      expect([
        valueOf(system.family),
        valueOf(system.name),
        valueOf(system.architecture),
      ]).to.deep.equal(['linux', 'Harbour Linux 4', 'x86-64']);
    });

    it('says what it could not read there', () => {
      const problems = read.evidence.files.flatMap((file) => file.problems);
      expect(problems.map(({ code }) => code)).to.include('bundle.notRead');
      expect(
        problems.some(({ found }) => /lspci is not on this system/.test(found ?? '')),
      ).to.equal(true);
    });

    it('leaves serial numbers out, and takes them along when asked', () => {
      const hex = (word: string) => Buffer.from(word).toString('hex').replace(/../g, ' $&');
      const flat = (survey: string) => survey.replace(/\s+/g, ' ');
      expect(flat(text)).to.not.include(hex(BUILT.system.serial).trim());
      expect(flat(text)).to.include(hex(BUILT.system.product).trim());
      expect(flat(surveyInQemu(BUILT, '--serials'))).to.include(hex(BUILT.system.serial).trim());
    });
  });
});
