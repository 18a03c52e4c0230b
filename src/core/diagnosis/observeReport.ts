/**
 * What a machine's report shows of the cards of the accepted plan. It is kept as observed, and changes nothing of the
 * survey: that says how the machine was when the plan was made.
 */
import { assemblyOf, type AssembledCard } from '../assembly/assembly.ts';
import { machineDevices } from '../drivers/machineDevices.ts';
import { valueOf } from '../parts/fact.ts';
import { MOST, clipped } from '../parts/limits.ts';
import type { Job } from '../parts/job.ts';
import type { Slot } from '../parts/machine.ts';
import type { DeviceObservation, DevicesObservation, Phase } from '../parts/observation.ts';
import { deviceId, type PciFunction } from '../parts/pciFunction.ts';
import { steps } from '../procedure/steps.ts';
import type { Evidence } from '../read/evidence.ts';
import { linkOf, portsAbove, type PortWithSlot } from '../read/pci/ports.ts';

/** A device of the report as one thing, however many functions and bridges it has. */
interface Device {
  readonly fn: PciFunction;
  /** The port with a slot that it sits behind; null where the report shows none. */
  readonly port: PortWithSlot | null;
}

/**
 * One observation a card of the plan, and one of all devices; none where the report lists none. A report of a few devices only
 * says nothing of cards that it does not have.
 * @param at ISO instant
 */
export function observeReport(
  job: Job,
  evidence: Evidence,
  at: string,
): readonly (DeviceObservation | DevicesObservation)[] {
  const { functions, sources } = evidence.devices;
  if (functions.length === 0) return [];
  const { cards } = assemblyOf(job);
  const slots = job.machine.slots;
  const found = matched(cards, slots, devicesOf(functions, slots));
  const tellsDrivers = functions.some(({ driver }) => driver !== null);
  const seen = {
    at,
    phase: phaseOf(job),
    conditions: clipped(evidence.files.map(({ name }) => name).join(', ')),
  };
  const whole = isWhole(functions, job);
  const told = whole ? cards : cards.filter((card) => found.has(card));
  const ofCards = told.map((card): DeviceObservation => {
    const device = found.get(card) ?? null;
    const fallback = evidence.devicesWhole ? 'text' : 'system';
    return {
      id: `device-${card.slot.id}`,
      kind: 'device',
      subject: { slotId: card.slot.id },
      value: {
        address: device?.fn.address ?? null,
        port: device?.port?.port.address ?? null,
        link: device === null ? null : trainedOf(device),
        tellsDrivers,
        driver: device?.fn.driver ?? null,
        trouble: device === null ? '' : troubleOf(device.fn, evidence),
      },
      source: (device && sources.get(device.fn.address)) ?? fallback,
      ...seen,
    };
  });
  return [
    ...ofCards,
    {
      id: 'devices',
      kind: 'devices',
      subject: {},
      value: { tellsDrivers, isWhole: whole, list: listOf(evidence) },
      source: evidence.deviceList === null ? 'text' : 'system',
      ...seen,
    },
  ];
}

const listOf = ({ devices, deviceList }: Evidence): DevicesObservation['value']['list'] =>
  machineDevices({ functions: devices.functions, inTrouble: deviceList?.inTrouble ?? [] })
    .slice(0, MOST.functions)
    .map(({ id, name, asked, driver, status }) => ({
      id: clipped(id),
      device: asked.id,
      name: clipped(name),
      class24: asked.class24,
      driver,
      status,
    }));

/** Any machine shows more devices than this. Common practice, no source. */
const LEAST_DEVICES = 5;

/** Whether a report is of the whole machine, and not of some devices that were picked out. */
const isWhole = (functions: readonly PciFunction[], { machine }: Job): boolean =>
  functions.length >= Math.max(LEAST_DEVICES, machine.functions.length / 2);

/** After the first card was seated by the list of steps, a report shows the machine with its cards in. */
function phaseOf(job: Job): Phase {
  const seated = steps(job).some(({ code, id }) => code === 'seat' && job.ticks[id] !== undefined);
  return seated ? 'after' : 'before';
}

/** Each device once: by the surveyed port above it, else by the nearest one, else by its own place. */
function devicesOf(functions: readonly PciFunction[], slots: readonly Slot[]): readonly Device[] {
  const above = portsAbove(functions);
  const surveyed = new Set(slots.map(({ port }) => valueOf(port)));
  const devices = new Map<string, Device>();
  for (const fn of functions) {
    const ports = above.get(fn.address) ?? [];
    const port = ports.find((each) => surveyed.has(each.port.address)) ?? ports[0] ?? null;
    const place = port?.port.address ?? fn.address.slice(0, fn.address.lastIndexOf('.'));
    const key = `${place} ${deviceId(fn)}`;
    if (!devices.has(key)) devices.set(key, { fn, port });
  }
  return [...devices.values()];
}

/** Which device is which card: those in their own slots first, then any other of the same identity. */
function matched(
  cards: readonly AssembledCard[],
  slots: readonly Slot[],
  devices: readonly Device[],
): ReadonlyMap<AssembledCard, Device> {
  const found = new Map<AssembledCard, Device>();
  const free = new Set(devices);
  const take = (card: AssembledCard, device: Device | undefined) => {
    if (device === undefined) return;
    found.set(card, device);
    free.delete(device);
  };
  const isOf = ({ card }: AssembledCard, { fn }: Device) => deviceId(fn) === deviceId(card.ids);
  for (const card of cards)
    take(
      card,
      [...free].find((each) => isOf(card, each) && sitsIn(card.slot, each)),
    );
  // A twin that was there before and stays is not the new card.
  for (const twin of staying(slots, cards))
    for (const device of [...free].filter((each) => sitsIn(twin, each))) free.delete(device);
  for (const card of cards)
    if (!found.has(card))
      take(
        card,
        [...free].find((each) => isOf(card, each)),
      );
  return found;
}

const staying = (slots: readonly Slot[], cards: readonly AssembledCard[]): readonly Slot[] =>
  slots.filter(
    ({ id, occupant }) =>
      valueOf(occupant)?.ids != null &&
      !cards.some(({ slot, fromSlotId }) => slot.id === id || fromSlotId === id),
  );

function sitsIn({ port, number }: Slot, device: Device): boolean {
  const surveyed = valueOf(port);
  if (device.port === null || surveyed !== device.port.port.address) return false;
  // Behind a switch a port may get another address once cards are in: its slot number tells.
  return number === null || number.value === device.port.slotNumber;
}

const trainedOf = ({ fn, port }: Device) => port?.trained ?? linkOf(fn.express?.link?.now);

const IDENTITY = /^PCI\\VEN_([0-9A-F]{4})&DEV_([0-9A-F]{4})/i;

function troubleOf(fn: PciFunction, { deviceList }: Evidence): string {
  const named = deviceList?.inTrouble.find(({ id }) => {
    const [, vendor, device] = IDENTITY.exec(id) ?? [];
    return `${vendor}:${device}`.toLowerCase() === deviceId(fn);
  });
  return named === undefined ? '' : named.status || 'does not work';
}
