/** What a card brings, in one line. */
import type { Card } from '$core/document';
import type { Delivery } from '$core/kinds';
import { cardWordsOf } from './kinds/words';

export const deliveryWords = (delivers: Delivery): string =>
  cardWordsOf(delivers).delivers(delivers);

/** What it goes into, in a word or two. */
export const busWords = ({ bus, generation, lanes, m2 }: Card): string =>
  bus === 'pci'
    ? 'PCI'
    : bus === 'm2'
      ? `M.2 ${m2?.keys.join('+') ?? ''}`
      : `Gen ${generation} x${lanes}`;
