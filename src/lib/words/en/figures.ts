/** Numbers as a technician reads them. */
import type { Link, ScreenMode } from '$core/standards';
import type { KeptUnit } from '$core/read';
import type { Unit } from '$core/rules';

const whole = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 0 });
const short = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 3 });
const money = new Intl.NumberFormat('en-GB', {
  minimumFractionDigits: 2,
  maximumFractionDigits: 2,
});
const moment = new Intl.DateTimeFormat('en-GB', { dateStyle: 'medium', timeStyle: 'short' });
export const wholeNumber = (value: number): string => whole.format(value);
export const shortNumber = (value: number): string => short.format(value);
const UNBROKEN = '\u00a0';

export const inMoney = (cents: number): string => money.format(cents / 100);
/** “18 Nov 2026, 15:00”, never broken over two lines. */
export const atMoment = (iso: string): string =>
  moment.format(new Date(iso)).replaceAll(' ', UNBROKEN);

const UNITS = ['bytes', 'kB', 'MB', 'GB', 'TB'] as const;

/** What is filled into a text. */
export type Said = string | number;

const rules = new Intl.PluralRules('en-GB');

/** The form that goes with a number. */
export const plural = (count: number, one: string, other: string): string =>
  rules.select(count) === 'one' ? one : other;

export const counted = (count: number, thing: string): string =>
  `${count} ${plural(count, thing, `${thing}s`)}`;

/** A size in the unit that suits it. */
export function inBytes(bytes: number): string {
  const power = Math.min(UNITS.length - 1, Math.floor(Math.log10(Math.max(1, bytes)) / 3));
  return `${short.format(bytes / 1000 ** power)} ${UNITS[power]}`;
}

export const inMegabytes = (bytesPerSecond: number): string =>
  `${whole.format(bytesPerSecond / 1e6)} MB/s`;

export function figure(value: number, unit: Unit): string {
  switch (unit) {
    case 'B/s':
      return inMegabytes(value);
    case 'b/s':
      return value < 1e9
        ? `${short.format(value / 1e6)} Mb/s`
        : `${short.format(value / 1e9)} Gb/s`;
    case 'lanes':
      return `x${value}`;
    case 'm':
      return `${short.format(value)} m`;
    case 'mm':
      return `${short.format(value)} mm`;
    case 'W':
      return `${short.format(value)} W`;
    case 'Hz':
      return `${short.format(value)} Hz`;
    case 'frames':
      return `${short.format(value)} frames/s`;
    case 'g':
      return value >= 1000 ? `${short.format(value / 1000)} kg` : `${short.format(value)} g`;
    case 'GB':
      return value >= 1000 ? `${short.format(value / 1000)} TB` : `${short.format(value)} GB`;
    case 'TB':
      return `${short.format(value)} TB`;
    case 'MB':
      return value >= 1024 ? `${short.format(value / 1024)} GB` : `${short.format(value)} MB`;
    case 'mA':
      return value >= 1000 ? `${short.format(value / 1000)} A` : `${short.format(value)} mA`;
    case 'year':
      return String(value);
    case 'cents':
      return inMoney(value);
    case 'opening':
    case 'count':
      return whole.format(value);
  }
}

/** What a field is in, where no unit is typed. */
export const UNIT_WORDS: Readonly<Record<FieldUnit, string>> = {
  mm: 'mm',
  inch: 'inch',
  m: 'm',
  W: 'W',
  g: 'g',
  mA: 'mA',
  Hz: 'Hz',
  GB: 'GB',
  TB: 'TB',
  MB: 'MB',
  'B/s': 'B/s',
  'Mb/s': 'Mb/s',
  'Gb/s': 'Gb/s',
};
export type FieldUnit = KeptUnit | 'inch';

/** A length of time, as exact as a copy can be foretold. */
export function inTime(seconds: number): string {
  if (seconds < 90) return `${short.format(Math.max(1, Math.round(seconds)))} s`;
  const minutes = seconds / 60;
  if (minutes < 90) return `${Math.round(minutes)} min`;
  return `${short.format(minutes / 60)} h`;
}

export const linkWords = ({ generation, width }: Link): string => `Gen ${generation} x${width}`;

export const modeWords = ({ widthPx, heightPx, refreshHz }: ScreenMode): string =>
  `${widthPx} × ${heightPx} at ${refreshHz} Hz`;

/** A speed of a wire in the usual step of a thousand. */
export const wireWords = (megabits: number): string =>
  megabits === 0 ? 'no link' : megabits >= 1000 ? `${megabits / 1000} Gb/s` : `${megabits} Mb/s`;

/** The same, short enough for a link of the longest path. */
export const shortWireWords = (megabits: number): string =>
  megabits === 0
    ? wireWords(megabits)
    : megabits >= 1000
      ? `${megabits / 1000}${UNBROKEN}G`
      : `${megabits}${UNBROKEN}M`;
