/** What the customer wants, in numbers. Each kind is served by one kind of delivery, or by leaving things be. */
import * as z from 'zod/mini';
import { BACKINGS } from '../parts/statement.ts';
import type { DeliveryKind } from './delivery.ts';
import { Drive } from '../parts/drive.ts';
import * as limits from '../parts/limits.ts';
import { MOST, id, listOf, text } from '../parts/limits.ts';
import { MANNERS } from '../standards/cardForm.ts';
import { NETWORK_FEATURES, NETWORK_TEAMS } from '../standards/ethernet.ts';
import { ENCODINGS, SCREEN_ENDS, SCREEN_INPUTS } from '../standards/screens.ts';
import {
  DRIVE_ARRAYS,
  DRIVE_MEDIA,
  LEAST_DRIVES,
  WANTED_DRIVES,
  drivesFor,
} from '../standards/storage.ts';
import { OTHER_DEVICES } from '../standards/otherDevices.ts';
import { USB_DEVICES, USB_SIGNALLING } from '../standards/usb.ts';
import { WIFI_BANDS } from '../standards/wifi.ts';
import type { DeepReadonly } from '../units.ts';

const common = {
  id,
  /** Must have, or nice to have. */
  must: z.boolean(),
  /** How much a wish counts against other wishes, from 1 to 5. */
  weight: z.int().check(z.minimum(1), z.maximum(5)),
  /** Needs of one group are used at the same time; empty: on its own. */
  group: z.string().check(z.maxLength(20)),
  /** In the customer's own words. */
  words: text,
  /** How well a card that serves it has to be backed by what is said of it. */
  backing: z.enum(BACKINGS),
  /** What a card that serves it has to be that is no number. */
  manners: listOf(z.enum(MANNERS), MANNERS.length),
  /** Not bought now: it keeps slot, lanes and watts for what will serve it. */
  later: z.boolean(),
};

const DRIVER_SCOPES = ['failing', 'display', 'network', 'all'] as const;

export const Need = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('network'),
    bytesPerSecond: limits.bytesPerSecond,
    ports: limits.counted,
    /** Whether the ports work as one; the figure above is then that of all of them, many copies at once. */
    team: z.enum(NETWORK_TEAMS),
    /** Copied to the far end, or fetched from it. */
    direction: z.enum(['to', 'from']),
    /** Encrypted on the way, by the machine itself. */
    encrypted: z.boolean(),
    features: listOf(z.enum(NETWORK_FEATURES), NETWORK_FEATURES.length),
  }),
  z.object({
    ...common,
    kind: z.literal('usb'),
    ports: limits.counted,
    /** What one port has to carry while it works alone. */
    bytesPerSecond: limits.bytesPerSecond,
    where: z.enum(['rear', 'front']),
    typeC: z.boolean(),
    /** What each port has to give at 5 V; zero: whatever it gives. */
    milliamps: limits.milliamps,
    /** What is plugged in to be copied to or from, and the speed of its own socket; null: the port itself is what counts. */
    device: z.nullable(z.enum(USB_DEVICES)),
    deviceSignalling: z.enum(USB_SIGNALLING),
  }),
  z.object({
    ...common,
    kind: z.literal('screens'),
    count: limits.counted,
    mode: z.object({
      widthPx: limits.pixels,
      heightPx: limits.pixels,
      refreshHz: limits.refreshHz,
    }),
    bitsPerColour: z.union([z.literal(8), z.literal(10)]),
    /** The socket on these screens; null: whichever the card has. */
    input: z.nullable(z.enum(SCREEN_INPUTS)),
    /** What the outputs are joined to: screens, or the input of another card in this machine, by a loop lead. */
    into: z.enum(SCREEN_ENDS),
  }),
  z.object({
    ...common,
    kind: z.literal('graphics'),
    memoryGigabytes: limits.moreThanNoGigabytes,
    speedClass: limits.speedClassAsked,
    encodes: listOf(z.enum(ENCODINGS), ENCODINGS.length),
  }),
  z.object({
    ...common,
    kind: z.literal('wifi'),
    megabits: limits.megabits,
    bluetooth: z.boolean(),
    bands: listOf(z.enum(WIFI_BANDS), WIFI_BANDS.length),
  }),
  z.object({
    ...common,
    kind: z.literal('drives'),
    ports: limits.counted,
    /** Room for data, instead of a number of drives; zero: the number counts. In drives of this size. */
    usableGigabytes: limits.driveGigabytesOrNone,
    driveGigabytes: limits.driveGigabytes,
    /** They were in use before. */
    usedDrives: z.boolean(),
    /** The drives themselves, all for one kind of socket, where they are known: they take the place of number and size. */
    these: listOf(Drive, MOST.drives).check(
      z.refine((these) => these.every(({ socket }) => socket === these[0]?.socket)),
    ),
    /** What each has to carry: while all of them work together, or while one works alone. */
    bytesPerSecond: limits.bytesPerSecond,
    together: z.boolean(),
    drive: z.enum(WANTED_DRIVES),
    medium: z.enum(DRIVE_MEDIA),
    /** How they work as one; the figure above is then that of all of them, read from or written to. */
    array: z.enum(DRIVE_ARRAYS),
    direction: z.enum(['read', 'write']),
    bootable: z.boolean(),
    /** Must run on the driver that the system brings along. */
    systemDriver: z.boolean(),
  }),
  z.object({
    ...common,
    kind: z.literal('sound'),
    channels: limits.counted,
    inputs: limits.countedOrNone,
    optical: z.boolean(),
    /** The sockets at the front are to work as well. */
    front: z.boolean(),
  }),
  z.object({
    ...common,
    kind: z.literal('serialLink'),
    ports: limits.counted,
    /** The mode the port has to come up in, and what it has to carry by then, each way. */
    gigabits: limits.gigabits,
    bytesPerSecond: limits.bytesPerSecond,
  }),
  z.object({
    ...common,
    kind: z.literal('legacy'),
    port: z.enum(['serial', 'parallel']),
    ports: limits.counted,
  }),
  z.object({
    ...common,
    kind: z.literal('otherDevice'),
    what: z.enum(OTHER_DEVICES),
    units: limits.counted,
  }),
  /** What is in that slot stays in the machine. */
  z.object({ ...common, kind: z.literal('keep'), slotId: id }),
  /** Drivers without a card: of devices that do not work, or newer ones for a kind of device. */
  z.object({ ...common, kind: z.literal('drivers'), scope: z.enum(DRIVER_SCOPES) }),
]);
export type Need = DeepReadonly<z.infer<typeof Need>>;
export type NeedKind = Need['kind'];

/** Stages on the way from what a need asks to what it gets. */
export type StageCode =
  | 'slotLink'
  | 'uplink'
  | 'cardPort'
  | 'cable'
  | 'hop'
  | 'farEnd'
  | 'processor'
  | 'ownDrive'
  | 'ownDrivePort'
  | 'usbDevice'
  | 'farDrive'
  | 'radio'
  | 'accessWire'
  | 'internet'
  | 'output'
  | 'drivePort'
  | 'drive'
  | 'card';
export type NeedOf<Kind extends NeedKind> = Extract<Need, { kind: Kind }>;

/** Which kinds of card serve a kind of need. */
export const SERVED_BY: Readonly<Record<NeedKind, readonly DeliveryKind[]>> = {
  network: ['network'],
  usb: ['usb', 'serialLink'],
  screens: ['screens'],
  graphics: ['screens'],
  wifi: ['wifi'],
  drives: ['drives'],
  sound: ['sound'],
  serialLink: ['serialLink'],
  legacy: ['legacy'],
  otherDevice: ['otherDevice'],
  keep: [],
  drivers: [],
};

/** Whether what delivers this can serve such a need at all. */
export const isServedBy = (need: NeedKind, delivers: DeliveryKind): boolean =>
  SERVED_BY[need].includes(delivers);

/** The drives that needs name, of all of them: no two of a job have one id. */
export const drivesWanted = (needs: readonly Need[]): readonly Drive[] =>
  needs.flatMap((need) => (need.kind === 'drives' ? need.these : []));

/** How many units (ports, screens, drives, or the thing itself) satisfy a need. */
export function unitsNeeded(need: Need): number {
  switch (need.kind) {
    case 'network':
    case 'usb':
    case 'serialLink':
    case 'legacy':
      return need.ports;
    case 'drives':
      if (need.these.length > 0) return need.these.length;
      return need.usableGigabytes === 0
        ? Math.max(need.ports, LEAST_DRIVES[need.array])
        : drivesFor(need.array, need.usableGigabytes, need.driveGigabytes);
    case 'otherDevice':
      return need.units;
    case 'screens':
      return need.count;
    case 'graphics':
    case 'wifi':
    case 'sound':
    case 'keep':
    case 'drivers':
      return 1;
  }
}

/** What the drives of a need plug into: of those that are known, or as they are wanted. */
export const socketWanted = ({ these, drive }: NeedOf<'drives'>): NeedOf<'drives'>['drive'] =>
  these[0]?.socket ?? drive;

/** Whether something was written to them before they come here. */
export const areUsed = ({ these, usedDrives }: NeedOf<'drives'>): boolean =>
  usedDrives || these.some(({ writtenTerabytes }) => (writtenTerabytes ?? 0) > 0);

type Asked<Kind extends NeedKind> = Omit<
  NeedOf<Kind>,
  'id' | 'must' | 'weight' | 'group' | 'words' | 'backing' | 'manners' | 'later'
>;

/** What a need of each kind asks before its numbers are told. */
const PLAIN: { readonly [Kind in NeedKind]: Asked<Kind> } = {
  network: {
    kind: 'network',
    bytesPerSecond: 250e6,
    ports: 1,
    team: 'none',
    direction: 'to',
    encrypted: false,
    features: [],
  },
  usb: {
    kind: 'usb',
    ports: 4,
    bytesPerSecond: 200e6,
    where: 'rear',
    typeC: false,
    milliamps: 0,
    device: null,
    deviceSignalling: '3.2-1',
  },
  screens: {
    kind: 'screens',
    count: 2,
    mode: { widthPx: 3840, heightPx: 2160, refreshHz: 60 },
    bitsPerColour: 8,
    input: null,
    into: 'screen',
  },
  graphics: { kind: 'graphics', memoryGigabytes: 4, speedClass: 2, encodes: [] },
  wifi: { kind: 'wifi', megabits: 100, bluetooth: false, bands: [] },
  drives: {
    kind: 'drives',
    ports: 2,
    usableGigabytes: 0,
    driveGigabytes: 4_000,
    usedDrives: false,
    these: [],
    bytesPerSecond: 400e6,
    together: true,
    drive: 'any',
    medium: 'solidState',
    array: 'single',
    direction: 'read',
    bootable: false,
    systemDriver: false,
  },
  sound: { kind: 'sound', channels: 2, inputs: 0, optical: false, front: false },
  serialLink: { kind: 'serialLink', ports: 1, gigabits: 40, bytesPerSecond: 1e9 },
  legacy: { kind: 'legacy', port: 'serial', ports: 1 },
  otherDevice: { kind: 'otherDevice', what: 'capture', units: 1 },
  keep: { kind: 'keep', slotId: 'slot' },
  drivers: { kind: 'drivers', scope: 'failing' },
};

/** A must of the plainest of its kind, with whatever is told of it. */
export function plainNeed<Kind extends NeedKind>(
  kind: Kind,
  needId: string,
  told: Partial<Omit<NeedOf<Kind>, 'kind' | 'id'>> = {},
): NeedOf<Kind> {
  const common = {
    id: needId,
    must: true,
    weight: 3,
    group: '',
    words: '',
    backing: 'none',
    manners: [],
    later: false,
  };
  return { ...common, ...PLAIN[kind], ...told } as unknown as NeedOf<Kind>;
}
