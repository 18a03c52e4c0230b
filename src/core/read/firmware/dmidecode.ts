/** Reads the report that `dmidecode` prints, into the same reading as the firmware's own table gives. */
import { linesOf } from '../lines.ts';
import type { Generation } from '../../standards/pciExpress.ts';
import {
  SLOT_HEIGHTS,
  SLOT_LENGTHS,
  SLOT_TRAITS,
  SLOT_TYPES,
  SLOT_USAGES,
  SLOT_WIDTHS,
  type SlotTrait,
  type SlotTypeRow,
} from '../../standards/slotRecords.ts';
import { clipped } from '../../parts/limits.ts';
import { within, type ProblemList } from '../problem.ts';
import type { FirmwareReading, FirmwareSlot } from './firmware.ts';
import { emptyFirmware, filled, firmwareDate, saidBy, slotFrom } from './firmware.ts';
import { one, type TextReader } from '../reader.ts';

export const dmidecode = {
  kind: 'dmidecode',
  head: [/^Handle 0x[0-9A-F]+, DMI type \d+/m],
  read(text, problems) {
    const firmware = one(readDmidecode(text, problems));
    const slots = firmware.flatMap((each) => each.slots);
    return { found: slots.length, says: { firmware: firmware.map(saidBy('text')) } };
  },
} satisfies TextReader;

const HANDLE = /^Handle 0x[0-9A-F]+, DMI type (\d+), (\d+) bytes$/;
/** From this length on a firmware record says whether it is UEFI. */
const FIRMWARE_BYTES_WITH_UEFI = 0x14;
const FIELD = /^\t([^\t:][^:]*):\s?(.*)$/;
const ITEM = /^\t\t(.+)$/;

interface Block {
  readonly type: number;
  readonly bytes: number;
  readonly line: number;
  readonly fields: Map<string, string>;
  /** Lines below a field, such as its characteristics. */
  readonly items: string[];
}

/** @returns null (with a problem) where no structure was found */
export function readDmidecode(input: string, problems: ProblemList): FirmwareReading | null {
  const blocks = splitBlocks(input, problems);
  if (blocks.length === 0) {
    problems.add({ code: 'firmware.nothingFound', line: 1 });
    return null;
  }
  const first = (type: number) => blocks.find((block) => block.type === type);
  const named = (type: number, name: string) => filled(first(type)?.fields.get(name) ?? null);
  const firmware = first(0);
  return {
    ...emptyFirmware(),
    firmware: {
      vendor: named(0, 'Vendor'),
      version: named(0, 'Version'),
      date: firmwareDate(firmware?.fields.get('Release Date') ?? null),
      uefi:
        firmware === undefined || firmware.bytes < FIRMWARE_BYTES_WITH_UEFI
          ? null
          : firmware.items.includes('UEFI is supported'),
    },
    system: { maker: named(1, 'Manufacturer'), product: named(1, 'Product Name') },
    board: { maker: named(2, 'Manufacturer'), product: named(2, 'Product Name') },
    chassis: named(3, 'Type'),
    slots: blocks.filter(({ type }) => type === 9).map((block) => slotOf(block, problems)),
    onBoard: blocks
      .filter(({ type, fields }) => type === 41 && fields.has('Reference Designation'))
      .map(({ fields }) => ({
        name: filled(fields.get('Reference Designation') ?? null) ?? '',
        kind: filled(fields.get('Type') ?? null),
        enabled: fields.get('Status') === 'Enabled',
        address: addressOf(fields.get('Bus Address')),
      })),
  };
}

function splitBlocks(input: string, problems: ProblemList): readonly Block[] {
  const blocks: Block[] = [];
  for (const { line, raw } of linesOf(input, problems)) {
    const text = raw.replace(/\r$/, '');
    const handle = HANDLE.exec(text);
    if (handle !== null) {
      blocks.push({
        type: Number(handle[1]),
        bytes: Number(handle[2]),
        line,
        fields: new Map(),
        items: [],
      });
      continue;
    }
    const block = blocks.at(-1);
    const item = ITEM.exec(text);
    if (item !== null) {
      block?.items.push(item[1] ?? '');
      continue;
    }
    const field = FIELD.exec(text);
    if (field !== null && !block?.fields.has(field[1] ?? ''))
      block?.fields.set(field[1] ?? '', field[2] ?? '');
  }
  return blocks;
}

function slotOf({ fields, items, line }: Block, problems: ProblemList): FirmwareSlot {
  const { type, width } = typeOf(fields.get('Type') ?? '');
  if (type === null && fields.get('Type') !== undefined) {
    problems.add({
      code: 'firmware.slotTypeOther',
      line,
      at: clipped(fields.get('Designation') ?? ''),
      found: (fields.get('Type') ?? '').slice(0, 60),
    });
  }
  const number = /^\d{1,9}$/.exec(fields.get('ID') ?? '')?.[0];
  const generation = Number(fields.get('PCI Express Generation') ?? 0);
  const physical = fields.get('Slot Physical Width');
  return slotFrom(type, {
    label: named(fields.get('Designation')),
    lanes: width,
    usage: byWords(SLOT_USAGES, fields.get('Current Usage'))?.usage ?? null,
    number: within(number, [0, 0xffff], { line }, problems),
    address: addressOf(fields.get('Bus Address')),
    traits: traitsOf(fields.get('Characteristics'), items),
    cardLength: byWords(SLOT_LENGTHS, fields.get('Length'))?.length ?? null,
    generation:
      generation >= 1 && generation <= 5 && type?.bus === 'pcie'
        ? (generation as Generation)
        : null,
    connectorLanes: byWords(SLOT_WIDTHS, physical)?.lanes ?? null,
    height: byWords(SLOT_HEIGHTS, fields.get('Height'))?.height ?? null,
  });
}

const TRAITS = Object.keys(SLOT_TRAITS) as SlotTrait[];

/** “None” and “Unknown” stand beside the heading, what there is stands below it. */
function traitsOf(
  heading: string | undefined,
  items: readonly string[],
): readonly SlotTrait[] | null {
  return heading === undefined || heading === 'Unknown'
    ? null
    : TRAITS.filter((trait) => items.includes(SLOT_TRAITS[trait].words));
}

/** A width may stand before the words of the type: “x8 PCI Express 3 x16”. */
function typeOf(printed: string): {
  readonly type: SlotTypeRow | null;
  readonly width: number | null;
} {
  const rows = [...SLOT_TYPES.values()];
  const plain = rows.find(({ words }) => words === printed);
  if (plain !== undefined) return { type: plain, width: null };
  const width = [...SLOT_WIDTHS.values()].find(({ words }) => printed.startsWith(`${words} `));
  const rest =
    width === undefined
      ? printed.replace('<OUT OF SPEC> ', '')
      : printed.slice(width.words.length + 1);
  return { type: rows.find(({ words }) => words === rest) ?? null, width: width?.lanes ?? null };
}

const byWords = <Row extends { readonly words: string }>(
  rows: ReadonlyMap<number, Row>,
  words: string | undefined,
): Row | undefined => [...rows.values()].find((row) => row.words === words);

function named(text: string | undefined): string | null {
  const trimmed = text?.trim() ?? '';
  return trimmed === '' || trimmed === 'Not Specified' || trimmed === '<BAD INDEX>'
    ? null
    : clipped(trimmed);
}

const addressOf = (text: string | undefined): string | null =>
  text !== undefined && /^[0-9a-f]{4}:[0-9a-f]{2}:[0-9a-f]{2}\.[0-7]$/.test(text) ? text : null;
