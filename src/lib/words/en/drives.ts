/** Drives, and what they hang on, as tasks name them. */
import type { StepValues } from '$core/procedure';
import { figure } from './figures';
import { at } from './stepWords';

export type DriveNamed = StepValues['mountDrives']['drives'][number];

/** By name and size where they are known, else by their number. */
export function drivesNamed(count: number, drives: readonly DriveNamed[], one = 'drive'): string {
  const [first] = drives;
  if (count > 1) return `the ${count} ${one}s`;
  if (first === undefined) return `the ${one}`;
  return first.name === ''
    ? `the ${one} of ${figure(first.gigabytes, 'GB')}`
    : `${first.name}, ${figure(first.gigabytes, 'GB')}`;
}

export const serialsOf = (drives: readonly DriveNamed[]): string => {
  const told = drives.map(({ serial }) => serial).filter((serial) => serial !== '');
  return told.length === 0 ? '' : `: ${told.join(', ')}`;
};

export const portsOf = (card: Parameters<typeof at>[0]): string =>
  card.card === '' ? 'the board' : at(card);

/** “port 1”, “ports 1 and 2”, “ports 1 to 6”. */
export function portNumbers(first: number, count: number): string {
  const last = first + count - 1;
  return count === 1 ? `port ${first}` : `ports ${first} ${count === 2 ? 'and' : 'to'} ${last}`;
}
