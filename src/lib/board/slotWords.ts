/** A slot's facts in one line beside the drawing. Unknown facts are said to be unknown. */
import { cardName, type Card, type Slot } from '$core/document';
import { disagreeing } from '$core/survey';
import { valueOf } from '$core/parts';
import { SIGNAL_WORDS } from '$words/things';
import { slotWords as texts } from '$words/board';

export function slotLine(slot: Slot): string {
  if (slot.bus === 'pci') return texts.classicPci133MbS;
  if (slot.bus === 'm2') {
    const key = valueOf(slot.key);
    const wired = valueOf(slot.wired);
    const lengths = valueOf(slot.moduleLengthsMm);
    return [
      texts.m2Key(key ?? '?'),
      wired === null ? 'wired ?' : wired.map((signal) => SIGNAL_WORDS[signal]).join(' + '),
      lengths === null ? 'length ?' : texts.toMm(Math.max(0, ...lengths)),
    ].join(', ');
  }
  const connector = valueOf(slot.connectorLanes);
  const lanes = valueOf(slot.lanes);
  const generation = valueOf(slot.generation);
  const length = connector === null ? 'length ?' : `x${connector}`;
  const doubted = [...new Set(disagreeing(slot.lanes).map(({ value }) => texts.orX(value)))].join(
    '',
  );
  const wired =
    lanes === null ? 'lanes ?' : lanes === connector ? texts.allWired : texts.wiredX(lanes);
  const gen = generation === null ? texts.gen : texts.gen2(generation);
  return [length, `${wired}${doubted}`, gen].join(', ');
}

/** What is planned of a slot: a card that goes into it, or what becomes of the one that is there. */
export function plannedWords(slot: Slot, drawn: Slot, cards: readonly Card[]): string {
  if (cards.length > 0) return cards.map(cardName).join(', ');
  const [now, then] = [valueOf(slot.occupant), valueOf(drawn.occupant)];
  if (then !== null && then.name !== now?.name) return texts.movedHere(then.name);
  if (now === null || now.disposition === 'remove') return '';
  if (then === null) return texts.movesAway;
  return then.disposition === 'remove' ? texts.comesOut : '';
}
