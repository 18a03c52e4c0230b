/** USB ports at the back and at the front, and what is plugged into them. */
import type { Delivery } from '../delivery.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import type { Finding } from '../../rules/finding.ts';
import { HEADERS } from '../../standards/headers.ts';
import { SERIAL_LINK_USB } from '../../standards/serialLink.ts';
import { USB, USB_DEVICE_BYTES_PER_SECOND } from '../../standards/usb.ts';
import { row } from '../../units.ts';
import type { Flow, FlowStage, Provider, ProviderCard } from '../flow.ts';
import { ownDriveStages } from '../copyEnds.ts';
import { conclude, linkStages, linkUnknown } from '../flow.ts';
import type { UsbCard } from './card.ts';
import type { UsbNeed } from './need.ts';

/** The ports of a delivery as USB ports; null where they carry none. */
function usbPorts(delivers: Delivery): UsbCard | null {
  if (delivers.kind === 'usb') return delivers;
  if (delivers.kind !== 'serialLink') return null;
  const { gigabits, ports } = delivers;
  const { leastGigabits, signalling, milliamps } = SERIAL_LINK_USB;
  return gigabits < leastGigabits
    ? null
    : { kind: 'usb', ports, typeC: ports, signalling, milliamps };
}

export function usbFlow(provider: Provider, need: UsbNeed, machine: Machine): Flow | null {
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
  { device, deviceSignalling }: UsbNeed,
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

const noSuchPort = ({ where, typeC }: UsbNeed): Finding => ({
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
