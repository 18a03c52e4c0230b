/** Fast serial ports, which carry PCI Express and screens to boxes and docks. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { serialLinkBytesPerSecond } from '../../standards/serialLink.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('serialLink'),
  ports: limits.counted,
  gigabits: limits.gigabits,
});
export type SerialLinkCard = DeepReadonly<z.infer<typeof schema>>;

export const serialLinkCard = {
  schema,
  plain: { kind: 'serialLink', ports: 1, gigabits: 40 },
  classes: {},
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: ['jack'],
  mostBytesPerSecond: ({ gigabits }) => serialLinkBytesPerSecond(gigabits),
  rearSockets: ({ ports }) => sockets('usbC', ports),
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<SerialLinkCard>;
