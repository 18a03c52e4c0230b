/**
 * Serial Attached SCSI: one lane a drive, four lanes a connector. Line rates: INCITS 417 (SAS-1.1 and 2), 519 (SAS-3), 534 (SAS-4), all
 * from memory: 8 bits in 10 up to 12 Gb/s, 128 in 150 at 22.5. What large files show is common practice, no source.
 */
export const SAS_GIGABITS = [3, 6, 12, 22.5] as const;
export type SasGigabits = (typeof SAS_GIGABITS)[number];

export const SAS: Readonly<
  Record<SasGigabits, { readonly practiceBytesPerSecond: readonly [number, number] }>
> = {
  3: { practiceBytesPerSecond: [240e6, 285e6] },
  6: { practiceBytesPerSecond: [480e6, 560e6] },
  12: { practiceBytesPerSecond: [950e6, 1_120e6] },
  22.5: { practiceBytesPerSecond: [1_950e6, 2_250e6] },
};

/** Of a connector inside the machine, and so drives on one cable. */
export const LANES_OF_CONNECTOR = 4;

/** Hard disks of this family turn faster, and show a little more. Common practice, no source. */
export const SAS_DISK_BYTES_PER_SECOND = [150e6, 290e6] as const;
