/**
 * What a machine's report shows of the cards of the accepted plan. It is kept as observed, and changes nothing of the
 * survey: that says how the machine was when the plan was made.
 */
import { NOT_WORKING } from '../standards/problemCodes.ts';
import { assemblyOf, type AssembledCard } from '../assembly/assembly.ts';
import { machineDevices } from '../drivers/machineDevices.ts';
import { valueOf } from '../parts/fact.ts';
import { MOST, clipped } from '../parts/limits.ts';
import { actOf } from '../document/act.ts';
import type { Job } from '../document/job.ts';
import { isSameLabel, type Slot } from '../document/machine.ts';
import type { DeviceObservation, DevicesObservation, Phase } from '../document/observation.ts';
import { deviceId, type PciFunction } from '../parts/pciFunction.ts';
import type { Evidence } from '../read/evidence.ts';
import type { ReportedCard } from '../read/system/hardwareReport.ts';
import { linkOf, portsAbove, type PortWithSlot } from '../read/pci/ports.ts';

/** A device of the report as one thing, however many functions and bridges it has. */
interface Device {
  /** `vendor:device` in hexadecimal. */
  readonly identity: string;
  readonly place: string;
  /** The port with a slot that it sits behind; null where the report shows none. */
  readonly port: PortWithSlot | null;
  /** What a report without places calls its slot; null: it has a place. */
  readonly slotName: string | null;
  readonly link: DeviceObservation['value']['link'];
  readonly driver: string | null;
  readonly trouble: string;
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
  const named = functions.length === 0 ? (evidence.hardware?.cards ?? []) : [];
  if (functions.length + named.length === 0) return [];
  const { cards } = assemblyOf(job);
  const slots = job.machine.slots;
  const devices = [...devicesOf(evidence, slots), ...named.flatMap(namedDevice)];
  const found = matched(cards, slots, devices);
  const tellsDrivers =
    functions.some(({ driver }) => driver !== null) ||
    named.some(({ driverInstalled }) => driverInstalled !== null);
  const seen = {
    at,
    phase: phaseOf(job),
    conditions: clipped(evidence.files.map(({ name }) => name).join(', ')),
  };
  const waiting = new Set(job.plan?.staged);
  const whole = isWhole(functions, job);
  // The report of cards by slots has all cards, and nothing of the board.
  const told = whole || named.length > 0 ? cards : cards.filter((card) => found.has(card));
  const ofCards = told.map((card): DeviceObservation => {
    const device = found.get(card) ?? null;
    const fallback = evidence.devicesWhole && named.length === 0 ? 'text' : 'system';
    return {
      id: `device-${card.slot.id}`,
      kind: 'device',
      subject: { slotId: card.slot.id },
      value: {
        place: device?.place ?? null,
        port: device?.port?.port.address ?? null,
        link: device?.link ?? null,
        tellsDrivers,
        driver: device?.driver ?? null,
        trouble: device?.trouble ?? '',
      },
      source: (device && sources.get(device.place)) ?? fallback,
      ...seen,
      // A card that waits for its round is not in yet.
      phase: waiting.has(card.slot.id) && !card.isIn ? 'before' : seen.phase,
    };
  });
  return [
    ...ofCards,
    {
      id: 'devices',
      kind: 'devices',
      subject: {},
      value: {
        tellsDrivers,
        isWhole: whole,
        list: [...listOf(evidence), ...named.map(listedCard)],
      },
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

/** The report of cards by slots says whether a driver is installed, and not which. */
const INSTALLED = 'installed';
const driverIn = ({ driverInstalled }: ReportedCard): string | null =>
  driverInstalled === true ? INSTALLED : null;

const listedCard = (card: ReportedCard): DevicesObservation['value']['list'][number] => ({
  id: clipped(card.slotName ?? card.name),
  device: deviceId(card),
  name: clipped(card.name),
  class24: null,
  driver: driverIn(card),
  status: '',
});

/** What is part of the board has no slot, and is no card. */
const namedDevice = (card: ReportedCard): readonly Device[] =>
  card.slotName === null
    ? []
    : [
        {
          identity: deviceId(card),
          place: clipped(card.slotName),
          port: null,
          slotName: card.slotName,
          link: linkOf(card.link ?? undefined),
          driver: driverIn(card),
          trouble: '',
        },
      ];

/** Any machine shows more devices than this. Common practice, no source. */
const LEAST_DEVICES = 5;

/** Whether a report is of the whole machine, and not of some devices that were picked out. */
const isWhole = (functions: readonly PciFunction[], { machine }: Job): boolean =>
  functions.length >= Math.max(LEAST_DEVICES, machine.functions.length / 2);

/** After the first card was seated, a report shows the machine with its cards in. */
export const phaseOf = (job: Job): Phase =>
  job.plan?.placements.some(
    ({ card, slotId: slot }) => actOf(job, 'seat', { card: card.id, slot }) !== undefined,
  ) === true
    ? 'after'
    : 'before';

/** Each device once: by the surveyed port above it, else by the nearest one, else by its own place. */
function devicesOf(evidence: Evidence, slots: readonly Slot[]): readonly Device[] {
  const { functions } = evidence.devices;
  const above = portsAbove(functions);
  const surveyed = new Set(slots.map(({ port }) => valueOf(port)));
  const devices = new Map<string, Device>();
  for (const fn of functions) {
    const ports = above.get(fn.address) ?? [];
    const port = ports.find((each) => surveyed.has(each.port.address)) ?? ports[0] ?? null;
    const place = port?.port.address ?? fn.address.slice(0, fn.address.lastIndexOf('.'));
    const key = `${place} ${deviceId(fn)}`;
    if (devices.has(key)) continue;
    devices.set(key, {
      identity: deviceId(fn),
      place: fn.address,
      port,
      slotName: null,
      link: port?.trained ?? linkOf(fn.express?.link?.now),
      driver: fn.driver,
      trouble: troubleOf(fn, evidence),
    });
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
  const isOf = ({ card }: AssembledCard, { identity }: Device) => identity === deviceId(card.ids);
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

function sitsIn({ port, number, label }: Slot, device: Device): boolean {
  if (device.slotName !== null) return isSameLabel(label, device.slotName);
  const surveyed = valueOf(port);
  if (device.port === null || surveyed !== device.port.port.address) return false;
  // Behind a switch a port may get another address once cards are in: its slot number tells.
  return number === null || number.value === device.port.slotNumber;
}

const IDENTITY = /^PCI\\VEN_([0-9A-F]{4})&DEV_([0-9A-F]{4})/i;

function troubleOf(fn: PciFunction, { deviceList }: Evidence): string {
  const named = deviceList?.inTrouble.find(({ id }) => {
    const [, vendor, device] = IDENTITY.exec(id) ?? [];
    return `${vendor}:${device}`.toLowerCase() === deviceId(fn);
  });
  return named === undefined ? '' : named.status || NOT_WORKING;
}
