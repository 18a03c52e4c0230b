/** Drives, or room for data: alone, at once, or as one. */
import * as z from 'zod/mini';
import { Drive } from '../../parts/drive.ts';
import * as limits from '../../parts/limits.ts';
import { MOST, listOf } from '../../parts/limits.ts';
import {
  DRIVE_ARRAYS,
  DRIVE_MEDIA,
  LEAST_DRIVES,
  WANTED_DRIVES,
  drivesFor,
} from '../../standards/storage.ts';
import type { DeepReadonly } from '../../units.ts';
import { common, no, nothing, type NeedKind } from '../needKind.ts';

const schema = z.object({
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
});
export type DrivesNeed = DeepReadonly<z.infer<typeof schema>>;

/** What its drives plug into: of those that are known, or as they are wanted. */
export const socketWanted = ({ these, drive }: DrivesNeed): DrivesNeed['drive'] =>
  these[0]?.socket ?? drive;

const MOUNTED_ON = { any: 'either', sata: 'cables', m2: 'modules', m2Sata: 'ledModules' } as const;

const units = ({ these, ports, usableGigabytes, driveGigabytes, array }: DrivesNeed): number => {
  if (these.length > 0) return these.length;
  return usableGigabytes === 0
    ? Math.max(ports, LEAST_DRIVES[array])
    : drivesFor(array, usableGigabytes, driveGigabytes);
};

export const drivesNeed = {
  schema,
  plain: {
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
  servedBy: ['drives'],
  asks: [],
  runs: ['large', 'small', 'own'],
  measuredBy: ['drive', 'copy'],
  readings: ['driveCount', 'temperature', 'wornPercent'],
  warms: 'drive',
  units,
  pool: () => 'drives',
  isAtFront: no,
  mounted: (need) => ({
    these: need.these,
    on: MOUNTED_ON[socketWanted(need)],
    array: need.array,
    areUsed:
      need.usedDrives || need.these.some(({ writtenTerabytes }) => (writtenTerabytes ?? 0) > 0),
  }),
  keeps: nothing,
  // A pad for each module on the card, by the sides on which it has chips; none where nobody told.
  extras: (need) =>
    socketWanted(need) === 'sata'
      ? []
      : need.these.flatMap(({ sides }) =>
          sides === null ? [] : [{ kind: 'thermalPad' as const, fits: sides, count: 1 }],
        ),
  settled: ({ these }) =>
    these.length > 0 ? ['ports', 'driveGigabytes', 'drive', 'medium', 'usedDrives'] : [],
  direction: ({ direction }) => direction,
  asMeasured: (need, { direction, alone }) => ({
    ...need,
    direction: direction ?? need.direction,
    together: need.together && !alone,
  }),
  files: ({ medium }) => (medium === 'hardDisk' ? 'disk' : 'solidState'),
  measures: (need) => {
    if (need.array !== 'single') return ['otherWay'];
    return need.together && units(need) > 1 ? ['alone'] : [];
  },
} as const satisfies NeedKind<DrivesNeed>;
