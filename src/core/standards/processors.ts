/**
 * What the machine's processor lets through when large files are copied over a wire, by its age: plain, and encrypted
 * on the way. Common practice, no source: from about 2010 on processors have instructions for AES, from about 2016 on
 * none holds back 10 Gb/s.
 */
import { MEGABYTE } from '../units.ts';

export const PROCESSOR_CLASSES = ['before2010', 'before2016', 'current'] as const;
export type ProcessorClass = (typeof PROCESSOR_CLASSES)[number];

interface ProcessorRow {
  /** Bytes per second, low and high. */
  readonly plain: readonly [number, number];
  readonly encrypted: readonly [number, number];
}

export const PROCESSORS: Readonly<Record<ProcessorClass, ProcessorRow>> = {
  before2010: {
    plain: [200 * MEGABYTE, 450 * MEGABYTE],
    encrypted: [50 * MEGABYTE, 120 * MEGABYTE],
  },
  before2016: {
    plain: [600 * MEGABYTE, 1_200 * MEGABYTE],
    encrypted: [250 * MEGABYTE, 700 * MEGABYTE],
  },
  current: {
    plain: [1_200 * MEGABYTE, 5_000 * MEGABYTE],
    encrypted: [800 * MEGABYTE, 3_000 * MEGABYTE],
  },
};
