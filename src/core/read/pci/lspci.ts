/**
 * Reads what `lspci -vvnn` and `lspci -xxxx` print, alone or mixed. Where a device has its registers in
 * hexadecimal they are decoded here and win over the text; the text gives names and drivers.
 */
import type { Express, ExpressKind, LinkState, PciFunction } from '../../parts/pciFunction.ts';
import { decodeConfigSpace } from './configSpace.ts';
import { ProblemList, type Problem } from '../problem.ts';

const LARGEST_INPUT = 16 * 1024 * 1024;
const LONGEST_LINE = 4096;
const CONFIG_BYTES = 4096;

const HEADER = /^((?:[0-9a-f]{4,8}:)?[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]) (.+)$/;
const HEADER_IDS =
  /^(.*?) ?\[([0-9a-f]{4})\]: (?:(.*) )?\[([0-9a-f]{4}):([0-9a-f]{4})\](?: \(rev ([0-9a-f]{2})\))?(?: \(prog-if ([0-9a-f]{2})[^)]*\)?)?/;
const HEX_LINE = /^([0-9a-f]{2,3}): ((?:[0-9a-f]{2} ?){1,16})$/;
const HEX_LIKE = /^[0-9a-f]{2,3}: [0-9a-f]/;
const SUBSYSTEM = /^Subsystem: .*\[([0-9a-f]{4}):([0-9a-f]{4})\]$/;
const BUS = /^Bus: primary=[0-9a-f]{2}, secondary=([0-9a-f]{2}), subordinate=([0-9a-f]{2})/;
const CAPABILITY = /^Capabilities: /;
const ACCESS_DENIED = /^Capabilities: (\[[0-9a-f]+\] )?<access denied>/;
const EXPRESS =
  /^Capabilities: \[[0-9a-f]+\] Express (?:\(v\d+\) )?([\w/ -]+?)(?: \(Slot([+-])\))?, /;
const LINK_ABLE = /^LnkCap:\s*Port #\d+, Speed ([\w./]+), Width x(\d+)/;
const LINK_NOW = /^LnkSta:\s*Speed ([\w./]+)(?: \([a-z]+\))?, Width x(\d+)/;
const SLOT = /^Slot #(\d+), PowerLimit >?([\d.]+)W/;
const DRIVER = /^Kernel driver in use: (\S+)/;
const MODULES = /^Kernel modules: (.+)/;
/** A function that stands for several has a second list for those. */
const OWN_BARS = /^Capabilities: \[[0-9a-f]+ v\d+\] Physical Resizable BAR/;
const BAR = /^BAR \d+: current size: (\d+[MGTP]B)(?:, supported: (.*))?/;

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
const GENERATION_BY_SPEED: Readonly<Record<string, LinkState['generation']>> = {
  '2.5GT/s': 1,
  '5GT/s': 2,
  '8GT/s': 3,
  '16GT/s': 4,
  '32GT/s': 5,
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
  return { functions: [...functions.values()], fromRegisters, problems: problems.all };
}

function splitBlocks(input: string, problems: ProblemList): Block[] {
  const blocks: Block[] = [];
  let current: Block | null = null;
  let line = 0;
  for (const raw of input.split('\n')) {
    line += 1;
    if (raw.length > LONGEST_LINE) {
      problems.add({ code: 'line.tooLong', line, expected: `${LONGEST_LINE}` });
      continue;
    }
    const text = raw.trim();
    if (text === '') continue;
    const header = HEADER.exec(text);
    if (header !== null) {
      const [, address, heading] = header as unknown as [string, string, string];
      current = { address: fullAddress(address), heading, line, text: [], hex: [] };
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
  const ids = HEADER_IDS.exec(block.heading);
  const name = ids === null ? null : nameOf(ids[1] ?? '', ids[3] ?? '');
  const driver = first(block.text, DRIVER)?.[1] ?? null;
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
    vendor: hex(ids[4]),
    device: hex(ids[5]),
    subsystem: readSubsystem(block.text),
    classCode: hex(ids[2]),
    programmingInterface: hex(ids[7] ?? '0'),
    revision: hex(ids[6] ?? '0'),
    name,
    buses: buses && { secondary: hex(buses[1]), subordinate: hex(buses[2]) },
    express: readExpress(block, problems),
    driver,
    modules: modulesOf(block.text),
    resizableBar: readResizableBar(block.text),
  };
}

function nameOf(className: string, deviceName: string): string | null {
  const name = [className, deviceName].filter((part) => part !== '').join(': ');
  return name === '' ? null : name.slice(0, 200);
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
  return listed === undefined ? null : listed.split(', ').map((name) => name.slice(0, 200));
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
    const sizes = (match[2] ?? '').split(' ').filter((size) => /^\d+[MGTP]B$/.test(size));
    return [{ nowBytes, mostBytes: Math.max(nowBytes, ...sizes.map(sizeOf)) }];
  });
  return bars.toSorted((a, b) => b.mostBytes - a.mostBytes)[0] ?? null;
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
  const slot = slotMark === '+' ? first(lines, SLOT) : null;
  const state = (match: RegExpExecArray): LinkState => ({
    generation: generationOf(match[1] ?? '', block, problems),
    width: Number(match[2]),
  });
  return {
    kind: EXPRESS_KINDS[kindText ?? ''] ?? null,
    link: able && now && { able: state(able), now: state(now) },
    slot: slot && { number: Number(slot[1]), powerWatts: Number(slot[2]) },
  };
}

function generationOf(speed: string, block: Block, problems: ProblemList): LinkState['generation'] {
  const generation = GENERATION_BY_SPEED[speed];
  if (generation !== undefined) return generation;
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
