/** What serves a purpose of its own: pictures taken in, broadcasts, another bus, a line, reckoning. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { OTHER_DEVICES, OTHER_DEVICE_CLASSES } from '../../standards/otherDevices.ts';
import { REAR_SOCKET_KINDS } from '../../standards/rearSockets.ts';
import type { DeepReadonly } from '../../units.ts';
import { noContradictions, noPorts, sockets, type CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('otherDevice'),
  what: z.enum(OTHER_DEVICES),
  /** Inputs, tuners, ports, lines, or the thing itself. */
  units: limits.counted,
  /** What each of them shows at the back; null: nothing. */
  socket: z.nullable(z.enum(REAR_SOCKET_KINDS)),
  /** What it takes over its link at full work; zero: next to nothing. */
  bytesPerSecond: limits.bytesPerSecondOrNone,
});
export type OtherDeviceCard = DeepReadonly<z.infer<typeof schema>>;

export const otherDeviceCard = {
  schema,
  plain: { kind: 'otherDevice', what: 'other', units: 1, socket: null, bytesPerSecond: 0 },
  classes: Object.fromEntries(
    Object.entries(OTHER_DEVICE_CLASSES).map(([code, what]) => [Number(code), { what }]),
  ),
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: ['jack'],
  mostBytesPerSecond: ({ bytesPerSecond }) => bytesPerSecond,
  rearSockets: ({ socket, units }) => (socket === null ? [] : sockets(socket, units)),
  cabledPorts: noPorts,
  contradictions: noContradictions,
} as const satisfies CardKind<OtherDeviceCard>;
