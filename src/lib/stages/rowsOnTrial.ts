/** Cards compared while some are tried in slots. */
import { verdictAsker, type RowAsker } from '$core/rules';
import { withCards } from '$core/placement';
import type { Card, Machine } from '$core/document';
import type { DriverLibrary } from '$core/drivers';
import type { CardOnSlot } from '$lib/board/layout';

/** What becomes of each card beside those on trial; one that is tried itself, beside the others. */
export function rowsOnTrial(
  machine: Machine,
  library: DriverLibrary,
  onTrial: readonly CardOnSlot[],
): RowAsker {
  const beside = (others: readonly CardOnSlot[]): RowAsker => {
    const crowded = withCards(machine, others);
    const { whole } = verdictAsker(crowded, library);
    // In a slot with a card on trial the question is what becomes of it in that card's place.
    const inPlaceOf = new Map(
      others.map(({ slot }) => {
        const without = others.filter((each) => each.slot.id !== slot.id);
        const asked = verdictAsker(withCards(machine, without), library);
        return [slot.id, (card: Card) => asked.whole(card, slot)] as const;
      }),
    );
    return (card) =>
      crowded.slots.map((slot) => inPlaceOf.get(slot.id)?.(card) ?? whole(card, slot));
  };
  const free = beside(onTrial);
  const tried = new Map(
    onTrial.map(({ card }) => [
      card.id,
      beside(onTrial.filter((each) => each.card.id !== card.id)),
    ]),
  );
  return (card) => (tried.get(card.id) ?? free)(card);
}
