/** What a card, or the board itself, brings to the machine. Each need is served by one of these kinds. */
import * as z from 'zod/mini';
import { count, positive, whole } from './fact.ts';
import { NETWORK_FEATURES } from '../standards/ethernet.ts';
import { ENCODINGS, OUTPUT_SIGNALS } from '../standards/screens.ts';
import { DRIVE_SOCKETS } from '../standards/storage.ts';
import { USB_SIGNALLING } from '../standards/usb.ts';
import { WIFI_BANDS } from '../standards/wifi.ts';
import type { DeepReadonly } from '../units.ts';

export const Delivery = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('network'),
    ports: count,
    megabits: z.array(count),
    features: z.array(z.enum(NETWORK_FEATURES)),
  }),
  z.object({
    kind: z.literal('usb'),
    /** Sockets at the back; those at the front hang on the card's headers. */
    ports: whole,
    signalling: z.enum(USB_SIGNALLING),
    /** How many of the sockets at the back are Type-C. */
    typeC: whole,
    /** What each socket can give at 5 V while all of them do. */
    milliamps: whole,
  }),
  z.object({
    kind: z.literal('screens'),
    outputs: z.array(z.object({ signal: z.enum(OUTPUT_SIGNALS), count })),
    /** Screens it drives at once, whatever its sockets. */
    most: count,
    memoryGigabytes: z.number().check(z.nonnegative()),
    /** How fast it draws: see GRAPHICS_CLASSES. */
    speedClass: whole,
    encodes: z.array(z.enum(ENCODINGS)),
  }),
  z.object({
    kind: z.literal('wifi'),
    radioMegabits: positive,
    bluetooth: z.boolean(),
    bands: z.array(z.enum(WIFI_BANDS)),
    /** Sockets for aerials, which come through the bracket. */
    aerials: whole,
  }),
  z.object({
    kind: z.literal('drives'),
    ports: count,
    socket: z.enum(DRIVE_SOCKETS),
    /** Ports of the controller itself; where there are more sockets than these, sockets share them. */
    ownPorts: count,
  }),
  z.object({
    kind: z.literal('sound'),
    channels: count,
    /** Line and microphone inputs. */
    inputs: whole,
    optical: z.boolean(),
  }),
  /** Fast serial ports, which carry PCI Express and screens to boxes and docks. */
  z.object({ kind: z.literal('serialLink'), ports: count, gigabits: count }),
  /** Ports of an older age. */
  z.object({ kind: z.literal('legacy'), serial: whole, parallel: whole }),
]);
export type Delivery = DeepReadonly<z.infer<typeof Delivery>>;
export type DeliveryKind = Delivery['kind'];
export type DeliveryOf<Kind extends DeliveryKind> = Extract<Delivery, { kind: Kind }>;
