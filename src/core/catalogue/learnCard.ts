/** A card learned from the report of a bench machine that holds it: identity, link, what its class says it is. */
import type { Card } from '../document/card.ts';
import type { DeliveryKind } from '../kinds/delivery.ts';
import type { PciFunction } from '../parts/pciFunction.ts';
import { OTHER_DEVICE_CLASSES } from '../standards/otherDevices.ts';
import { CONNECTOR_LANES } from '../standards/pciExpress.ts';
import { plainCard } from './columns.ts';

/** Kinds by base class and subclass. Source: PCI Code and ID Assignment Specification (from memory). */
const KIND_BY_CLASS: Readonly<Record<number, DeliveryKind>> = {
  0x0101: 'drives',
  0x0104: 'drives',
  0x0106: 'drives',
  0x0107: 'drives',
  0x0108: 'drives',
  0x0200: 'network',
  0x0280: 'wifi',
  0x0300: 'screens',
  0x0302: 'screens',
  0x0380: 'screens',
  0x0401: 'sound',
  0x0403: 'sound',
  0x0700: 'legacy',
  0x0701: 'legacy',
  0x0c03: 'usb',
  ...Object.fromEntries(
    Object.keys(OTHER_DEVICE_CLASSES).map((code) => [code, 'otherDevice' as const]),
  ),
};

/** Devices that may sit on a card: of a kind that the catalogue knows, and not part of the chipset itself. */
export const learnable = (functions: readonly PciFunction[]): readonly PciFunction[] =>
  functions.filter(
    ({ address, classCode, express }) =>
      KIND_BY_CLASS[classCode] !== undefined &&
      express?.kind !== 'integratedEndpoint' &&
      !/^[0-9a-f]+:00:/.test(address),
  );

/**
 * What the report tells of the card: identity, bus, lanes and generation, its window. What no report tells (maker,
 * sizes, watts, price) is the plainest of its kind, and has to be looked at.
 */
export function learnCard(fn: PciFunction): Card {
  const kind = KIND_BY_CLASS[fn.classCode];
  if (kind === undefined) throw new Error(`No kind of card for class ${fn.classCode.toString(16)}`);
  const able = fn.express?.link?.able;
  const width = able?.width ?? 1;
  const plain = plainCard(kind);
  const what = OTHER_DEVICE_CLASSES[fn.classCode];
  return {
    ...plain,
    delivers:
      plain.delivers.kind === 'otherDevice' && what !== undefined
        ? { ...plain.delivers, what }
        : plain.delivers,
    model: (fn.name ?? '').replace(/^[^:]*: /, '').slice(0, 200),
    bus: fn.express === null ? 'pci' : 'pcie',
    keying: fn.express === null ? 'universal' : null,
    // The shortest connector with contacts for all its lanes.
    lanes: CONNECTOR_LANES.find((lanes) => lanes >= width) ?? 16,
    generation: able?.generation ?? 1,
    windowMegabytes: Math.round((fn.resizableBar?.mostBytes ?? 0) / BYTES_PER_MEGABYTE),
    ids: {
      vendor: fn.vendor,
      device: fn.device,
      class24: fn.classCode * 0x100 + fn.programmingInterface,
    },
  };
}

/** Windows of memory are powers of two. */
const BYTES_PER_MEGABYTE = 2 ** 20;
