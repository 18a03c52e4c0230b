/** What a finished job shows of its cards, for the catalogue: that they were tried, in which machine and slot, on which system. */
import { provings } from './provings.ts';
import type { Card } from '../document/card.ts';
import { valueOf } from '../parts/fact.ts';
import type { Job } from '../document/job.ts';
import { MOST, clipped } from '../parts/limits.ts';
import { OWN_BENCH, type Statement } from '../parts/statement.ts';

/**
 * Records of the catalogue with one more statement each, of new cards with which a need was measured and came out well; those
 * that say so already stay as they are and are not in it.
 * @param date ISO date
 */
export function triedIn(job: Job, catalogue: readonly Card[], date: string): readonly Card[] {
  const fine = provings(job).flatMap(({ state, main, expectation: { card } }) =>
    state === 'fine' && main !== null && card !== null && card.fromSlotId === null ? card : [],
  );
  return catalogue.flatMap((record) => {
    const shown = fine.filter(({ card }) => card.id === record.id);
    const fresh = shown
      .map(({ slot }): Statement => ({
        says: 'tried',
        machine: clipped(job.machine.name),
        slot: slot.label,
        card: '',
        system: valueOf(job.machine.system.family),
        // A catalogue goes to others: nothing in it says for whom the job was.
        source: OWN_BENCH,
        date,
      }))
      .filter(
        (statement, n, all) =>
          ![...record.statements, ...all.slice(0, n)].some((said) => isSame(said, statement)),
      );
    const room = MOST.statements - record.statements.length;
    return fresh.length === 0 || room <= 0
      ? []
      : { ...record, statements: [...record.statements, ...fresh.slice(0, room)] };
  });
}

/** Of the same trial: the day it is written down makes no other of it. */
const isSame = (a: Statement, b: Statement): boolean =>
  (['says', 'machine', 'slot', 'card', 'system'] as const).every((key) => a[key] === b[key]);
