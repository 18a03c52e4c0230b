/** What cards give to the needs of a job, by the slots they are in. */
import type { Flow } from '../kinds/flow.ts';
import { flowOf } from '../flow/flowOf.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Need } from '../kinds/need.ts';

/** Flows of a card in a slot to every need that it serves. */
export type ServesIn = (card: Card, slot: Slot) => readonly Flow[];

export const servesIn =
  (needs: readonly Need[], machine: Machine): ServesIn =>
  (card, slot) =>
    needs
      .flatMap((need) => flowOf(card, slot, need, machine) ?? [])
      .filter(({ units }) => units > 0);
