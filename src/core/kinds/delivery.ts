/** What a card, or the board itself, brings to the machine. Each need is served by one of these kinds. */
import * as z from 'zod/mini';
import * as limits from '../parts/limits.ts';
import { MOST, listOf } from '../parts/limits.ts';
import { NETWORK_FEATURES, NETWORK_MEDIA } from '../standards/ethernet.ts';
import { ENCODINGS, OUTPUT_SIGNALS } from '../standards/screens.ts';
import { OTHER_DEVICES } from '../standards/otherDevices.ts';
import { REAR_SOCKET_KINDS } from '../standards/rearSockets.ts';
import { DRIVE_SOCKETS } from '../standards/storage.ts';
import { USB_SIGNALLING } from '../standards/usb.ts';
import { WIFI_BANDS } from '../standards/wifi.ts';
import type { DeepReadonly } from '../units.ts';

export const Delivery = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('network'),
    ports: limits.counted,
    megabits: listOf(limits.wholeMegabits, MOST.speeds),
    medium: z.enum(NETWORK_MEDIA),
    features: listOf(z.enum(NETWORK_FEATURES), NETWORK_FEATURES.length),
  }),
  z.object({
    kind: z.literal('usb'),
    /** Sockets at the back; those at the front hang on the card's headers. */
    ports: limits.countedOrNone,
    signalling: z.enum(USB_SIGNALLING),
    /** How many of the sockets at the back are Type-C. */
    typeC: limits.countedOrNone,
    /** What each socket can give at 5 V while all of them do. */
    milliamps: limits.milliamps,
  }),
  z.object({
    kind: z.literal('screens'),
    outputs: listOf(
      z.object({ signal: z.enum(OUTPUT_SIGNALS), count: limits.counted }),
      OUTPUT_SIGNALS.length,
    ),
    /** Screens it drives at once, whatever its sockets. */
    most: limits.counted,
    memoryGigabytes: limits.gigabytes,
    /** How fast it draws: see GRAPHICS_CLASSES. */
    speedClass: limits.speedClass,
    encodes: listOf(z.enum(ENCODINGS), ENCODINGS.length),
  }),
  z.object({
    kind: z.literal('wifi'),
    radioMegabits: limits.megabits,
    bluetooth: z.boolean(),
    bands: listOf(z.enum(WIFI_BANDS), WIFI_BANDS.length),
    /** Sockets for aerials, which come through the bracket. */
    aerials: limits.countedOrNone,
  }),
  z.object({
    kind: z.literal('drives'),
    ports: limits.counted,
    socket: z.enum(DRIVE_SOCKETS),
    /** Ports of the controller itself; where there are more sockets than these, sockets share them. */
    ownPorts: limits.counted,
    /** Sockets for SATA modules that it only carries: each is led to a port of the board. */
    sataModules: limits.countedOrNone,
  }),
  z.object({
    kind: z.literal('sound'),
    channels: limits.counted,
    /** Line and microphone inputs. */
    inputs: limits.countedOrNone,
    optical: z.boolean(),
  }),
  /** Fast serial ports, which carry PCI Express and screens to boxes and docks. */
  z.object({ kind: z.literal('serialLink'), ports: limits.counted, gigabits: limits.gigabits }),
  /** Ports of an older age. */
  z.object({
    kind: z.literal('legacy'),
    serial: limits.countedOrNone,
    parallel: limits.countedOrNone,
  }),
  /** What serves a purpose of its own: pictures taken in, broadcasts, another bus, a line, reckoning. */
  z.object({
    kind: z.literal('otherDevice'),
    what: z.enum(OTHER_DEVICES),
    /** Inputs, tuners, ports, lines, or the thing itself. */
    units: limits.counted,
    /** What each of them shows at the back; null: nothing. */
    socket: z.nullable(z.enum(REAR_SOCKET_KINDS)),
    /** What it takes over its link at full work; zero: next to nothing. */
    bytesPerSecond: limits.bytesPerSecondOrNone,
  }),
]);
export type Delivery = DeepReadonly<z.infer<typeof Delivery>>;
export type DeliveryKind = Delivery['kind'];
export type DeliveryOf<Kind extends DeliveryKind> = Extract<Delivery, { kind: Kind }>;
