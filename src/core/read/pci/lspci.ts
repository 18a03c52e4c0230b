/**
 * Reads what `lspci -vvnn` and `lspci -xxxx` print, alone or mixed. Where a device has its registers in
 * hexadecimal they are decoded here and win over the text; the text gives names and drivers.
 */
import { linesOf } from '../lines.ts';
import { generationAt } from '../../standards/pciExpress.ts';
import type { Express, ExpressKind, LinkState, PciFunction } from '../../parts/pciFunction.ts';
import { ownValue } from '../../paths.ts';
import { decodeConfigSpace, isWindow } from './configSpace.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { ProblemList, upTo, within, type Problem } from '../problem.ts';
import type { TextReader } from '../reader.ts';
import type { DeviceReport } from './combine.ts';

export const lspci = {
  kind: 'lspci',
  head: [/^(?:[0-9a-f]{4,8}:)?[0-9a-f]{2}:[0-9a-f]{2}\.[0-7] \S/m],
  read(text, problems) {
    const reading = readLspci(text);
    for (const problem of reading.problems) problems.add(problem);
    const byRegisters = (fn: PciFunction) => reading.fromRegisters.has(fn.address);
    const reports: readonly DeviceReport[] = [
      { source: 'registers', functions: reading.functions.filter(byRegisters) },
      { source: 'text', functions: reading.functions.filter((fn) => !byRegisters(fn)) },
    ];
    return { found: reading.functions.length, says: { reports } };
  },
} satisfies TextReader;

const LARGEST_INPUT = 16 * 1024 * 1024;
const CONFIG_BYTES = 4096;

const HEADER = /^((?:[0-9a-f]{4,8}:)?[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]) (.+)$/;
/** Where a heading says the class; behind it, where it says vendor and device; and what may follow them. */
const CLASS_CODE = / ?\[([0-9a-f]{4})\]: /;
const IDENTITY = /(?:^| )\[([0-9a-f]{4}):([0-9a-f]{4})\]/g;
const REVISION = /^(?: \(rev ([0-9a-f]{2})\))?(?: \(prog-if ([0-9a-f]{2}))?/;
const HEX_LINE = /^([0-9a-f]{2,3}): ((?:[0-9a-f]{2} ?){1,16})$/;
const HEX_LIKE = /^[0-9a-f]{2,3}: [0-9a-f]/;
const SUBSYSTEM = /^Subsystem: .*\[([0-9a-f]{4}):([0-9a-f]{4})\]$/;
const BUS = /^Bus: primary=[0-9a-f]{2}, secondary=([0-9a-f]{2}), subordinate=([0-9a-f]{2})/;
const CAPABILITY = /^Capabilities: /;
const ACCESS_DENIED = /^Capabilities: (\[[0-9a-f]+\] )?<access denied>/;
const EXPRESS =
  /^Capabilities: \[[0-9a-f]+\] Express (?:\(v\d+\) )?([\w/ -]+?)(?: \(Slot([+-])\))?, /;
const LINK_ABLE = /^LnkCap:\s*Port #\d+, Speed ([\w./]+), Width x(\d{1,9})/;
const LINK_NOW = /^LnkSta:\s*Speed ([\w./]+)(?: \([a-z]+\))?, Width x(\d{1,9})/;
const SLOT = /^Slot #(\d{1,9}), PowerLimit >?(\d{1,9}(?:\.\d{1,9})?)W/;
const SLOT_LINE = /^Slot #/;
const WIDTHS = [0, 63] as const;
const SLOT_NUMBERS = [0, 0xffff] as const;
const SLOT_WATTS = [0, 1_000] as const;
const DRIVER = /^Kernel driver in use: (\S+)/;
const MODULES = /^Kernel modules: (.+)/;
/** A function that stands for several has a second list for those. */
const OWN_BARS = /^Capabilities: \[[0-9a-f]+ v\d+\] Physical Resizable BAR/;
const BAR = /^BAR \d{1,9}: current size: (\d{1,9}[MGTP]B)(?:, supported: (.*))?/;

const EXPRESS_KINDS: Readonly<Record<string, ExpressKind>> = {
  Endpoint: 'endpoint',
  'Legacy Endpoint': 'legacyEndpoint',
  'Root Port': 'rootPort',
  'Upstream Port': 'upstreamPort',
  'Downstream Port': 'downstreamPort',
  'PCI-Express to PCI/PCI-X Bridge': 'expressToPciBridge',
  'PCI/PCI-X to PCI-Express Bridge': 'pciToExpressBridge',
  'Root Complex Integrated Endpoint': 'integratedEndpoint',
  'Root Complex Event Collector': 'eventCollector',
};
export interface PciReading {
  readonly functions: readonly PciFunction[];
  /** Addresses whose registers were read, not only text about them. */
  readonly fromRegisters: ReadonlySet<string>;
  readonly problems: readonly Problem[];
}

interface Block {
  readonly address: string;
  readonly heading: string;
  readonly line: number;
  /** For problems. */
  readonly place: { readonly line: number; readonly at: string };
  readonly text: string[];
  readonly hex: { readonly line: number; readonly text: string }[];
}

/** Never throws: whatever cannot be read is a problem with its line. */
export function readLspci(input: string): PciReading {
  const problems = new ProblemList();
  const functions = new Map<string, PciFunction>();
  const fromRegisters = new Set<string>();
  if (input.length > LARGEST_INPUT) {
    problems.add({
      code: 'input.tooLarge',
      expected: `${LARGEST_INPUT}`,
      found: `${input.length}`,
    });
    return { functions: [], fromRegisters, problems: problems.all };
  }
  const blocks = splitBlocks(input, problems);
  for (const block of blocks) {
    const read = readBlock(block, problems);
    if (read === null) continue;
    if (functions.has(block.address)) {
      problems.add({ code: 'address.repeated', line: block.line, at: block.address });
      continue;
    }
    functions.set(block.address, read);
    if (block.hex.length > 0) fromRegisters.add(block.address);
  }
  if (blocks.length === 0) problems.add({ code: 'input.nothingFound', line: 1 });
  const listed = upTo(MOST.functions, [...functions.values()], 'devices', problems);
  return { functions: listed, fromRegisters, problems: problems.all };
}

function splitBlocks(input: string, problems: ProblemList): Block[] {
  const blocks: Block[] = [];
  let current: Block | null = null;
  for (const { line, raw } of linesOf(input, problems)) {
    const text = raw.trim();
    if (text === '') continue;
    const header = HEADER.exec(text);
    if (header !== null) {
      const [, address, heading] = header as unknown as [string, string, string];
      const at = fullAddress(address);
      current = { address: at, heading, line, place: { line, at }, text: [], hex: [] };
      blocks.push(current);
    } else if (current !== null) {
      if (HEX_LIKE.test(text)) current.hex.push({ line, text });
      else current.text.push(text);
    }
  }
  return blocks;
}

const fullAddress = (address: string): string =>
  address.split(':').length === 3 ? address : `0000:${address}`;

function readBlock(block: Block, problems: ProblemList): PciFunction | null {
  const ids = headingIds(block.heading);
  const name = ids === null ? null : nameOf(ids.className, ids.deviceName);
  const driver = clipped(first(block.text, DRIVER)?.[1] ?? '') || null;
  if (block.hex.length > 0) {
    const bytes = readHex(block, problems);
    const decoded = bytes && decodeConfigSpace(block.address, bytes, name, problems);
    return decoded && { ...decoded, driver, modules: modulesOf(block.text) };
  }
  if (ids === null) {
    problems.add({
      code: 'header.idsMissing',
      line: block.line,
      at: block.address,
      expected: '[class]: … [vendor:device]',
      found: block.heading.slice(0, 60),
    });
    return null;
  }
  const buses = first(block.text, BUS);
  return {
    address: block.address,
    vendor: ids.vendor,
    device: ids.device,
    subsystem: readSubsystem(block.text),
    classCode: ids.classCode,
    programmingInterface: ids.programmingInterface,
    revision: ids.revision,
    name,
    buses: buses && { secondary: hex(buses[1]), subordinate: hex(buses[2]) },
    express: readExpress(block, problems),
    driver,
    modules: modulesOf(block.text),
    resizableBar: readResizableBar(block.text),
  };
}

/** “class [0300]: maker model [1234:5678] (rev 01) (prog-if 00 …)”; the last identity is the device's own. */
function headingIds(heading: string) {
  const kind = CLASS_CODE.exec(heading);
  if (kind === null) return null;
  const rest = heading.slice(kind.index + kind[0].length);
  const identity = [...rest.matchAll(IDENTITY)].at(-1);
  if (identity === undefined) return null;
  const [, revision, programmingInterface] =
    REVISION.exec(rest.slice(identity.index + identity[0].length)) ?? [];
  return {
    className: heading.slice(0, kind.index),
    classCode: hex(kind[1]),
    deviceName: rest.slice(0, identity.index),
    vendor: hex(identity[1]),
    device: hex(identity[2]),
    revision: hex(revision ?? '0'),
    programmingInterface: hex(programmingInterface ?? '0'),
  };
}

function nameOf(className: string, deviceName: string): string | null {
  const name = [className, deviceName].filter((part) => part !== '').join(': ');
  return name === '' ? null : clipped(name);
}

/** The registers of a block, in the order of their offsets and without a gap, or null with a problem. */
function readHex(block: Block, problems: ProblemList): Uint8Array | null {
  const bytes = new Uint8Array(CONFIG_BYTES);
  let length = 0;
  for (const { line, text } of block.hex) {
    const match = HEX_LINE.exec(text);
    if (match === null) {
      problems.add({ code: 'hex.malformed', line, at: block.address, found: text.slice(0, 60) });
      return null;
    }
    const offset = hex(match[1]);
    const values = (match[2] ?? '').trim().split(' ');
    if (offset !== length || offset + values.length > CONFIG_BYTES) {
      problems.add({
        code: 'hex.outOfOrder',
        line,
        at: block.address,
        expected: length.toString(16),
        found: match[1] ?? '',
      });
      return null;
    }
    for (const value of values) bytes[length++] = hex(value);
  }
  return bytes.subarray(0, length);
}

function modulesOf(lines: readonly string[]): readonly string[] | null {
  const listed = first(lines, MODULES)?.[1];
  return listed === undefined ? null : listed.split(', ').slice(0, MOST.modules).map(clipped);
}

const SIZES: Readonly<Record<string, number>> = { M: 2 ** 20, G: 2 ** 30, T: 2 ** 40, P: 2 ** 50 };
const sizeOf = (text: string): number => parseInt(text, 10) * (SIZES[text.at(-2) ?? ''] ?? NaN);

/** The window that can become largest, as the registers are read too. */
function readResizableBar(lines: readonly string[]): PciFunction['resizableBar'] {
  const start = lines.findIndex((line) => OWN_BARS.test(line));
  const after = start === -1 ? [] : lines.slice(start + 1);
  const end = after.findIndex((line) => CAPABILITY.test(line));
  const bars = after.slice(0, end === -1 ? undefined : end).flatMap((line) => {
    const match = BAR.exec(line);
    if (match === null) return [];
    const nowBytes = sizeOf(match[1] ?? '');
    const sizes = (match[2] ?? '').split(' ').filter((size) => /^\d{1,9}[MGTP]B$/.test(size));
    return [{ nowBytes, mostBytes: Math.max(nowBytes, ...sizes.map(sizeOf)) }];
  });
  const largest = bars.toSorted((a, b) => b.mostBytes - a.mostBytes)[0];
  return largest !== undefined && isWindow(largest) ? largest : null;
}

function readSubsystem(lines: readonly string[]): PciFunction['subsystem'] {
  const match = first(lines, SUBSYSTEM);
  return match && { vendor: hex(match[1]), device: hex(match[2]) };
}

function readExpress(block: Block, problems: ProblemList): Express | null {
  if (block.text.some((line) => ACCESS_DENIED.test(line))) {
    problems.add({ code: 'capability.denied', line: block.line, at: block.address });
  }
  const start = block.text.findIndex((line) => EXPRESS.test(line));
  if (start === -1) return null;
  const [, kindText, slotMark] = EXPRESS.exec(block.text[start] ?? '') ?? [];
  const after = block.text.slice(start + 1);
  const end = after.findIndex((line) => CAPABILITY.test(line));
  const lines = end === -1 ? after : after.slice(0, end);
  const able = first(lines, LINK_ABLE);
  const now = first(lines, LINK_NOW);
  const state = (match: RegExpExecArray | null): LinkState | null => {
    const width = within(match?.[2], WIDTHS, block.place, problems);
    return match && width !== null
      ? { generation: generationOf(match[1] ?? '', block, problems), width }
      : null;
  };
  const link = { able: state(able), now: state(now) };
  return {
    kind: ownValue(EXPRESS_KINDS, kindText) ?? null,
    link: link.able && link.now && { able: link.able, now: link.now },
    slot: slotMark === '+' ? readSlot(lines, block, problems) : null,
  };
}

function readSlot(
  lines: readonly string[],
  { place }: Block,
  problems: ProblemList,
): Express['slot'] {
  const printed = lines.find((line) => SLOT_LINE.test(line));
  if (printed === undefined) return null;
  const match = SLOT.exec(printed);
  if (match === null) {
    const expected = 'Slot #1, PowerLimit 75W';
    problems.add({ code: 'field.outOfRange', ...place, expected, found: printed.slice(0, 60) });
    return null;
  }
  const number = within(match[1], SLOT_NUMBERS, place, problems);
  const powerWatts = within(match[2], SLOT_WATTS, place, problems);
  return number === null || powerWatts === null ? null : { number, powerWatts };
}

function generationOf(speed: string, block: Block, problems: ProblemList): LinkState['generation'] {
  const generation = speed.endsWith('GT/s') ? generationAt(Number(speed.slice(0, -4))) : null;
  if (generation !== null) return generation;
  if (speed !== 'unknown') {
    problems.add({
      code: 'link.speedNotSupported',
      line: block.line,
      at: block.address,
      found: speed,
    });
  }
  return null;
}

function first(lines: readonly string[], pattern: RegExp): RegExpExecArray | null {
  for (const line of lines) {
    const match = pattern.exec(line);
    if (match !== null) return match;
  }
  return null;
}

const hex = (digits: string | undefined): number => parseInt(digits ?? '', 16);
