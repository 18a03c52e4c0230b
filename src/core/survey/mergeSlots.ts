/** One slot for every port that has one and for every slot the firmware records, joined where they are the same. */
import { known, valueOf, type Witness } from '../parts/fact.ts';
import {
  emptySlot,
  occupantNamed,
  type Machine,
  type Occupant,
  type Slot,
} from '../parts/machine.ts';
import { MOST, clipped } from '../parts/limits.ts';
import { testify } from './testimony.ts';
import type { Evidence } from '../read/evidence.ts';
import type { FirmwareSlot } from '../read/firmware/firmware.ts';
import { functionName, portsWithSlots, type PortWithSlot } from '../read/pci/ports.ts';
import type { ProblemList } from '../read/problem.ts';

/** A list that holds no more than a survey does; says once how much more there was. */
class FullList {
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

/** Names that a slot gets while nobody has given it one. */
const nameByNumber = (number: number): string => `Slot #${number}`;
const OWN_NAME = /^Slot #\d+$/;

export function withPorts(machine: Machine, { devices }: Evidence, problems: ProblemList): Machine {
  const full = new FullList('slots', MOST.slots, problems);
  const ports = portsWithSlots(devices.functions).toSorted((a, b) => a.slotNumber - b.slotNumber);
  const slots = ports.reduce<readonly Slot[]>((soFar, port) => {
    const witness = devices.witnesses.get(port.port.address) ?? 'text';
    const match =
      soFar.find((slot) => valueOf(slot.port) === port.port.address) ??
      soFar.find((slot) => slot.port === null && valueOf(slot.number) === port.slotNumber);
    if (match === undefined && full.at(soFar)) return soFar;
    return placed(soFar, match, withPort(match ?? newSlot(soFar, port), port, witness));
  }, machine.slots);
  full.tell();
  return { ...machine, slots };
}

const placed = (slots: readonly Slot[], match: Slot | undefined, slot: Slot): readonly Slot[] =>
  match === undefined ? [...slots, slot] : slots.map((each) => (each === match ? slot : each));

const newSlot = (slots: readonly Slot[], { slotNumber }: PortWithSlot): Slot =>
  emptySlot(freeId(slots, `port-${slotNumber}`), nameByNumber(slotNumber));

function freeId(slots: readonly Slot[], wanted: string): string {
  let id = wanted;
  for (let n = 2; slots.some((slot) => slot.id === id); n += 1) id = `${wanted}-${n}`;
  return id;
}

function withPort(slot: Slot, port: PortWithSlot, witness: Witness): Slot {
  const heard = <Value>(before: Parameters<typeof testify<Value>>[0], value: Value) =>
    testify(before, value, witness, 'wiring');
  const { able, uplink } = port;
  return {
    ...slot,
    number: heard(slot.number, port.slotNumber),
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
            name: `Switch ${uplink.address.slice(5)}`,
            generation: uplink.generation,
            lanes: uplink.width,
          }),
    occupant: occupantHeard(slot.occupant, occupantAt(port), witness),
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
 * That something is there, or nothing, is the fact that witnesses can disagree about. Another name for what is
 * there is no contradiction: the better witness names it, and what was measured of it stays.
 */
function occupantHeard(
  before: Slot['occupant'],
  there: Occupant | null,
  witness: Witness,
): Slot['occupant'] {
  const was = valueOf(before);
  if (before === null || (was === null) !== (there === null))
    return testify(before, there, witness, 'wiring');
  if (was === null || there === null) return testify(before, there, witness, 'wiring');
  if (before.witness === 'technician' && was.ids !== null) return before;
  return known({ ...was, name: there.name, ids: there.ids ?? was.ids }, witness);
}

export function withFirmwareSlots(
  machine: Machine,
  { firmware }: Evidence,
  problems: ProblemList,
): Machine {
  if (firmware === null) return machine;
  const full = new FullList('slots', MOST.slots, problems);
  const behind = busesBehind(machine);
  const slots = firmware.slots
    .filter(({ bus }) => bus !== 'other')
    .reduce<readonly Slot[]>((soFar, record) => {
      const match = matching(soFar, record, behind);
      if (match === undefined && full.at(soFar)) return soFar;
      return placed(soFar, match, withRecord(match ?? recordedSlot(soFar, record), record));
    }, machine.slots);
  full.tell();
  const heights = new Set(firmware.slots.flatMap(({ height }) => height ?? []));
  const [height] = heights;
  return {
    ...machine,
    slots,
    case:
      heights.size === 1 && height !== undefined
        ? { ...machine.case, bracket: testify(machine.case.bracket, height, 'firmware', 'sight') }
        : machine.case,
  };
}

/** The first device's place behind each bridge, by the bridge's address. */
const busesBehind = ({ functions }: Machine): ReadonlyMap<string, string> =>
  new Map(
    functions.flatMap(({ address, buses }) =>
      buses === null || buses.secondary === 0
        ? []
        : [[address, `${address.slice(0, -7)}${buses.secondary.toString(16).padStart(2, '0')}:00`]],
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
  if (byAddress !== undefined) return byAddress;
  const open = slots.filter(
    (slot) => slot.bus === record.bus && (slot.port === null || address === null),
  );
  return (
    open.find((slot) => slot.label === record.label) ??
    open.find((slot) => record.number !== null && valueOf(slot.number) === record.number)
  );
}

function recordedSlot(slots: readonly Slot[], { label, bus, number }: FirmwareSlot): Slot {
  const id = freeId(slots, `record-${slots.length + 1}`);
  return emptySlot(
    id,
    label ?? nameByNumber(number ?? slots.length + 1),
    bus === 'other' ? 'pcie' : bus,
  );
}

/** Connectors that are made; a record may claim any width. */
const CONNECTORS: readonly number[] = [1, 4, 8, 16];
type Connector = 1 | 4 | 8 | 16;

function withRecord(slot: Slot, record: FirmwareSlot): Slot {
  const { label, generation, lanes, connectorLanes, usage, key } = record;
  const heard = <Value>(
    before: Parameters<typeof testify<Value>>[0],
    value: Value | null,
    trust: 'wiring' | 'sight',
  ) => (value === null ? before : testify(before, value, 'firmware', trust));
  const connector =
    slot.bus === 'pcie' && connectorLanes !== null && CONNECTORS.includes(connectorLanes)
      ? (connectorLanes as Connector)
      : null;
  return {
    ...slot,
    label: label !== null && OWN_NAME.test(slot.label) ? label : slot.label,
    number: slot.number ?? heard(slot.number, record.number, 'wiring'),
    connectorLanes: heard(slot.connectorLanes, connector, 'sight'),
    lanes: heard(slot.lanes, lanes, 'wiring'),
    generation: heard(slot.generation, generation, 'wiring'),
    key: heard(slot.key, key, 'sight'),
    splits: heard(slot.splits, record.splits ? true : null, 'wiring'),
    occupant:
      usage === 'available'
        ? occupantHeard(slot.occupant, null, 'firmware')
        : usage === 'inUse'
          ? usedByRecord(slot.occupant)
          : slot.occupant,
  };
}

/** The record knows that something is there but not what. */
function usedByRecord(before: Slot['occupant']): Slot['occupant'] {
  return valueOf(before) === null
    ? occupantHeard(before, occupantNamed('Card'), 'firmware')
    : before;
}
