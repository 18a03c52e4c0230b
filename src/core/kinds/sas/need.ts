/** SAS drives on cables. */
import * as z from 'zod/mini';
import * as limits from '../../parts/limits.ts';
import { DRIVE_MEDIA } from '../../standards/storage.ts';
import type { DeepReadonly } from '../../units.ts';
import { common, no, none, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
  ...common,
  kind: z.literal('sas'),
  count: limits.counted,
  medium: z.enum(DRIVE_MEDIA),
  /** What each has to carry: while all of them work together, or while one works alone. */
  bytesPerSecond: limits.bytesPerSecond,
  together: z.boolean(),
  direction: z.enum(['read', 'write']),
  /** They were in use before. */
  usedDrives: z.boolean(),
  bootable: z.boolean(),
});
export type SasNeed = DeepReadonly<z.infer<typeof schema>>;

export const sasNeed = {
  schema,
  plain: {
    kind: 'sas',
    count: 4,
    medium: 'hardDisk',
    bytesPerSecond: 150e6,
    together: true,
    direction: 'read',
    usedDrives: false,
    bootable: false,
  },
  servedBy: ['sas'],
  asks: [],
  runs: ['large', 'small', 'own'],
  measuredBy: ['drive', 'copy'],
  readings: ['driveCount', 'temperature', 'wornPercent'],
  warms: 'drive',
  units: ({ count }) => count,
  pool: () => 'sas',
  isAtFront: no,
  mounted: ({ usedDrives }) => ({ these: [], on: 'cables', array: 'single', areUsed: usedDrives }),
  keeps: nothing,
  settled: none,
  extras: none,
  direction: ({ direction }) => direction,
  asMeasured: (need, { direction, alone }) => ({
    ...need,
    direction: direction ?? need.direction,
    together: need.together && !alone,
  }),
  files: ({ medium }) => (medium === 'hardDisk' ? 'disk' : 'solidState'),
  measures: ({ together, count }) => (together && count > 1 ? ['alone'] : []),
} as const satisfies NeedKind<SasNeed>;
