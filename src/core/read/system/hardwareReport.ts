/**
 * Reads the hardware report of the third desktop system: cards in slots, their links, whether a driver is installed and
 * bears that they come and go; and what the system says of itself. As text, as JSON, or as a property list.
 * Source: system_profiler(8) and what it prints (from memory). The three forms name their keys differently, and so do
 * releases: each is known by its letters alone, without the prefix of its section.
 */
import { SaxesParser } from 'saxes';
import { generationAt, type Generation } from '../../standards/pciExpress.ts';
import { MOST, clipped } from '../../parts/limits.ts';
import { linesOf } from '../lines.ts';
import { upTo, within, type ProblemList } from '../problem.ts';
import type { TextReader } from '../reader.ts';

export const hardwareReport = {
  kind: 'hardwareReport',
  head: [
    /"SP(?:PCI|Software|Hardware)DataType"\s{0,9}:/,
    /<string>SP(?:PCI|Software|Hardware)DataType<\/string>/,
    /^(?:PCI|PCI Cards|Software|Hardware):[ \t]{0,9}\r?\n\s/m,
  ],
  read(text, problems) {
    const report = readHardwareReport(text, problems);
    return { found: report.cards.length, says: { hardware: [report] } };
  },
} satisfies TextReader;

export interface ReportedCard {
  readonly name: string;
  /** What the report calls its slot; null where it names none. */
  readonly slotName: string | null;
  readonly vendor: number;
  readonly device: number;
  /** What its link trained to. */
  readonly link: { readonly generation: Generation | null; readonly width: number } | null;
  /** Null where the report does not say. */
  readonly driverInstalled: boolean | null;
  /** Whether its driver bears that it comes and goes with an external box. */
  readonly hotPlug: boolean | null;
}

export interface HardwareReport {
  readonly cards: readonly ReportedCard[];
  /** The system by name, release and build. */
  readonly system: {
    readonly name: string;
    readonly version: string | null;
    readonly build: string | null;
  } | null;
  /** What the machine is called by its maker. */
  readonly model: string | null;
}

/** One heading of the report with what stands under it. */
interface Part {
  readonly name: string;
  readonly properties: Map<string, string>;
  readonly parts: Part[];
}

/** Headings deeper than this are damage. */
const DEEPEST = 16;
/** Sections of the report, by the names that the text and the others give them. */
const SECTIONS = {
  cards: ['pci', 'pcicards', 'sppcidatatype'],
  software: ['software', 'spsoftwaredatatype'],
  hardware: ['hardware', 'sphardwaredatatype'],
} as const;

/** Never throws: what cannot be read is a problem. */
export function readHardwareReport(input: string, problems: ProblemList): HardwareReport {
  const text = input.trimStart();
  const sections = text.startsWith('<')
    ? fromPropertyList(text, problems)
    : text.startsWith('{')
      ? fromJson(text, problems)
      : fromText(input, problems);
  const under = (which: keyof typeof SECTIONS) =>
    sections
      .filter(({ name }) => (SECTIONS[which] as readonly string[]).includes(keyOf(name)))
      .flatMap(withAllBelow);
  const cards = under('cards').flatMap((part) => cardOf(part, problems));
  const first = (which: keyof typeof SECTIONS, ...keys: readonly string[]) =>
    under(which).flatMap(({ properties }) => keys.flatMap((key) => properties.get(key) ?? []))[0] ??
    null;
  const model = first('hardware', 'modelname', 'machinename', 'modelidentifier', 'machinemodel');
  const system = systemOf(first('software', 'systemversion', 'osversion'));
  if (cards.length === 0 && system === null && model === null)
    problems.add({ code: 'report.nothingFound', line: 1, expected: 'PCI: … Vendor ID: 0x…' });
  return {
    cards: upTo(MOST.slots, cards, 'cards', problems),
    system,
    model: model === null ? null : clipped(model),
  };
}

/** All headings below one, and itself; no deeper than a report goes. */
function withAllBelow(part: Part): readonly Part[] {
  const all = [part];
  for (let at = 0; at < all.length; at += 1)
    for (const below of all[at]?.parts ?? []) all.push(below);
  return all;
}

/** By its letters alone: “Driver Installed” and `sppci_driver-installed` are the same. */
const keyOf = (name: string): string =>
  name
    .toLowerCase()
    .replace(/^_|^sppci_|^spsoftware_/, '')
    .replace(/[^a-z0-9]/g, '');

const CODE = /^0x([0-9a-f]{1,8})$/i;
const WIDTH = /^x(\d{1,3})$/i;
const SPEED = /^(\d{1,3}(?:\.\d{1,2})?) ?GT\/s$/i;
const WIDTHS = [0, 63] as const;

function cardOf({ name, properties }: Part, problems: ProblemList): readonly ReportedCard[] {
  const code = (key: string): number | null => {
    const digits = CODE.exec(properties.get(key) ?? '')?.[1];
    return digits === undefined ? null : parseInt(digits, 16) & 0xffff;
  };
  const [vendor, device] = [code('vendorid'), code('deviceid')];
  if (vendor === null || device === null) return [];
  const yes = (key: string): boolean | null => {
    const said = properties.get(key)?.toLowerCase() ?? '';
    return /yes|true/.test(said) ? true : /no|false/.test(said) ? false : null;
  };
  const width = within(
    WIDTH.exec(properties.get('linkwidth') ?? '')?.[1],
    WIDTHS,
    { at: clipped(name) },
    problems,
  );
  const speed = Number(SPEED.exec(properties.get('linkspeed') ?? '')?.[1]);
  const slotName = properties.get('slot') ?? properties.get('slotname') ?? '';
  return [
    {
      name: clipped(properties.get('name') ?? name),
      slotName: slotName === '' ? null : clipped(slotName),
      vendor,
      device,
      link: width === null || width === 0 ? null : { generation: generationAt(speed), width },
      driverInstalled: yes('driverinstalled'),
      hotPlug: yes('tunnelcompatible'),
    },
  ];
}

/** “macOS 12.6.1 (21G217)”: name, release, build. */
function systemOf(said: string | null): HardwareReport['system'] {
  if (said === null || said === '') return null;
  const open = said.indexOf('(');
  const name = (open === -1 ? said : said.slice(0, open)).trim();
  const build =
    open === -1
      ? ''
      : said
          .slice(open + 1)
          .split(')')[0]
          ?.trim();
  const version = /(?:^| )(\d{1,4}(?:\.\d{1,4}){0,3})$/.exec(name)?.[1];
  return {
    name: clipped(name),
    version: version ?? null,
    build: build === undefined || build === '' ? null : clipped(build),
  };
}

const emptyPart = (name: string): Part => ({ name, properties: new Map(), parts: [] });

/** What the deepest of the open headings is that this line stands under; what is deeper is closed. */
function fromText(input: string, problems: ProblemList): readonly Part[] {
  const top = emptyPart('');
  const open: { readonly indent: number; readonly part: Part }[] = [];
  for (const { raw } of linesOf(input, problems)) {
    const line = raw.trim();
    if (line === '') continue;
    const indent = raw.length - raw.trimStart().length;
    while ((open.at(-1)?.indent ?? -1) >= indent) open.pop();
    const under = open.at(-1)?.part ?? top;
    const colon = line.indexOf(':');
    if (colon === -1) continue;
    const value = line.slice(colon + 1).trim();
    if (value !== '') under.properties.set(keyOf(line.slice(0, colon)), value);
    else if (open.length < DEEPEST) {
      const part = emptyPart(line.slice(0, -1));
      under.parts.push(part);
      open.push({ indent, part });
    }
  }
  return top.parts;
}

function fromJson(input: string, problems: ProblemList): readonly Part[] {
  let data: unknown;
  try {
    data = JSON.parse(input);
  } catch {
    data = null;
  }
  if (!isRecord(data)) {
    problems.add({ code: 'report.unreadable', line: 1, expected: '{"SPPCIDataType": […]}' });
    return [];
  }
  return Object.entries(data).map(([name, items]) => ({
    ...emptyPart(name),
    parts: partsOf(items, 1),
  }));
}

const isRecord = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function partsOf(items: unknown, depth: number): Part[] {
  if (!Array.isArray(items) || depth > DEEPEST) return [];
  return items.filter(isRecord).map((item) => partOf(item, depth));
}

function partOf(item: Readonly<Record<string, unknown>>, depth: number): Part {
  const part = emptyPart(String(item['_name'] ?? ''));
  for (const [key, value] of Object.entries(item)) {
    if (Array.isArray(value)) for (const below of partsOf(value, depth + 1)) part.parts.push(below);
    else if (typeof value === 'string' || typeof value === 'boolean' || typeof value === 'number')
      part.properties.set(keyOf(key), String(value));
  }
  return part;
}

const LETTERS_AT_ONCE = 65_536;
const MOST_FAULTS = 20;

/** A list of sections, each a `dict` with its type and its items; read as the parser goes, so that length is all it costs. */
function fromPropertyList(input: string, problems: ProblemList): readonly Part[] {
  const parser = new SaxesParser();
  const root: unknown[] = [];
  /** What is open, from the outside in: a list, or a record with the key that was named last. */
  const open: { readonly into: unknown[] | Map<string, unknown>; key: string }[] = [
    { into: root, key: '' },
  ];
  let text = '';
  const put = (value: unknown) => {
    const last = open.at(-1);
    if (last === undefined) return;
    if (Array.isArray(last.into)) last.into.push(value);
    else last.into.set(last.key, value);
  };
  parser.on('opentag', ({ name }) => {
    text = '';
    if (name !== 'dict' && name !== 'array') return;
    const into = name === 'dict' ? new Map<string, unknown>() : [];
    put(into);
    open.push({ into, key: '' });
  });
  parser.on('text', (more) => {
    text += more;
  });
  parser.on('closetag', ({ name }) => {
    const last = open.at(-1);
    if (name === 'dict' || name === 'array') open.pop();
    else if (name === 'key' && last !== undefined) last.key = text;
    else if (name === 'true' || name === 'false') put(name);
    else if (name !== 'plist') put(text);
  });
  let failed = '';
  let faults = 0;
  // Behind a fault sound sections may follow; but some faults make the parser find another at every letter.
  parser.on('error', (error) => {
    faults += 1;
    failed ||= error.message;
    if (faults > MOST_FAULTS) throw error;
  });
  try {
    for (let at = 0; at < input.length; at += LETTERS_AT_ONCE)
      parser.write(input.slice(at, at + LETTERS_AT_ONCE));
    parser.close();
  } catch (error) {
    failed ||= `${parser.line}: ${String(error)}`;
  }
  if (failed !== '')
    problems.add({
      code: 'report.unreadable',
      line: Number(/^(\d{1,9}):/.exec(failed)?.[1] ?? 1),
      expected: '<plist> … <dict>',
    });
  return root.flatMap((list) =>
    Array.isArray(list) ? list.flatMap((section) => sectionOf(section)) : [],
  );
}

function sectionOf(section: unknown): readonly Part[] {
  if (!(section instanceof Map)) return [];
  const plain = plainOf(section, 0);
  if (!isRecord(plain)) return [];
  return [{ ...emptyPart(String(plain['_dataType'] ?? '')), parts: partsOf(plain['_items'], 1) }];
}

/** Records as objects without a prototype, so that no key of a file means anything but itself. */
function plainOf(value: unknown, depth: number): unknown {
  if (depth > 2 * DEEPEST) return null;
  if (Array.isArray(value)) return value.map((each) => plainOf(each, depth + 1));
  if (!(value instanceof Map)) return value;
  const plain: Record<string, unknown> = Object.create(null) as Record<string, unknown>;
  for (const [key, each] of value as Map<string, unknown>) plain[key] = plainOf(each, depth + 1);
  return plain;
}
