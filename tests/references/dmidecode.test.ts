/**
 * Tenant's decoding of firmware tables against dmidecode, over random tables from a seed: what the decoder makes
 * of the bytes, field by field against dmidecode's words for the same bytes; and Tenant's reading of dmidecode's
 * report against Tenant's own reading of the bytes.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import {
  ProblemList,
  readDmidecode,
  readSmbios,
  type FirmwareReading,
  type FirmwareSlot,
} from '../../src/core/read/index.ts';
import { SLOT_TYPES } from '../../src/core/standards/index.ts';
import { ascii, buildDump, buildTable, randomTable } from '../builders/smbios.ts';
import { SEED, requireTool, runWithComplaints, withFile } from './tools.ts';
import { soaked } from '../builders/soak.ts';

const TABLES = soaked(60, 500);
const BUSES: readonly string[] = ['pcie', 'pci', 'm2'];

const dmidecode = (dump: Uint8Array) =>
  withFile(dump, (path) => runWithComplaints('dmidecode', ['--from-dump', path]));

/** Fields of every slot in dmidecode's words, by name. */
function printedSlots(report: string): readonly ReadonlyMap<string, string>[] {
  return report
    .split('\n\n')
    .filter((block) => /DMI type 9, /.test(block) && /\n\tDesignation/.test(block))
    .map(
      (block) =>
        new Map(
          [...block.matchAll(/^\t([^\t:][^:]*):\s?(.*)$/gm)].map((m) => [m[1] ?? '', m[2] ?? '']),
        ),
    );
}

const WIDTH_WORDS = /^(?:x(\d+)|\d+-bit|<OUT OF SPEC>) /;

/** Holds one decoded slot against the words, without using any table of Tenant's. */
function expectSlot(slot: FirmwareSlot, printed: ReadonlyMap<string, string>): void {
  const type = printed.get('Type') ?? '';
  const named = type.replace(WIDTH_WORDS, '');
  const ofName = /^PCI Express(?: (\d))?(?: x(\d+))?$/.exec(named);
  const bus =
    ofName !== null || named === 'PCI Express 6+'
      ? 'pcie'
      : /^PCI(-66|-X)?$/.test(named)
        ? 'pci'
        : /^M\.2/.test(named)
          ? 'm2'
          : /^(MXM|OCP|EDSFF|PCI Express (\d SFF|Mini))/.test(named)
            ? 'other'
            : null;
  expect(slot.bus, type).to.equal(bus);
  const label = printed.get('Designation')?.trim() ?? '';
  expect(slot.label ?? '', 'label').to.equal(
    /^(<BAD INDEX>|Not Specified)$/.test(label) ? '' : label,
  );
  expect(slot.address, 'address').to.equal(printed.get('Bus Address') ?? null);
  const usage = printed.get('Current Usage') ?? '';
  expect(slot.usage, 'usage').to.equal(
    ({ Available: 'available', 'In Use': 'inUse', Unavailable: 'unavailable' } as const)[usage] ??
      null,
  );
  const height = printed.get('Height') ?? '';
  expect(slot.height, 'height').to.equal(
    ({ 'Full height': 'full', 'Low-profile': 'low' } as const)[height] ?? null,
  );
  const length = printed.get('Length') ?? '';
  expect(slot.cardLength, 'length').to.equal(
    ({ Short: 'short', Long: 'long' } as const)[length] ?? null,
  );
  if (bus === 'pcie') {
    const stated = Number(printed.get('PCI Express Generation') ?? 0);
    expect(slot.generation, 'generation').to.equal(
      stated >= 1 && stated <= 5 ? stated : numberOr(ofName?.[1]),
    );
    const [lanes, physical] = [
      WIDTH_WORDS.exec(type)?.[1],
      /^x(\d+)$/.exec(printed.get('Slot Physical Width') ?? '')?.[1],
    ];
    const ofType = ofName?.[2];
    expect(slot.lanes, `lanes of ${type}`).to.equal(numberOr(lanes ?? ofType));
    expect(slot.connectorLanes, 'connector').to.equal(numberOr(physical ?? ofType));
  }
}

const numberOr = (text: string | undefined) => (text === undefined ? null : Number(text));

describe('Firmware tables against dmidecode', () => {
  const tables = fc.sample(randomTable, { numRuns: TABLES, seed: SEED });

  before(function () {
    requireTool(this, 'dmidecode');
  });

  it(`decodes the slots of ${TABLES} tables as dmidecode prints them (seed ${SEED})`, () => {
    let slots = 0;
    let broken = 0;
    for (const table of tables) {
      const dump = buildDump(table);
      const report = dmidecode(dump);
      const problems = new ProblemList();
      const read = readSmbios(dump, problems);
      const printed = printedSlots(report);
      expect(read?.slots.length ?? 0, report).to.equal(printed.length);
      read?.slots.forEach((slot, n) => {
        try {
          expectSlot(slot, printed[n]!);
        } catch (error) {
          throw new Error(`${String(error)}\n${report}`, { cause: error });
        }
      });
      const noticed = problems.all.some(({ code }) => code === 'firmware.structureLength');
      expect(noticed, report).to.equal(/DMI table is broken/.test(report));
      slots += printed.length;
      broken += noticed ? 1 : 0;
    }
    expect(slots).to.be.greaterThan(TABLES);
    expect(broken).to.be.greaterThan(10);
  });

  it('reads the report to the same as the bytes, firmware, names, chassis and devices included', () => {
    let compared = 0;
    for (const table of tables) {
      const dump = buildDump(table);
      const report = dmidecode(dump);
      const fromBytes = readSmbios(dump, new ProblemList());
      const fromText = readDmidecode(report, new ProblemList());
      expect(comparable(fromText), report).to.deep.equal(comparable(fromBytes));
      compared += fromBytes?.firmware.date == null ? 0 : 1;
    }
    expect(compared).to.be.greaterThan(TABLES / 2);
  });

  it('knows the same type of slot behind every code', () => {
    for (let code = 0; code < 256; code += 1) {
      const body = [1, code, 0x0d, 3, 4, 0, 0, 0, 0];
      const report = dmidecode(buildDump([{ type: 9, body, strings: [ascii('S')] }]));
      const words = (printedSlots(report)[0]?.get('Type') ?? '').replace(WIDTH_WORDS, '');
      const row = SLOT_TYPES.get(code);
      if (row !== undefined) expect(row.words, code.toString(16)).to.equal(words);
      else
        expect(words, code.toString(16)).to.not.match(
          /^(PCI Express( [1-5])?( x\d+)?|PCI|M\.2 .*)$/,
        );
    }
  });

  it('reads the bare table as it reads the dump', () => {
    for (const table of tables.slice(0, 50)) {
      const [bare, dumped] = [buildTable(table), buildDump(table)].map((bytes) =>
        readSmbios(bytes, new ProblemList()),
      );
      expect(bare).to.deep.equal(dumped);
    }
  });
});

/** Slots that take no card, and names dmidecode has no words for, are told apart by the bytes alone. */
function comparable(reading: FirmwareReading | null) {
  return (
    reading && {
      ...reading,
      slots: reading.slots
        .filter(({ bus }) => BUSES.includes(bus ?? ''))
        // It prints “None” where bifurcation is the only characteristic.
        .map(({ traits, ...slot }) => ({
          ...slot,
          number: null,
          traits: traits?.join() === 'splits' ? [] : traits,
        })),
      onBoard: reading.onBoard.map((device) => ({ ...device, kind: null })),
      chassis: null,
    }
  );
}
