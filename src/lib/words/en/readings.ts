/** Numbers read off a machine, in words, with what each is held against. */
import type { HeldReading, ReadingKind } from '$core/diagnosis';
import { wireWords } from './figures';

export const READING_WORDS: Readonly<
  Record<ReadingKind, { readonly name: string; readonly unit: string }>
> = {
  temperature: { name: 'temperature after five minutes of load', unit: '°C' },
  wornPercent: { name: 'used of its rated life', unit: '%' },
  driveCount: { name: 'drives that show up', unit: '' },
  linkMegabits: { name: 'link speed of the port', unit: 'Mb/s' },
  refreshHz: { name: 'refresh rate of the screen', unit: 'Hz' },
};

/** “62 °C, slows down at 70 °C”. */
export function readingWords({ observation: { value }, against }: HeldReading): string {
  const { what, number } = value;
  switch (what) {
    case 'temperature':
      return `${number} °C after load; such a thing slows down at about ${against} °C`;
    case 'wornPercent':
      return `${number} % of its rated life used; from ${against} % on it counts as worn`;
    case 'driveCount':
      return `${number} of ${against} drives show up`;
    case 'linkMegabits':
      return `link at ${wireWords(number)}${against === null ? '' : `, planned ${wireWords(against)}`}`;
    case 'refreshHz':
      return `screen at ${number} Hz: it shows no more frames`;
  }
}
