/**
 * Cards side by side without an empty opening between them. Each goes in with one side open, so they go in one after
 * the other from the side that is closed; between two that stay, the one after them comes out for a while.
 */
import type { Assembly } from '../../assembly/assembly.ts';
import { valueOf } from '../../parts/fact.ts';

interface Standing {
  readonly slotId: string;
  readonly housing: string | null;
  readonly from: number;
  /** The first opening behind it. */
  readonly end: number;
  readonly stays: boolean;
}

interface Row {
  /** Slots of the cards that go in, or back in, one after the other. */
  readonly sequence: readonly string[];
  /** Whether something that stays closes the side of the first of them. */
  readonly isClosed: boolean;
}

export interface Rows {
  readonly rows: readonly Row[];
  /** Cards that come out for a while, with the slots of the new cards that they make room for. */
  readonly out: ReadonlyMap<string, readonly string[]>;
}

/** @param outAnyway slots of cards that come out for a while for another reason */
export function rowsOf({ machine, cards }: Assembly, outAnyway: readonly string[]): Rows {
  const arriving = cards
    .filter(({ later, isIn }) => !later && !isIn)
    .flatMap(({ card, slot }): readonly Standing[] => {
      const from = valueOf(slot.opening);
      return from === null || card.bus === 'm2'
        ? []
        : [
            {
              slotId: slot.id,
              housing: slot.enclosureId,
              from,
              end: from + card.openings,
              stays: false,
            },
          ];
    });
  const there = machine.slots.flatMap((slot): readonly Standing[] => {
    const card = valueOf(slot.occupant);
    const from = valueOf(slot.opening);
    return card === null ||
      card.disposition === 'remove' ||
      from === null ||
      arriving.some(({ slotId }) => slotId === slot.id)
      ? []
      : [
          {
            slotId: slot.id,
            housing: slot.enclosureId,
            from,
            end: from + (valueOf(card.openings) ?? 1),
            stays: !outAnyway.includes(slot.id),
          },
        ];
  });
  const rows: Row[] = [];
  const out = new Map<string, readonly string[]>();
  for (const block of blocksOf([...arriving, ...there])) {
    for (let at = 0; at < block.length;) {
      if (block[at]!.stays) {
        at += 1;
        continue;
      }
      const end = block.findIndex((each, n) => n > at && each.stays);
      const run = block.slice(at, end === -1 ? block.length : end);
      const isClosed = at > 0;
      if (end === -1 || !isClosed) {
        const isOpen = end === -1 && !isClosed;
        const turns = end !== -1 || (isOpen && thickness(run.at(-1)!) < thickness(run[0]!));
        const sequence = (turns ? run.toReversed() : run).map(({ slotId }) => slotId);
        // Of two that nothing bounds each has an open side, whichever comes first.
        if (!isOpen || run.length > 2) rows.push({ sequence, isClosed: !isOpen });
        at = end === -1 ? block.length : end;
        continue;
      }
      // Closed on both sides: all behind it come out, and go back after it.
      const behind = block.slice(end);
      const forSlots = run.map(({ slotId }) => slotId);
      for (const { slotId, stays } of behind) if (stays) out.set(slotId, forSlots);
      rows.push({ sequence: [...run, ...behind].map(({ slotId }) => slotId), isClosed });
      at = block.length;
    }
  }
  return { rows: rows.filter(({ sequence }) => sequence.length > 0), out };
}

const thickness = ({ from, end }: Standing): number => end - from;

/** Cards of one case that stand side by side, in the order of their openings. */
function blocksOf(all: readonly Standing[]): readonly (readonly Standing[])[] {
  const sorted = all.toSorted(
    (a, b) => (a.housing ?? '').localeCompare(b.housing ?? '') || a.from - b.from,
  );
  const blocks: Standing[][] = [];
  for (const each of sorted) {
    const last = blocks.at(-1)?.at(-1);
    if (last !== undefined && last.housing === each.housing && last.end === each.from)
      blocks.at(-1)?.push(each);
    else blocks.push([each]);
  }
  return blocks;
}
