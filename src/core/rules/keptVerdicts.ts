/** The table of verdicts, of which a slot's column is kept as long as nothing that its rules look at has changed. */
import { memo } from '../memo.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { DriverLibrary } from '../drivers/chooseDriver.ts';
import { verdictAsker, type SlotVerdict } from './verdict.ts';

/** What the rules ask of a slot for a card in another one; all else of a slot is asked for its own cards only. */
const SEEN_FROM_ELSEWHERE = [
  'id',
  'label',
  'bus',
  'opening',
  'occupant',
  'uplink',
  'place',
  'enclosureId',
] as const satisfies readonly (keyof Slot)[];

interface Column {
  readonly slot: Slot;
  readonly machine: Machine;
  readonly library: DriverLibrary;
  readonly verdicts: Map<Card, SlotVerdict>;
}

/** One card in every slot, in the order of the slots. */
export type RowAsker = (card: Card) => readonly SlotVerdict[];

/** Answers as {@link verdictTable} does, and faster where little has changed since it was asked last. */
export function verdictStore(): (machine: Machine, library: DriverLibrary) => RowAsker {
  let kept: readonly Column[] = [];
  return (machine, library) => {
    const { whole } = verdictAsker(machine, library);
    const now = machine.slots.map((slot): Column => {
      const before = kept.find((column) => column.slot === slot);
      const isSame = before?.library === library && isSameAround(before.machine, machine);
      const verdicts = isSame ? before.verdicts : new Map<Card, SlotVerdict>();
      return { slot, machine, library, verdicts };
    });
    kept = now;
    return (card) => now.map(({ slot, verdicts }) => memo(verdicts, card, () => whole(card, slot)));
  };
}

/** Values that were not changed are the same objects: no fact is compared part by part. */
function isSameAround(before: Machine, now: Machine): boolean {
  if (before === now) return true;
  const keys = Object.keys(now) as (keyof Machine)[];
  return (
    keys.every((key) => key === 'slots' || before[key] === now[key]) &&
    before.slots.length === now.slots.length &&
    now.slots.every((slot, n) => {
      const was = before.slots[n]!;
      return slot === was || SEEN_FROM_ELSEWHERE.every((key) => was[key] === slot[key]);
    })
  );
}
