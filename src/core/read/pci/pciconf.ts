/**
 * Reads what `pciconf -lvc` prints on BSD: one device a paragraph, its capabilities behind it. Addresses are decimal
 * there. Source: pciconf(8) (from memory): older releases print `card` and `chip`, newer ones four identities by name.
 */
import { linesOf } from '../lines.ts';
import { inHex } from '../../units.ts';
import { generationAt } from '../../standards/pciExpress.ts';
import {
  emptyFunction,
  type Express,
  type ExpressKind,
  type LinkState,
  type PciFunction,
} from '../../parts/pciFunction.ts';
import { ownValue } from '../../paths.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { upTo, within, type ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';
import type { DeviceReport } from './combine.ts';

export const pciconf = {
  kind: 'pciconf',
  head: [/^[a-z][a-z0-9_]{0,30}\d{1,5}@pci\d/m],
  read(text, problems) {
    const { functions, units } = readPciconf(text, problems);
    const report: DeviceReport = { source: 'text', functions };
    return { found: functions.length, says: { reports: [report], units: [units] } };
  },
} satisfies TextReader;

/** Its name with its number, its place, and what its registers say it is. */
const HEADER =
  /^([a-z][a-z0-9_]{0,30}?)(\d{1,5})@pci(\d{1,9}):(\d{1,3}):(\d{1,2}):(\d):\s+class=0x([0-9a-f]{6}) /;
const FIELD = /\b(card|chip|rev|vendor|device|subvendor|subdevice)=0x([0-9a-f]{2,8})/g;
const NAMED = /^(vendor|device|class|subclass)\s+= '?([^']{0,200})'?$/;
const EXPRESS =
  /^cap 10\[[0-9a-f]{2}\] = PCI-Express \d{1,2} (legacy endpoint|endpoint|root port|upstream port|downstream port|PCI bridge|PCI to PCIe bridge|root endpoint|event collector)/;
const CAPABILITY = /^e?cap [0-9a-f]{2,4}\[/;
const LINK = /^link x(\d{1,3})\(x(\d{1,3})\)(?: speed ([\d.]{1,6})\(([\d.]{1,6})\))?/;
const SLOT = /^slot (\d{1,9}) power limit (\d{1,9}) mW/;
/** A name for what nothing drives. */
const NO_DRIVER = 'none';

const EXPRESS_KINDS: Readonly<Record<string, ExpressKind>> = {
  endpoint: 'endpoint',
  'legacy endpoint': 'legacyEndpoint',
  'root port': 'rootPort',
  'upstream port': 'upstreamPort',
  'downstream port': 'downstreamPort',
  'PCI bridge': 'expressToPciBridge',
  'PCI to PCIe bridge': 'pciToExpressBridge',
  'root endpoint': 'integratedEndpoint',
  'event collector': 'eventCollector',
};
const WIDTHS = [0, 63] as const;
const SLOT_NUMBERS = [0, 0xffff] as const;
const SLOT_MILLIWATTS = [0, 1_000_000] as const;

export interface PciconfReading {
  readonly functions: readonly PciFunction[];
  /** Address of each device by its name with its number, such as `igb0`. */
  readonly units: ReadonlyMap<string, string>;
}

interface Paragraph {
  readonly line: number;
  readonly header: RegExpExecArray;
  readonly text: string;
  readonly body: string[];
}

/** Never throws: what cannot be read is a problem with its line. */
export function readPciconf(input: string, problems: ProblemList): PciconfReading {
  const functions = new Map<string, PciFunction>();
  const units = new Map<string, string>();
  for (const paragraph of paragraphs(input, problems)) {
    const fn = readParagraph(paragraph, problems);
    if (functions.has(fn.address)) {
      problems.add({ code: 'address.repeated', line: paragraph.line, at: fn.address });
      continue;
    }
    functions.set(fn.address, fn);
    const [, name = '', number = ''] = paragraph.header;
    if (name !== NO_DRIVER) units.set(`${name}${number}`, fn.address);
  }
  return { functions: upTo(MOST.functions, [...functions.values()], 'devices', problems), units };
}

function paragraphs(input: string, problems: ProblemList): readonly Paragraph[] {
  const found: Paragraph[] = [];
  for (const { line, raw } of linesOf(input, problems)) {
    const header = HEADER.exec(raw);
    if (header !== null) found.push({ line, header, text: raw, body: [] });
    else found.at(-1)?.body.push(raw.trim());
  }
  return found;
}

function readParagraph(
  { line, header, text, body }: Paragraph,
  problems: ProblemList,
): PciFunction {
  const [, driver = '', , domain, bus, slot, fn, classCode = ''] = header;
  const number = (digits: string | undefined, width: number) => inHex(Number(digits), width);
  const address = `${number(domain, 4)}:${number(bus, 2)}:${number(slot, 2)}.${Number(fn) % 8}`;
  const fields = new Map(
    [...text.matchAll(FIELD)].map(([, name = '', digits]) => [name, parseInt(digits ?? '', 16)]),
  );
  const low = (name: string) => (fields.get(name) ?? 0) & 0xffff;
  const high = (name: string) => (fields.get(name) ?? 0) >>> 16;
  const code = parseInt(classCode, 16);
  const subsystem = fields.has('card')
    ? { vendor: low('card'), device: high('card') }
    : { vendor: low('subvendor'), device: low('subdevice') };
  return {
    ...emptyFunction(address),
    vendor: fields.has('chip') ? low('chip') : low('vendor'),
    device: fields.has('chip') ? high('chip') : low('device'),
    subsystem: subsystem.vendor === 0 ? null : subsystem,
    classCode: code >>> 8,
    programmingInterface: code & 0xff,
    revision: low('rev') & 0xff,
    name: nameOf(body),
    express: readExpress(body, { line, at: address }, problems),
    driver: driver === NO_DRIVER ? null : clipped(driver),
  };
}

/** As other reports name it: what it is, maker, model. */
function nameOf(body: readonly string[]): string | null {
  const named = new Map(
    body.flatMap((text) => {
      const match = NAMED.exec(text);
      return match === null ? [] : [[match[1] ?? '', match[2] ?? ''] as const];
    }),
  );
  const device = [named.get('vendor') ?? '', named.get('device') ?? ''].join(' ').trim();
  if (device === '') return null;
  const kind = named.get('subclass') ?? named.get('class') ?? '';
  return clipped([kind, device].filter((part) => part !== '').join(': '));
}

interface Place {
  readonly line: number;
  readonly at: string;
}

function readExpress(body: readonly string[], place: Place, problems: ProblemList): Express | null {
  const start = body.findIndex((text) => EXPRESS.test(text));
  if (start === -1) return null;
  const after = body.slice(start + 1);
  const end = after.findIndex((text) => CAPABILITY.test(text));
  const lines = end === -1 ? after : after.slice(0, end);
  const link = firstOf(lines, LINK);
  const slot = firstOf(lines, SLOT);
  const state = (width: string | undefined, speed: string | undefined): LinkState | null => {
    const lanes = within(width, WIDTHS, place, problems);
    return lanes === null ? null : { generation: generationAt(Number(speed)), width: lanes };
  };
  const [now, able] = [state(link?.[1], link?.[3]), state(link?.[2], link?.[4])];
  const slotNumber = within(slot?.[1], SLOT_NUMBERS, place, problems);
  const milliwatts = within(slot?.[2], SLOT_MILLIWATTS, place, problems);
  return {
    kind: ownValue(EXPRESS_KINDS, EXPRESS.exec(body[start] ?? '')?.[1]) ?? null,
    link: now && able && { able, now },
    slot:
      slotNumber === null || milliwatts === null
        ? null
        : { number: slotNumber, powerWatts: milliwatts / 1000 },
  };
}

function firstOf(lines: readonly string[], pattern: RegExp): RegExpExecArray | null {
  for (const text of lines) {
    const match = pattern.exec(text);
    if (match !== null) return match;
  }
  return null;
}
