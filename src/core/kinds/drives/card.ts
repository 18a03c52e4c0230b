/** Storage cards: ports for drives on cables, or sockets for modules. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { DRIVES, DRIVE_SOCKETS } from '../../standards/storage.ts';
import { row, type DeepReadonly } from '../../units.ts';
import type { CardKind } from '../cardKind.ts';

const schema = z.object({
  kind: z.literal('drives'),
  ports: limits.counted,
  socket: z.enum(DRIVE_SOCKETS),
  /** Ports of the controller itself; where there are more sockets than these, sockets share them. */
  ownPorts: limits.counted,
  /** Sockets for SATA modules that it only carries: each is led to a port of the board. */
  sataModules: limits.countedOrNone,
});
export type DrivesCard = DeepReadonly<z.infer<typeof schema>>;

export const drivesCard = {
  schema,
  plain: { kind: 'drives', ports: 2, socket: 'sata', ownPorts: 2, sataModules: 0 },
  classes: { 0x0101: {}, 0x0104: {}, 0x0106: {}, 0x0108: {} },
  isWayOnLine: false,
  hangsOn: null,
  plateEnds: ['jack'],
  mostBytesPerSecond: ({ ownPorts, socket }) =>
    ownPorts * row(DRIVES, socket).practiceBytesPerSecond[1],
  rearSockets: () => [],
  cabledPorts: ({ socket, ports }) => (socket === 'sata' ? ports : 0),
  contradictions: ({ ports, ownPorts }) =>
    ownPorts > ports ? [{ path: 'ownPorts', most: ports, found: ownPorts }] : [],
} as const satisfies CardKind<DrivesCard>;
