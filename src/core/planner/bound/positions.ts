/**
 * The slots of a machine in the order in which the search fills them – housing by housing, opening by opening – with
 * what could go into each.
 */
import { openingsTaken } from '../candidates/existing.ts';
import { itemAt } from '../../units.ts';
import { memo, memoBy } from '../../memo.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine, Slot } from '../../document/machine.ts';
import { gapMm } from '../../rules/body.ts';
import type { Candidate } from '../candidates/candidates.ts';
import { unitsFor } from '../../plans/coverage.ts';
import type { Coverage, CoverageState } from './coverageState.ts';
import type { Constraint } from '../candidates/constraints.ts';

export interface Position {
  readonly slot: Slot;
  readonly options: readonly Option[];
  /** What stands beside the next position after it where nothing new goes in: see `BESIDE`. */
  readonly leaves: 'nothing' | 'card';
  /** Whether something that is not decided about stands here. */
  readonly taken: boolean;
}

/**
 * What stands directly before a position: nothing, a card, a card that has another one directly before it as well; and
 * the latter two with a fan that blows towards the position.
 */
export const BESIDE = ['nothing', 'card', 'flanked', 'fan', 'flankedFan'] as const;

export interface Option {
  readonly candidate: Candidate;
  /** The same list for all that give the same. */
  readonly coverage: Coverage;
  /** The next position that is free after it: bodies cover openings that follow. */
  readonly next: number;
  /** Whether its body ends where the next position begins. */
  readonly touchesNext: boolean;
  /** Longer than any fan's beginning, and higher: it takes the air of whatever blows towards it. */
  readonly reachesFans: boolean;
}

/** What stands before the next position once an option is made. */
export function besideAfter(option: Option, beside: number): number {
  if (!option.touchesNext) return 0;
  const { card, existing, slot } = option.candidate;
  // Nothing is reckoned of a card that stays where it was.
  if (existing?.slot.id === slot.id) return 1;
  // A fan that is content with what lies between two cards side by side loses no air.
  const blows = card.fan !== null && card.fan.airMm > gapMm(0);
  return (beside === 0 ? 1 : 2) + (blows ? 2 : 0);
}

/** And where nothing new goes in. */
export const besideEmpty = ({ leaves }: Position): number => (leaves === 'card' ? 1 : 0);

/** Copies of each slot where it is imagined that one holds as many cards as one likes. */
const COPIES = 6;

export function positionsOf(
  machine: Machine,
  candidates: readonly Candidate[],
  coverageState: CoverageState,
  without: ReadonlySet<Constraint>,
): readonly Position[] {
  const slots = machine.slots
    .flatMap((slot) => (without.has('slots') ? Array<Slot>(COPIES).fill(slot) : [slot]))
    .toSorted(byPosition);
  const bySlot = new Map<string, Candidate[]>();
  for (const each of candidates) {
    const inSlot = bySlot.get(each.slot.id);
    if (inSlot === undefined) bySlot.set(each.slot.id, [each]);
    else inSlot.push(each);
  }
  const coverageBy = coverageAsker(coverageState);
  const bodiesMatter = !without.has('openings') && !without.has('slots');
  const fans = [
    ...candidates.map(({ card }) => card.fan),
    ...slots.map(({ occupant }) => valueOf(valueOf(occupant)?.fan ?? null)),
  ];
  const longest = Math.max(0, ...fans.map((fan) => fan?.fromMm ?? 0));
  const highest = Math.max(0, ...fans.map((fan) => fan?.aboveMm ?? 0));
  return slots.map((slot, at) => {
    const occupant = valueOf(slot.occupant);
    const stays = occupant !== null && occupant.disposition !== 'remove';
    const ends = (openings: number) => bodiesMatter && touches(slot, openings, slots[at + 1]);
    return {
      slot,
      taken: stays && slot.opening !== null,
      leaves: stays && ends(valueOf(occupant.openings) ?? 1) ? 'card' : 'nothing',
      options: (bySlot.get(slot.id) ?? [])
        .toSorted((a, b) => a.score - b.score)
        .map((candidate) => {
          const next = bodiesMatter ? nextFree(slots, at, candidate) : at + 1;
          return {
            candidate,
            coverage: coverageBy(candidate),
            next,
            touchesNext: bodiesMatter && touches(slot, openingsTaken(candidate), slots[next]),
            reachesFans: candidate.card.lengthMm > longest && candidate.card.heightMm > highest,
          };
        }),
    };
  });
}

/** Whether a body that begins at one slot ends where the other begins. */
function touches(slot: Slot, openings: number, other: Slot | undefined): boolean {
  const own = valueOf(slot.opening);
  const next = valueOf(other?.opening ?? null);
  return own !== null && next === own + openings && other?.enclosureId === slot.enclosureId;
}

/** Asks what a candidate gives: many give the same, so that each list is made once and can be told by itself. */
function coverageAsker(coverageState: CoverageState): (candidate: Candidate) => Coverage {
  const byLeads = memoBy<string, Coverage>();
  const alike = new Map<string, Coverage>();
  return (candidate) => {
    const { units, leads, existing } = candidate;
    return memo(byLeads(units), `${existing?.slot.id} ${leads.join()}`, () => {
      const fresh = coverageOf(candidate, coverageState);
      return memo(alike, fresh.join(';'), () => fresh);
    });
  };
}

/** More than remains is as good as just that; of leads every one counts. */
function coverageOf(
  candidate: Candidate,
  { supplies, existing, leads, most }: CoverageState,
): Coverage {
  const coverage = [
    ...supplies.map((supply, n) =>
      Math.min(itemAt(most, n), unitsFor(itemAt(supply, 0).group, candidate.units)),
    ),
    ...existing.map((each) => (candidate.existing === each ? 1 : 0)),
    ...leads.map((lead) => candidate.leads.filter((each) => each === lead).length),
  ];
  return coverage.flatMap((amount, n) => (amount === 0 ? [] : [[n, amount] as const]));
}

/** A card that stays where it is may lie over what it lies over now. */
function nextFree(slots: readonly Slot[], at: number, candidate: Candidate): number {
  const { existing, slot } = candidate;
  const own = valueOf(slot.opening);
  if (own === null || existing?.slot.id === slot.id) return at + 1;
  const taken = openingsTaken(candidate);
  let next = at + 1;
  while (next < slots.length) {
    const { opening, enclosureId } = itemAt(slots, next);
    const there = valueOf(opening);
    if (enclosureId !== slot.enclosureId || there === null || there >= own + taken) break;
    next += 1;
  }
  return next;
}

function byPosition(a: Slot, b: Slot): number {
  const housing = (a.enclosureId ?? '').localeCompare(b.enclosureId ?? '');
  return housing || (valueOf(a.opening) ?? 99) - (valueOf(b.opening) ?? 99);
}
