/** A card learned from the report of a bench machine that holds it: identity, link, what its class says it is. */
import type { Card } from '../document/card.ts';
import { DELIVERY_KINDS, cardKindOf, type Delivery, type DeliveryKind } from '../kinds/delivery.ts';
import type { PciFunction } from '../parts/pciFunction.ts';
import { CONNECTOR_LANES } from '../standards/pciExpress.ts';
import { plainCard } from './columns.ts';

/** Kinds by base class and subclass. */
const KIND_BY_CLASS: ReadonlyMap<number, DeliveryKind> = new Map(
  DELIVERY_KINDS.flatMap((kind) =>
    Object.keys(cardKindOf({ kind }).classes).map((code) => [Number(code), kind] as const),
  ),
);

/** Devices that may sit on a card: of a kind that the catalogue knows, and not part of the chipset itself. */
export const learnable = (functions: readonly PciFunction[]): readonly PciFunction[] =>
  functions.filter(
    ({ address, classCode, express }) =>
      KIND_BY_CLASS.has(classCode) &&
      express?.kind !== 'integratedEndpoint' &&
      !/^[0-9a-f]+:00:/.test(address),
  );

/**
 * What the report tells of the card: identity, bus, lanes and generation, its window. What no report tells (maker,
 * sizes, watts, price) is the plainest of its kind, and has to be looked at.
 */
export function learnCard(fn: PciFunction): Card {
  const kind = KIND_BY_CLASS.get(fn.classCode);
  if (kind === undefined) throw new Error(`No kind of card for class ${fn.classCode.toString(16)}`);
  const able = fn.express?.link?.able;
  const width = able?.width ?? 1;
  const plain = plainCard(kind);
  return {
    ...plain,
    delivers: { ...plain.delivers, ...cardKindOf({ kind }).classes[fn.classCode] } as Delivery,
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
