/** USB cards: sockets at the back, and what each gives. Those at the front hang on the card's headers. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { USB, USB_SIGNALLING } from '../../standards/usb.ts';
import { row, type DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('usb'),
  /** Sockets at the back; those at the front hang on the card's headers. */
  ports: limits.countedOrNone,
  signalling: z.enum(USB_SIGNALLING),
  /** How many of the sockets at the back are Type-C. */
  typeC: limits.countedOrNone,
  /** What each socket can give at 5 V while all of them do. */
  milliamps: limits.milliamps,
});
export type UsbCard = DeepReadonly<z.infer<typeof schema>>;

export const usbCard = {
  schema,
  plain: { kind: 'usb', ports: 2, signalling: '3.2-1', typeC: 0, milliamps: 900 },
  classes: { 0x0c03: {} },
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: ['jack'],
  // One port at full speed: several at once share it, as every USB card does.
  mostBytesPerSecond: ({ signalling }) => row(USB, signalling).practiceBytesPerSecond[1],
  rearSockets: ({ ports, typeC }) => [...sockets('usbA', ports - typeC), ...sockets('usbC', typeC)],
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<UsbCard>;
