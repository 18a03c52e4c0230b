/** A drive: what its maker says of it, what it says of itself, and what was read off it. What nobody told is null. */
import * as z from 'zod/mini';
import * as limits from './limits.ts';
import { id, text } from './limits.ts';
import { DRIVE_FORMS, DRIVE_MEDIA, MODULE_SIDES, WANTED_DRIVES } from '../standards/storage.ts';
import type { DeepReadonly } from '../units.ts';

export const Drive = z.object({
  id,
  maker: text,
  model: text,
  medium: z.enum(DRIVE_MEDIA),
  form: z.enum(DRIVE_FORMS),
  socket: z.enum(WANTED_DRIVES).check(z.refine((socket) => socket !== 'any')),
  /** 10^9 bytes each, as drives are sold. */
  gigabytes: limits.driveGigabytes,
  /** Rated, of large files. */
  readBytesPerSecond: z.nullable(limits.bytesPerSecond),
  writeBytesPerSecond: z.nullable(limits.bytesPerSecond),
  /** What it still writes once its cache is full. */
  sustainedBytesPerSecond: z.nullable(limits.bytesPerSecond),
  /** What its maker vouches for, and what was written so far, in 10^12 bytes. */
  ratedTerabytes: z.nullable(limits.terabytes),
  writtenTerabytes: z.nullable(limits.terabytes),
  /** Its own word on whether it is about to fail. */
  failing: z.nullable(z.boolean()),
  /** Of a module. */
  sides: z.nullable(z.enum(MODULE_SIDES)),
  /** Of a drive in a bay. */
  heightMm: z.nullable(limits.millimetres),
  /** The most it takes from each rail, starting included. */
  fiveVoltWatts: z.nullable(limits.driveWatts),
  twelveVoltWatts: z.nullable(limits.driveWatts),
  /** Empty: not told, or not to be kept. */
  serial: text,
});
export type Drive = DeepReadonly<z.infer<typeof Drive>>;

/** Maker and model, as parts are spoken of. */
export const driveName = ({ maker, model }: Pick<Drive, 'maker' | 'model'>): string =>
  `${maker} ${model}`.trim();

/** A drive of which only kind and size are told. */
export const emptyDrive = (
  driveId: string,
  gigabytes: number,
  told: Partial<Omit<Drive, 'id' | 'gigabytes'>> = {},
): Drive => ({
  id: driveId,
  maker: '',
  model: '',
  medium: 'solidState',
  form: '2.5',
  socket: 'sata',
  gigabytes,
  readBytesPerSecond: null,
  writeBytesPerSecond: null,
  sustainedBytesPerSecond: null,
  ratedTerabytes: null,
  writtenTerabytes: null,
  failing: null,
  sides: null,
  heightMm: null,
  fiveVoltWatts: null,
  twelveVoltWatts: null,
  serial: '',
  ...told,
});
