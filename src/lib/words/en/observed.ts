/** What a report shows of the cards of the accepted plan, in words. */
import type { DeviceObservation, Observation } from '$core/document';
import type { ReportDifference } from '$core/diagnosis';
import { statusWords } from './deviceProblems';
import { counted, linkWords } from './figures';

/** “2 of 3 cards seen”. */
export function observedWords(observations: readonly Observation[]): string {
  const cards = observations.filter((each): each is DeviceObservation => each.kind === 'device');
  const seen = cards.filter(({ value }) => value.place !== null).length;
  const runs = observations.filter(({ kind }) => kind === 'run').length;
  const readings = observations.filter(({ kind }) => kind === 'reading' || kind === 'check').length;
  return [
    ...(cards.length === 0 ? [] : [`${seen} of ${counted(cards.length, 'card')} seen`]),
    ...(runs === 0 ? [] : [counted(runs, 'run')]),
    ...(readings === 0 ? [] : [counted(readings, 'reading')]),
    ...(cards.length + runs + readings === 0 ? ['every device seen'] : []),
  ].join(', ');
}

export function differenceWords(difference: ReportDifference): string {
  switch (difference.code) {
    case 'missing':
      return 'Not in the report. Power off, seat the card again, look at its plugs.';
    case 'otherSlot':
      return `It is in ${difference.slotLabel}. Move it, or plan it there.`;
    case 'linkNarrower':
      return `Link ${linkWords(difference.trained)}, planned ${linkWords(difference.planned)}. Seat the card again; look for dirt on its contacts.`;
    case 'linkSlower':
      return `Link ${linkWords(difference.trained)}, planned ${linkWords(difference.planned)}. Many cards slow an idle link: read it again while the card is busy.`;
    case 'driverMissing':
      return 'No driver is in use. Install the planned driver.';
    case 'driverGeneric':
      return `Runs on ${difference.driver}, the system’s own driver. Install the planned driver.`;
    case 'driverOlder':
      return `Runs on ${difference.running}, which is older than the planned ${difference.planned}. Install the planned driver.`;
    case 'trouble':
      return `The system reports: ${statusWords(difference.status)}.`;
  }
}

/** What the report shows of a card, in a line; empty where it does not have it. */
export function seenWords({ value }: DeviceObservation): string {
  if (value.place === null) return '';
  return [
    `at ${value.place.replace(/^0000:/, '')}`,
    ...(value.link === null ? [] : [`link ${linkWords(value.link)}`]),
    ...(value.driver === null ? [] : [`driver ${value.driver}`]),
  ].join(', ');
}
