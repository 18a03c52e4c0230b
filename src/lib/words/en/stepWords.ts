/** What a step says, and how it names a card. */
import type { CardAt } from '$core/procedure';

export interface StepWords {
  readonly title: string;
  readonly detail?: string;
}

export const inEnclosure = (enclosure: string): string =>
  enclosure === '' ? '' : ` of ${enclosure}`;

/** A card with its slot, and the external enclosure that is in, so that two of a kind are told apart; a device by its name. */
export const at = ({ card, slot, enclosure }: CardAt): string =>
  slot === '' ? card : `${card} in ${slot}${inEnclosure(enclosure)}`;

export const capital = (words: string): string => words.charAt(0).toUpperCase() + words.slice(1);
