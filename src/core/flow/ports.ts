/** Ports of all kinds: USB at the back and at the front, fast serial ports, those of an older age, sound. */
import type { DeliveryOf } from '../kinds/delivery.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import type { NeedOf } from '../kinds/need.ts';
import type { Finding } from '../rules/finding.ts';
import type { PortWanted } from '../rules/findingCodes.ts';
import { HEADERS, type FrontLead } from '../standards/headers.ts';
import { SERIAL_LINK_USB, serialLinkBytesPerSecond } from '../standards/serialLink.ts';
import { USB, USB_DEVICE_BYTES_PER_SECOND } from '../standards/usb.ts';
import { row } from '../units.ts';
import type { Flow, FlowStage, Provider, ProviderCard } from './flow.ts';
import { ownDriveStages } from './copyEnds.ts';
import { conclude, linkStages, linkUnknown } from './flow.ts';

/** The ports of a delivery as USB ports; null where they carry none. */
function usbPorts(delivers: DeliveryOf<'usb' | 'serialLink'>): DeliveryOf<'usb'> | null {
  if (delivers.kind === 'usb') return delivers;
  const { gigabits, ports } = delivers;
  const { leastGigabits, signalling, milliamps } = SERIAL_LINK_USB;
  return gigabits < leastGigabits
    ? null
    : { kind: 'usb', ports, typeC: ports, signalling, milliamps };
}

export function usbFlow(
  provider: Provider<DeliveryOf<'usb' | 'serialLink'>>,
  need: NeedOf<'usb'>,
  machine: Machine,
): Flow | null {
  const delivers = usbPorts(provider.delivers);
  if (delivers === null) return null;
  const [low, high] = row(USB, delivers.signalling).practiceBytesPerSecond;
  const weak: readonly Finding[] =
    delivers.milliamps < need.milliamps
      ? [
          {
            code: 'deliver.lessCurrent',
            verdict: 'blocked',
            needed: need.milliamps,
            available: delivers.milliamps,
            unit: 'mA',
          },
        ]
      : [];
  const rear = need.typeC ? delivers.typeC : delivers.ports;
  const front = frontPorts(provider.fitted?.card ?? null, need.typeC, machine);
  const units = need.where === 'rear' ? rear : front.ports;
  return conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units,
    stages: [
      ...linkStages(provider),
      { code: 'cardPort', low, high },
      ...deviceStages(need, machine),
    ],
    factMissing: linkUnknown(provider) || (need.where === 'front' && front.unknown),
    besides: [...weak, ...(units === 0 ? [noSuchPort(need)] : [])],
  });
}

/** What is plugged in, at its own rate and by its own socket, and the machine's drive at the other end of the copy. */
function deviceStages(
  { device, deviceSignalling }: NeedOf<'usb'>,
  { path }: Machine,
): readonly FlowStage[] {
  if (device === null) return [];
  const [low, high] = USB_DEVICE_BYTES_PER_SECOND[device];
  const [least, most] = row(USB, deviceSignalling).practiceBytesPerSecond;
  return [
    { code: 'usbDevice', low: Math.min(low, least), high: Math.min(high, most) },
    // Copies go both ways: the drive counts as the slower of them finds it.
    ...ownDriveStages(path, 'write', 1),
  ];
}

const noSuchPort = ({ where, typeC }: NeedOf<'usb'>): Finding => ({
  code: 'deliver.lacks',
  verdict: 'blocked',
  subject: typeC ? 'typeC' : where,
});

/** Ports that the case's leads bring to the front from the card's headers; all its headers while no lead is told. */
function frontPorts(
  card: ProviderCard | null,
  typeC: boolean,
  machine: Machine,
): { readonly ports: number; readonly unknown: boolean } {
  const leads = valueOf(machine.case.frontLeads);
  const able = (card?.frontHeaders ?? []).filter(
    ({ type, atMm }) =>
      (!typeC || HEADERS[type].typeC) &&
      (leads === null || leads.some((lead) => lead.type === type && (lead.nearestMm ?? 0) <= atMm)),
  );
  return {
    ports: able.reduce((total, { type }) => total + HEADERS[type].ports, 0),
    unknown: leads === null,
  };
}

export function serialLinkFlow(
  provider: Provider<DeliveryOf<'serialLink'>>,
  need: NeedOf<'serialLink'>,
): Flow {
  const { gigabits, ports } = provider.delivers;
  const own = serialLinkBytesPerSecond(gigabits);
  return conclude({
    need,
    unit: 'B/s',
    wanted: need.bytesPerSecond,
    units: ports,
    // Where the link gives less, the port still comes up in its mode, and carries what the link carries.
    stages: [...linkStages(provider), { code: 'cardPort', low: own, high: own }],
    factMissing: linkUnknown(provider),
    besides:
      gigabits >= need.gigabits
        ? []
        : [
            {
              code: 'deliver.short',
              verdict: 'blocked',
              needed: need.gigabits * 1e9,
              available: gigabits * 1e9,
              unit: 'b/s',
              subject: 'cardPort',
            },
          ],
  });
}

export function legacyFlow(
  { delivers }: Provider<DeliveryOf<'legacy'>>,
  need: NeedOf<'legacy'>,
): Flow {
  const ports = delivers[need.port];
  return conclude({
    need,
    unit: 'count',
    wanted: 1,
    units: ports,
    stages: [{ code: 'card', low: ports, high: ports }],
    factMissing: false,
  });
}

export function otherDeviceFlow(
  provider: Provider<DeliveryOf<'otherDevice'>>,
  need: NeedOf<'otherDevice'>,
): Flow {
  const { what, units } = provider.delivers;
  const given = what === need.what ? units : 0;
  return conclude({
    need,
    unit: 'count',
    wanted: 1,
    units: given,
    stages: [{ code: 'card', low: given, high: given }],
    factMissing: false,
    besides: what === need.what ? [] : [{ code: 'deliver.otherPurpose', verdict: 'blocked' }],
  });
}

export function soundFlow(
  provider: Provider<DeliveryOf<'sound'>>,
  need: NeedOf<'sound'>,
  machine: Machine,
): Flow {
  const { channels, inputs, optical } = provider.delivers;
  const lacks = (subject: PortWanted): Finding => ({
    code: 'deliver.lacks',
    verdict: 'blocked',
    subject,
  });
  const front = frontSound(provider, machine);
  return conclude({
    need,
    unit: 'count',
    wanted: need.channels,
    units: 1,
    stages: [{ code: 'card', low: channels, high: channels }],
    factMissing: need.front && front === null,
    besides: [
      ...(inputs < need.inputs ? [lacks('inputs')] : []),
      ...(need.optical && !optical ? [lacks('optical')] : []),
      ...(need.front && front === false ? [lacks('front')] : []),
    ],
  });
}

/** Whether the front sockets sound with it; null while no lead of the case is told. What is on the board is joined already. */
function frontSound({ fitted }: Provider<DeliveryOf<'sound'>>, machine: Machine): boolean | null {
  if (fitted === null) return true;
  const audio: FrontLead = 'audio';
  if (!fitted.card.frontHeaders.some(({ type }) => type === audio)) return false;
  return valueOf(machine.case.frontLeads)?.some(({ type }) => type === audio) ?? null;
}
