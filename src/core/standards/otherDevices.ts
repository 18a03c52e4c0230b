/**
 * Devices on cards that take lanes, leads and watts like any other and serve a purpose of their own. Names of the
 * trade; the classes by which a report knows them are those of the PCI Code and ID Assignment Specification (from
 * memory).
 */
export const OTHER_DEVICES = [
  'capture',
  'tuner',
  'storageBus',
  'modem',
  'accelerator',
  'other',
] as const;
export type OtherDevice = (typeof OTHER_DEVICES)[number];

/** Base class and subclass. */
export const OTHER_DEVICE_CLASSES: Readonly<Record<number, OtherDevice>> = {
  0x0100: 'storageBus',
  0x0400: 'capture',
  0x0480: 'tuner',
  0x0703: 'modem',
  0x1200: 'accelerator',
};
