/** USB ports, at the back or at the front. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { USB_DEVICES, USB_SIGNALLING } from '../../standards/usb.ts';
import type { DeepReadonly } from '../../units.ts';
import { asAsked, common, none, nothing, type NeedKind } from '../needKind.ts';
import { REAR_PORTS } from './rearPorts.ts';

const schema = z.object({
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
});
export type UsbNeed = DeepReadonly<z.infer<typeof schema>>;

export const usbNeed = {
  schema,
  plain: {
    kind: 'usb',
    ports: 4,
    bytesPerSecond: 200e6,
    where: 'rear',
    typeC: false,
    milliamps: 0,
    device: null,
    deviceSignalling: '3.2-1',
  },
  servedBy: ['usb', 'serialLink'],
  asks: [],
  runs: ['large', 'small', 'own'],
  measuredBy: ['copy'],
  readings: ['temperature'],
  warms: 'other',
  units: ({ ports }) => ports,
  // Ports at the back and at the front are not the same ports.
  pool: ({ where }) => (where === 'rear' ? REAR_PORTS : 'usb-front'),
  isAtFront: ({ where }) => where === 'front',
  mounted: nothing,
  keeps: nothing,
  settled: none,
  extras: none,
  direction: nothing,
  asMeasured: asAsked,
  files: ({ device }) => (device === 'disk' ? 'disk' : 'solidState'),
  measures: () => ['large'],
} as const satisfies NeedKind<UsbNeed>;
