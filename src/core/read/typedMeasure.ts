/** Numbers with a unit as people type them: 12", 4.5 in, 30 cm, 1.2 TB. */
import { typedNumber } from './numberMarks.ts';

/** Units in which a document keeps its numbers, each with the others that people type, and what one of those is in it. */
const UNITS = {
  // An inch is 25.4 mm. Source: international yard and pound agreement of 1959 (from memory).
  mm: { mm: 1, cm: 10, m: 1_000, in: 25.4, inch: 25.4, inches: 25.4, '"': 25.4, '”': 25.4 },
  m: { m: 1, cm: 0.01, mm: 0.001, km: 1_000 },
  W: { w: 1, kw: 1_000 },
  g: { g: 1, kg: 1_000 },
  mA: { ma: 1, a: 1_000 },
  Hz: { hz: 1 },
  // Decimal, as drives and memory are sold.
  GB: { gb: 1, tb: 1_000, mb: 0.001 },
  TB: { tb: 1, gb: 0.001, pb: 1_000 },
  MB: { mb: 1, gb: 1_000 },
  'B/s': {
    'b/s': 1,
    'kb/s': 1e3,
    'mb/s': 1e6,
    'gb/s': 1e9,
    'mbit/s': 125_000,
    'gbit/s': 125e6,
  },
  'Mb/s': { 'mb/s': 1, 'gb/s': 1_000, 'mbit/s': 1, 'gbit/s': 1_000 },
  'Gb/s': { 'gb/s': 1, 'gbit/s': 1 },
} as const satisfies Readonly<Record<string, Readonly<Record<string, number>>>>;
export type KeptUnit = keyof typeof UNITS;

/** Ends of property names, the longest first, and the unit that each says. */
const BY_NAME: readonly (readonly [end: string, unit: KeptUnit])[] = [
  ['bytesPerSecond', 'B/s'],
  ['milliamps', 'mA'],
  ['megabytes', 'MB'],
  ['gigabytes', 'GB'],
  ['terabytes', 'TB'],
  ['megabits', 'Mb/s'],
  ['gigabits', 'Gb/s'],
  ['metres', 'm'],
  ['watts', 'W'],
  ['grams', 'g'],
  ['mm', 'mm'],
  ['hz', 'Hz'],
];

/** The unit that a property's name ends in; null: it is a plain number. */
export function unitOfName(name: string): KeptUnit | null {
  const lower = name.toLowerCase();
  return BY_NAME.find(([end]) => lower.endsWith(end.toLowerCase()))?.[1] ?? null;
}

/**
 * The number in the unit in which it is kept; null where it is none.
 * @param plain what one is where no unit is typed, in the kept unit
 */
export function typedMeasure(text: string, unit: KeptUnit | null, plain = 1): number | null {
  const trimmed = text.trim();
  const end = endOfNumber(trimmed);
  const value = typedNumber(trimmed.slice(0, end).trim());
  const name = trimmed.slice(end).toLowerCase();
  if (value === null) return null;
  if (name === '') return plain === 1 ? value : exact(value * plain);
  const factors: Readonly<Record<string, number>> = unit === null ? {} : UNITS[unit];
  return Object.hasOwn(factors, name) ? exact(value * factors[name]!) : null;
}

/** Where digits, marks and blanks end, with a power of ten behind them. */
function endOfNumber(text: string): number {
  const digits = text.search(/[^\d.,' \u00a0\u2009\u202f+-]/);
  if (digits === -1) return text.length;
  return digits + (/^e[+-]?\d{1,3}/i.exec(text.slice(digits))?.[0].length ?? 0);
}

/** 4.5 in are 114.3 mm, and not 114.29999999999999. */
const exact = (value: number): number => Number(value.toPrecision(12));
