/** What a card, or the board itself, brings to the machine: the registry of all kinds of card. */
import * as z from 'zod/mini';
import type { DeepReadonly } from '../units.ts';
import type { CardKind } from './cardKind.ts';
import { drivesCard } from './drives/card.ts';
import { legacyCard } from './legacy/card.ts';
import { networkCard } from './network/card.ts';
import { otherDeviceCard } from './otherDevice/card.ts';
import { sasCard } from './sas/card.ts';
import { screensCard } from './screens/card.ts';
import { serialLinkCard } from './serialLink/card.ts';
import { soundCard } from './sound/card.ts';
import { usbCard } from './usb/card.ts';
import { wifiCard } from './wifi/card.ts';

/** In the order in which lists show them. */
export const CARD_KINDS = {
  screens: screensCard,
  usb: usbCard,
  network: networkCard,
  wifi: wifiCard,
  sound: soundCard,
  drives: drivesCard,
  sas: sasCard,
  serialLink: serialLinkCard,
  legacy: legacyCard,
  otherDevice: otherDeviceCard,
};

type Row = (typeof CARD_KINDS)[keyof typeof CARD_KINDS];
type Schema = Row['schema'];

export const Delivery = z.discriminatedUnion(
  'kind',
  Object.values(CARD_KINDS).map(({ schema }) => schema) as unknown as readonly [
    Schema,
    ...Schema[],
  ],
);
export type Delivery = DeepReadonly<z.infer<typeof Delivery>>;
export type DeliveryKind = Delivery['kind'];
export type DeliveryOf<Kind extends DeliveryKind> = Extract<Delivery, { kind: Kind }>;

export const DELIVERY_KINDS = Object.keys(CARD_KINDS) as readonly DeliveryKind[];

/** What is known of its kind. */
export const cardKindOf = ({ kind }: { readonly kind: DeliveryKind }): CardKind<Delivery> =>
  CARD_KINDS[kind];

/** The most that it can use of its link with everything on it busy, in bytes per second; zero: nothing is asked of the link. */
export const mostBytesPerSecond = (delivers: Delivery): number =>
  cardKindOf(delivers).mostBytesPerSecond(delivers);
