/** One slot for every port that has one and for every slot the firmware records, joined where they are the same. */
import { inHex } from '../units.ts';
import { known, valueOf, type Source } from '../parts/fact.ts';
import {
  emptySlot,
  occupantNamed,
  type Machine,
  type Occupant,
  type Slot,
} from '../document/machine.ts';
import { MOST, clipped } from '../parts/limits.ts';
import { addClaim } from './claims.ts';
import type { Evidence } from '../read/evidence.ts';
import type { FirmwareSlot } from '../read/firmware/firmware.ts';
import { functionName, portsWithSlots, type PortWithSlot } from '../read/pci/ports.ts';
import type { ProblemList } from '../read/problem.ts';

/** A list that holds no more than a survey does; says once how much more there was. */
export class FullList {
  private more = 0;
  constructor(
    private readonly name: string,
    private readonly most: number,
    private readonly problems: ProblemList,
  ) {}

  at(list: readonly unknown[]): boolean {
    if (list.length < this.most) return false;
    this.more += 1;
    return true;
  }

  tell(): void {
    if (this.more === 0) return;
    const [expected, found] = [`${this.most}`, `${this.most + this.more}`];
    this.problems.add({ code: 'survey.tooMany', at: this.name, expected, found });
  }
}

/** Names that a slot gets while nobody has given it one: as a report prints its number, or the address of its port. */
const nameByNumber = (number: number): string => `Slot #${number}`;
const nameByPort = (address: string): string => address.slice(-7);
const OWN_NAME = /^(?:Slot #\d+|(?:Slot at )?[0-9a-f:.]{7})$/;
export const isOwnName = (label: string): boolean => OWN_NAME.test(label);

export function withPorts(machine: Machine, { devices }: Evidence, problems: ProblemList): Machine {
  const full = new FullList('slots', MOST.slots, problems);
  // What was never numbered comes last.
  const ports = portsWithSlots(devices.functions).toSorted(
    (a, b) => (a.slotNumber || Number.MAX_VALUE) - (b.slotNumber || Number.MAX_VALUE),
  );
  const slots = ports.reduce<readonly Slot[]>((soFar, port) => {
    const source = devices.sources.get(port.port.address) ?? 'text';
    const match =
      soFar.find((slot) => valueOf(slot.port) === port.port.address) ??
      soFar.find(
        (slot) =>
          port.slotNumber > 0 && slot.port === null && valueOf(slot.number) === port.slotNumber,
      );
    if (match === undefined && full.at(soFar)) return soFar;
    return placed(soFar, match, withPort(match ?? newSlot(soFar, port), port, source));
  }, machine.slots);
  full.tell();
  return { ...machine, slots };
}

const placed = (slots: readonly Slot[], match: Slot | undefined, slot: Slot): readonly Slot[] =>
  match === undefined ? [...slots, slot] : slots.map((each) => (each === match ? slot : each));

function newSlot(slots: readonly Slot[], { slotNumber, port: { address } }: PortWithSlot): Slot {
  const name = nameByNumber(slotNumber);
  const isOwn = slotNumber > 0 && slots.every(({ label }) => label !== name);
  return emptySlot(freeId(slots, `port-${slotNumber}`), isOwn ? name : nameByPort(address));
}

export function freeId(slots: readonly Slot[], wanted: string): string {
  let id = wanted;
  for (let n = 2; slots.some((slot) => slot.id === id); n += 1) id = `${wanted}-${n}`;
  return id;
}

function withPort(slot: Slot, port: PortWithSlot, source: Source): Slot {
  const heard = <Value>(before: Parameters<typeof addClaim<Value>>[0], value: Value) =>
    addClaim(before, value, source, 'wiring');
  const { able, uplink } = port;
  return {
    ...slot,
    // Zero is what a port says whose slot was never numbered.
    number: port.slotNumber === 0 ? slot.number : heard(slot.number, port.slotNumber),
    port: heard(slot.port, port.port.address),
    lanes: able === null ? slot.lanes : heard(slot.lanes, able.width),
    generation: able === null ? slot.generation : heard(slot.generation, able.generation),
    // Zero is what firmware leaves in the register when it has not set a limit: not a fact.
    powerWatts: port.powerWatts === 0 ? slot.powerWatts : heard(slot.powerWatts, port.powerWatts),
    uplink:
      uplink === null
        ? slot.uplink
        : heard(slot.uplink, {
            id: uplink.address,
            name: uplink.address.slice(5),
            generation: uplink.generation,
            lanes: uplink.width,
          }),
    occupant: occupantHeard(slot.occupant, occupantAt(port), source),
  };
}

function occupantAt({ occupant }: PortWithSlot): Occupant | null {
  if (occupant === null) return null;
  return {
    ...occupantNamed(clipped(functionName(occupant))),
    ids: { vendor: occupant.vendor, device: occupant.device },
  };
}

/**
 * That something is there, or nothing, is the fact that sources can disagree about. Another name for what is
 * there is no contradiction: the better source names it, and what was measured of it stays.
 */
export function occupantHeard(
  before: Slot['occupant'],
  there: Occupant | null,
  source: Source,
): Slot['occupant'] {
  const was = valueOf(before);
  if (before === null || (was === null) !== (there === null))
    return addClaim(before, there, source, 'wiring');
  if (was === null || there === null) return addClaim(before, there, source, 'wiring');
  if (before.source === 'technician' && was.ids !== null) return before;
  return known({ ...was, name: there.name, ids: there.ids ?? was.ids }, source);
}

export function withFirmwareSlots(
  machine: Machine,
  { firmware }: Evidence,
  problems: ProblemList,
): Machine {
  if (firmware === null) return machine;
  const full = new FullList('slots', MOST.slots, problems);
  const behind = busesBehind(machine);
  /** A slot has one record: what names the same port again is a slot of its own. */
  const recorded = new Set<string>();
  const slots = inTrust(firmware.slots, machine).reduce<readonly Slot[]>((soFar, record) => {
    const match = matching(
      soFar.filter(({ id }) => !recorded.has(id)),
      record,
      behind,
    );
    if (record.bus === 'other' || (record.bus === null && match === undefined))
      return match !== undefined && isAssumed(match)
        ? soFar.filter((slot) => slot !== match)
        : soFar;
    if (match === undefined && full.at(soFar)) return soFar;
    const slot = withRecord(match ?? recordedSlot(soFar, record), record, soFar);
    recorded.add(slot.id);
    return placed(soFar, match, slot);
  }, machine.slots);
  full.tell();
  tellSameAddresses(firmware.slots, problems);
  const heights = new Set(firmware.slots.flatMap(({ height }) => height ?? []));
  const [height] = heights;
  return {
    ...machine,
    slots,
    case:
      heights.size === 1 && height !== undefined
        ? { ...machine.case, bracket: addClaim(machine.case.bracket, height, 'firmware', 'sight') }
        : machine.case,
  };
}

/** Of records that name one port the one with the number that the port gives comes first. */
function inTrust(records: readonly FirmwareSlot[], { slots }: Machine): readonly FirmwareSlot[] {
  const numbers = new Map(slots.map(({ port, number }) => [valueOf(port), valueOf(number)]));
  const isNumbered = ({ address, number }: FirmwareSlot) =>
    address !== null && number !== null && numbers.get(address) === number;
  return [...records.filter(isNumbered), ...records.filter((each) => !isNumbered(each))];
}

function tellSameAddresses(records: readonly FirmwareSlot[], problems: ProblemList): void {
  const named = new Map<string, number>();
  for (const { address } of records)
    if (address !== null) named.set(address, (named.get(address) ?? 0) + 1);
  for (const [address, count] of named)
    if (count > 1) problems.add({ code: 'firmware.sameAddress', at: address, found: `${count}` });
}

/** Made of a port alone: nobody has said yet what kind of slot it is. */
const isAssumed = (slot: Slot): boolean =>
  OWN_NAME.test(slot.label) && slot.bus === 'pcie' && slot.connectorLanes === null;

/** The first device's place behind each bridge, by the bridge's address. */
const busesBehind = ({ functions }: Machine): ReadonlyMap<string, string> =>
  new Map(
    functions.flatMap(({ address, buses }) =>
      buses === null || buses.secondary === 0
        ? []
        : [[address, `${address.slice(0, -7)}${inHex(buses.secondary, 2)}:00`]],
    ),
  );

/** By the address of its port or of the device in it; then, where no address settles it, by number and by name. */
function matching(
  slots: readonly Slot[],
  record: FirmwareSlot,
  behind: ReadonlyMap<string, string>,
): Slot | undefined {
  const { address } = record;
  const byAddress = slots.find((slot) => {
    const port = valueOf(slot.port);
    return (
      port !== null &&
      address !== null &&
      (port === address || behind.get(port) === address.slice(0, -2))
    );
  });
  if (byAddress !== undefined || record.bus === null || record.bus === 'other') return byAddress;
  const open = slots.filter(
    (slot) =>
      (slot.bus === record.bus || isAssumed(slot)) && (slot.port === null || address === null),
  );
  return (
    open.find((slot) => slot.label === record.label) ??
    open.find((slot) => record.number !== null && valueOf(slot.number) === record.number)
  );
}

function recordedSlot(slots: readonly Slot[], { bus, number }: FirmwareSlot): Slot {
  const id = freeId(slots, `record-${slots.length + 1}`);
  const label = nameByNumber(number ?? slots.length + 1);
  return emptySlot(id, label, bus === 'm2' || bus === 'pci' ? bus : 'pcie');
}

/** What the board prints beside it; where it names several alike, with the number or how many came before. */
function labelFor(slot: Slot, { label, number }: FirmwareSlot, slots: readonly Slot[]): string {
  if (label === null || !OWN_NAME.test(slot.label)) return slot.label;
  const isTaken = (name: string) => slots.some((each) => each !== slot && each.label === name);
  if (!isTaken(label)) return label;
  const numbered = clipped(`${label} #${number ?? 2}`);
  for (let n = 2; ; n += 1) {
    const name = n === 2 ? numbered : clipped(`${label.slice(0, 180)} (${n})`);
    if (!isTaken(name)) return name;
  }
}

/** Classic PCI: only one of the two voltages means that its key lets in such cards only. */
function keyingOf({ bus, traits }: FirmwareSlot): '5 V' | '3.3 V' | null {
  if (
    bus !== 'pci' ||
    traits === null ||
    traits.includes('fiveVolts') === traits.includes('threeVolts')
  )
    return null;
  return traits.includes('fiveVolts') ? '5 V' : '3.3 V';
}

/** Connectors that are made; a record may claim any width. */
const CONNECTORS: readonly number[] = [1, 4, 8, 16];
type Connector = 1 | 4 | 8 | 16;

function withRecord(before: Slot, record: FirmwareSlot, slots: readonly Slot[]): Slot {
  const { generation, lanes, connectorLanes, usage, key, traits } = record;
  const isSocket = record.bus === 'm2' && isAssumed(before);
  const slot: Slot = isSocket ? { ...before, bus: 'm2' } : before;
  const heard = <Value>(
    was: Parameters<typeof addClaim<Value>>[0],
    value: Value | null,
    trust: 'wiring' | 'sight',
  ) => (value === null ? was : addClaim(was, value, 'firmware', trust));
  const connector =
    slot.bus === 'pcie' &&
    record.bus === 'pcie' &&
    connectorLanes !== null &&
    CONNECTORS.includes(connectorLanes)
      ? (connectorLanes as Connector)
      : null;
  return {
    ...slot,
    label: labelFor(before, record, slots),
    number: slot.number ?? heard(slot.number, record.number, 'wiring'),
    connectorLanes: heard(slot.connectorLanes, connector, 'sight'),
    lanes: heard(slot.lanes, lanes, 'wiring'),
    generation: heard(slot.generation, generation, 'wiring'),
    key: heard(slot.key, slot.bus === 'm2' ? key : null, 'sight'),
    keying: heard(slot.keying, keyingOf(record), 'sight'),
    splits: heard(slot.splits, traits?.includes('splits') ? true : null, 'wiring'),
    hotPlug: heard(slot.hotPlug, traits?.includes('hotPlug') ?? null, 'wiring'),
    cardLength: heard(slot.cardLength, record.cardLength, 'sight'),
    sharesOpening: heard(slot.sharesOpening, traits?.includes('sharesOpening') ?? null, 'sight'),
    occupant:
      usage === 'available'
        ? occupantHeard(slot.occupant, null, 'firmware')
        : usage === 'inUse'
          ? usedByRecord(slot.occupant)
          : slot.occupant,
  };
}

/** The record knows that something is there but not what. */
const UNNAMED = '?';
function usedByRecord(before: Slot['occupant']): Slot['occupant'] {
  return valueOf(before) === null
    ? occupantHeard(before, occupantNamed(UNNAMED), 'firmware')
    : before;
}
