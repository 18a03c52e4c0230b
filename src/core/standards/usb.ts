/**
 * USB signalling. Source: USB 2.0 and USB 3.2 (rates from memory); the bands are common practice, no source.
 */
import { MEGABYTE } from '../units.ts';

export const USB_SIGNALLING = ['2.0', '3.2-1', '3.2-2', '3.2-2x2'] as const;
export type UsbSignalling = (typeof USB_SIGNALLING)[number];

/** VBUS. */
export const USB_VOLTS = 5;

/** What is plugged into a port to be copied to or from. */
export const USB_DEVICES = ['stick', 'disk', 'solidState'] as const;
export type UsbDevice = (typeof USB_DEVICES)[number];

/** What each shows with large files, low and high, whatever its socket. Common practice, no source. */
export const USB_DEVICE_BYTES_PER_SECOND: Readonly<Record<UsbDevice, readonly [number, number]>> = {
  stick: [20 * MEGABYTE, 150 * MEGABYTE],
  disk: [90 * MEGABYTE, 210 * MEGABYTE],
  solidState: [400 * MEGABYTE, 1_000 * MEGABYTE],
};

interface UsbRow {
  readonly megabits: number;
  /** After the line code. */
  readonly codedBytesPerSecond: number;
  /** What a fast drive on one port shows, low and high. */
  readonly practiceBytesPerSecond: readonly [number, number];
}

const usb = (
  megabits: number,
  useful: number,
  coded: number,
  low: number,
  high: number,
): UsbRow => ({
  megabits,
  codedBytesPerSecond: (megabits * 1e6 * useful) / coded / 8,
  practiceBytesPerSecond: [low * MEGABYTE, high * MEGABYTE],
});

export const USB: Readonly<Record<UsbSignalling, UsbRow>> = {
  '2.0': usb(480, 1, 1, 30, 40),
  '3.2-1': usb(5_000, 8, 10, 400, 450),
  '3.2-2': usb(10_000, 128, 132, 650, 1_000),
  '3.2-2x2': usb(20_000, 128, 132, 1_900, 2_000),
};
