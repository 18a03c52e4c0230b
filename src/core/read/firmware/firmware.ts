/** What the firmware says of the machine: the same whether read from its table or from a report about it. */
import { inHex } from '../../units.ts';
import type { Source } from '../../parts/fact.ts';
import { clipped } from '../../parts/limits.ts';
import type { Generation } from '../../standards/pciExpress.ts';
import type {
  CardLength,
  M2Key,
  RecordedBus,
  SlotHeight,
  SlotTrait,
  SlotTypeRow,
  SlotUsage,
} from '../../standards/slotRecords.ts';

export interface FirmwareSlot {
  readonly label: string | null;
  /** Null where the record does not say what kind of slot it is. */
  readonly bus: RecordedBus | null;
  readonly key: M2Key | null;
  readonly generation: Generation | null;
  /** Lanes the record claims to be wired. */
  readonly lanes: number | null;
  /** Lanes the connector has contacts for. */
  readonly connectorLanes: number | null;
  readonly usage: SlotUsage | null;
  /** The number the record gives the slot. */
  readonly number: number | null;
  /** The port of the slot, or the device in it; null where the record does not say. */
  readonly address: string | null;
  /** What the slot can do; null where the record's characteristics mean nothing. */
  readonly traits: readonly SlotTrait[] | null;
  readonly cardLength: CardLength | null;
  readonly height: SlotHeight | null;
}

export interface FirmwareReading {
  readonly firmware: {
    readonly vendor: string | null;
    readonly version: string | null;
    /** ISO date of the release. */
    readonly date: string | null;
    /** Null where the record is too short to say. */
    readonly uefi: boolean | null;
  };
  readonly system: { readonly maker: string | null; readonly product: string | null };
  readonly board: { readonly maker: string | null; readonly product: string | null };
  readonly chassis: string | null;
  readonly slots: readonly FirmwareSlot[];
  /** Devices on the board itself. */
  readonly onBoard: readonly {
    readonly name: string;
    readonly kind: string | null;
    readonly enabled: boolean;
    readonly address: string | null;
  }[];
}

/** A reading with how it was come by: of the table's own bytes, or of a report about it. */
export interface FirmwareReport {
  readonly source: Extract<Source, 'registers' | 'text'>;
  readonly reading: FirmwareReading;
}

export const saidBy =
  (source: FirmwareReport['source']) =>
  (reading: FirmwareReading): FirmwareReport => ({ source, reading });

export function emptyFirmware(): FirmwareReading {
  return {
    firmware: { vendor: null, version: null, date: null, uefi: null },
    system: { maker: null, product: null },
    board: { maker: null, product: null },
    chassis: null,
    slots: [],
    onBoard: [],
  };
}

/** A slot of its record's fields; what the fields leave open is filled from the type, which often says less. */
export function slotFrom(
  type: SlotTypeRow | null,
  fields: Omit<FirmwareSlot, 'bus' | 'key'>,
): FirmwareSlot {
  return {
    ...fields,
    bus: type?.bus ?? null,
    key: type?.key ?? null,
    generation: fields.generation ?? type?.generation ?? null,
    lanes: type?.bus === 'pci' ? null : (fields.lanes ?? type?.lanes ?? null),
    connectorLanes: type?.bus === 'pci' ? null : (fields.connectorLanes ?? type?.lanes ?? null),
  };
}

/** ISO date of `mm/dd/yyyy` or `mm/dd/yy`, or null. Two digits mean the nineteen hundreds (DSP0134). */
export function firmwareDate(text: string | null): string | null {
  const match = /^(\d{2})\/(\d{2})\/(\d{2}|\d{4})$/.exec(text ?? '');
  if (match === null) return null;
  const [, month, day, year] = match as unknown as [string, string, string, string];
  if (Number(month) < 1 || Number(month) > 12 || Number(day) < 1 || Number(day) > 31) return null;
  return `${year.length === 2 ? `19${year}` : year}-${month}-${day}`;
}

const KNOWN_BLANKS =
  /^(<bad index>|not specified|to be filled.*|default string|system (product name|manufacturer)|o\.?e\.?m\.?|unknown|none|\.+)$/i;

/** Text that a maker left unfilled says nothing; a long one is shortened. */
export function filled(text: string | null): string | null {
  const plain = clipped(text?.trim() ?? '');
  return plain === '' || KNOWN_BLANKS.test(plain) ? null : plain;
}

export const addressOf = (segment: number, bus: number, device: number, fn: number): string =>
  `${inHex(segment, 4)}:${inHex(bus, 2)}:${inHex(device, 2)}.${fn}`;
