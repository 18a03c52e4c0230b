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
import {
  contradictions,
  disagreeing,
  emptyMachine,
  takeEvidence,
  readEvidence,
  valueOf,
  type Evidence,
  type Machine,
} from '../../src/core/index.ts';
import { missingForQemu, surveyInQemu, type VirtualMachine } from '../builders/virtualMachine.ts';
import { requireTool } from './tools.ts';

const SCRIPT = new URL('../../static/survey.sh', import.meta.url).pathname;
const take = (text: string): { evidence: Evidence; machine: Machine } => {
  const evidence = readEvidence([{ name: 'survey.txt', content: text }]);
  return { evidence, machine: takeEvidence(emptyMachine(), evidence).machine };
};

describe('The survey script', () => {
  it('is plain POSIX shell', function () {
    requireTool(this, 'shellcheck');
    execFileSync('shellcheck', ['-s', 'sh', '-S', 'warning', SCRIPT]);
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
        expect(slot.lanes?.witness).to.equal('registers');
        expect(valueOf(slot.occupant) !== null, slot.label).to.equal(port.card !== null);
      }
    });

    it('joins the records to the ports by address, and shows what they contradict', () => {
      expect([1, 2, 3].map((number) => slotNumbered(number).label)).to.deep.equal(
        BUILT.records.map(({ label }) => label),
      );
      expect(disagreeing(slotNumbered(1).lanes)).to.deep.equal([
        { value: 16, witness: 'firmware' },
      ]);
      expect(disagreeing(slotNumbered(3).occupant)).to.deep.equal([
        { value: null, witness: 'firmware' },
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
