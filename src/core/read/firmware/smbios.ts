/**
 * Decodes the firmware's structures: firmware, system, board, chassis, slots, devices on the board.
 * Source: DMTF DSP0134, System Management BIOS 3.5, types 0, 1, 2, 3, 9 and 41 (from memory; checked against
 * dmidecode in the reference tests).
 */
import type { Generation } from '../../standards/pciExpress.ts';
import {
  CHASSIS_TYPES,
  ON_BOARD_TYPES,
  SLOT_HEIGHTS,
  SLOT_LENGTHS,
  SLOT_TRAITS,
  SLOT_TYPES,
  SLOT_USAGES,
  SLOT_WIDTHS,
  type SlotTrait,
} from '../../standards/slotRecords.ts';
import type { ByteReader } from '../byteReader.ts';
import type { ProblemList } from '../problem.ts';
import type { FirmwareReading, FirmwareSlot } from './firmware.ts';
import { addressOf, emptyFirmware, filled, firmwareDate, saidBy, slotFrom } from './firmware.ts';
import {
  ENTRY_POINT_BYTES,
  hasEntryPoint,
  readStructures,
  startsAsTable,
  stringAt,
  type Structure,
} from './structures.ts';
import { one, type BytesReader } from '../reader.ts';

export const firmwareTable = {
  kind: 'firmwareTable',
  isOne: (bytes) =>
    hasEntryPoint(bytes) ? bytes.length > ENTRY_POINT_BYTES : startsAsTable(bytes),
  read(bytes, problems) {
    const firmware = one(readSmbios(bytes, problems));
    const slots = firmware.flatMap((each) => each.slots);
    return { found: slots.length, says: { firmware: firmware.map(saidBy('registers')) } };
  },
} satisfies BytesReader;

/** Where the table begins: it says nothing by itself. */
export const firmwareEntry = {
  kind: 'firmwareEntry',
  isOne: (bytes) => bytes.length <= ENTRY_POINT_BYTES && hasEntryPoint(bytes),
  read: () => ({ found: 0, says: {} }),
} satisfies BytesReader;

/** @returns null (with a problem) where no structure could be read at all */
export function readSmbios(bytes: Uint8Array, problems: ProblemList): FirmwareReading | null {
  const structures = readStructures(bytes, problems);
  if (structures.length === 0) {
    problems.add({ code: 'firmware.nothingFound', offset: 0 });
    return null;
  }
  const nothing = emptyFirmware();
  // Of several structures of a kind the first is the machine's own.
  const first = (type: number) => structures.find((each) => each.type === type);
  const all = (type: number) => structures.filter((each) => each.type === type);
  const made = (type: number) => {
    const structure = first(type);
    const text = (at: number) => structure && filled(stringAt(structure, at));
    return { maker: text(4) ?? null, product: text(5) ?? null };
  };
  const [firmware, chassis] = [first(0), first(3)?.data];
  return {
    firmware: firmware === undefined ? nothing.firmware : firmwareOf(firmware),
    system: made(1),
    board: made(2),
    chassis: chassis?.has(5, 1) ? (CHASSIS_TYPES[chassis.u8(5) & 0x7f] ?? null) : null,
    slots: all(9).flatMap((each) => slotOf(each, problems) ?? []),
    onBoard: all(41).flatMap((each) => onBoardOf(each) ?? []),
  };
}

function firmwareOf(structure: Structure): FirmwareReading['firmware'] {
  const { data } = structure;
  return {
    vendor: filled(stringAt(structure, 4)),
    version: filled(stringAt(structure, 5)),
    date: firmwareDate(stringAt(structure, 8)),
    uefi: data.has(0x13, 1) ? (data.u8(0x13) & 0x08) !== 0 : null,
  };
}

function slotOf(structure: Structure, problems: ProblemList): FirmwareSlot | null {
  const { data, offset } = structure;
  if (!data.has(0, 0x0c)) {
    problems.add({
      code: 'firmware.slotShort',
      offset,
      expected: `${0x0c}`,
      found: `${data.length}`,
    });
    return null;
  }
  const type = SLOT_TYPES.get(data.u8(0x05)) ?? null;
  // Devices that share the slot come before the newer fields.
  const peers = data.has(0x12, 1) ? data.u8(0x12) : 0;
  const newer = 0x13 + 5 * peers;
  const info = data.has(newer, 4) ? data.u8(newer) : 0;
  return slotFrom(type, {
    label: stringAt(structure, 0x04),
    lanes: SLOT_WIDTHS.get(data.u8(0x06))?.lanes ?? null,
    usage: SLOT_USAGES.get(data.u8(0x07))?.usage ?? null,
    number: data.u16(0x09),
    address: data.has(0x0d, 4) ? slotAddress(structure) : null,
    traits: traitsOf(data),
    cardLength: SLOT_LENGTHS.get(data.u8(0x08))?.length ?? null,
    generation: info >= 1 && info <= 5 && type?.bus === 'pcie' ? (info as Generation) : null,
    connectorLanes: data.has(newer, 4)
      ? (SLOT_WIDTHS.get(data.u8(newer + 1))?.lanes ?? null)
      : null,
    height: data.has(newer, 5) ? (SLOT_HEIGHTS.get(data.u8(newer + 4))?.height ?? null) : null,
  });
}

const TRAITS = Object.keys(SLOT_TRAITS) as SlotTrait[];

/** The first bit of the characteristics says that the others mean nothing. Old records have one byte of them. */
function traitsOf(data: ByteReader): readonly SlotTrait[] | null {
  const bits = data.u8(0x0b) | ((data.has(0x0c, 1) ? data.u8(0x0c) : 0) << 8);
  return (bits & 1) !== 0 ? null : TRAITS.filter((trait) => (bits & SLOT_TRAITS[trait].bit) !== 0);
}

/** Segment, bus, device and function; all ones where the slot has none. */
function slotAddress({ data }: Structure): string | null {
  const [segment, bus, devfn] = [data.u16(0x0d), data.u8(0x0f), data.u8(0x10)];
  if (segment === 0xffff && bus === 0xff && devfn === 0xff) return null;
  return addressOf(segment, bus, devfn >> 3, devfn & 7);
}

function onBoardOf(structure: Structure): FirmwareReading['onBoard'][number] | null {
  const { data } = structure;
  if (!data.has(0, 0x0b)) return null;
  const [segment, bus, devfn] = [data.u16(0x07), data.u8(0x09), data.u8(0x0a)];
  return {
    name: filled(stringAt(structure, 4)) ?? '',
    kind: ON_BOARD_TYPES[data.u8(5) & 0x7f] ?? null,
    enabled: (data.u8(5) & 0x80) !== 0,
    address:
      segment === 0xffff && bus === 0xff && devfn === 0xff
        ? null
        : addressOf(segment, bus, devfn >> 3, devfn & 7),
  };
}
