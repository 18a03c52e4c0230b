/**
 * Partial plans that need not be followed: another one leads to the same position with the same remaining, whatever
 * goes on from there goes on alike, and it has cost no more of anything so far. The same cards in other slots, mostly.
 */
import { openingsTaken } from '../candidates/existing.ts';
import { plugAdaptersIn } from '../../buying/extras.ts';
import { itemAt } from '../../units.ts';
import { cardName, type Card } from '../../document/card.ts';
import { nameAsSaid } from '../../rules/said.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import type { Socket } from '../../placement/plugs.ts';
import { socketsIn } from '../../placement/sockets.ts';
import { machineAround } from '../../placement/housing.ts';
import type { Candidate } from '../candidates/candidates.ts';
import type { Reached } from '../bound/demandDecisions.ts';
import { isDisturbed } from '../candidates/interactions.ts';

/** What the cards of a partial plan take of things that run out, but for watts of the supply in the case. */
export interface Usage {
  /** Where in doubt also what is taken of a housing or a slot that others depend on. In their order. */
  readonly things: readonly string[];
  /** On the supply in the case; each type's by themselves, those of the fewest watts first. */
  readonly sockets: readonly Socket[];
  /** Things, and sockets without their watts. */
  readonly key: string;
}

export const NOTHING_USED: Usage = { things: [], sockets: [], key: '' };

interface Label extends Reached {
  readonly placed: readonly Candidate[];
  readonly taken: Usage;
}

/** Beyond so many nothing more is noted, so that a long search does not use up all memory; it stays exact. */
const MOST_NOTED = 300_000;

export class PathDominance {
  private readonly noted = new Map<string, readonly Label[]>();
  private count = 0;
  private readonly machine: Machine;
  /** Slots whose cards take lanes from others, or lose them. */
  private readonly tied: ReadonlySet<string>;

  private readonly platesCount: boolean;
  private readonly paired: ReadonlySet<string>;

  /**
   * @param machine without the cards of which something is decided
   * @param platesCount whether any card in question has sockets that take openings by plates
   * @param paired cards of which something is said beside others, and those others, by their names
   */
  constructor(machine: Machine, platesCount: boolean, paired: ReadonlySet<string>) {
    this.machine = machine;
    this.platesCount = platesCount;
    this.paired = paired;
    this.tied = new Set(
      machine.conditions.flatMap(({ slotId, whenSlotId }) => [slotId, whenSlotId]),
    );
  }

  /** What is taken with one more card. */
  takenWith(taken: Usage, candidate: Candidate): Usage {
    const { card, slot, existing } = candidate;
    const things: string[] = this.tied.has(slot.id) ? [tiedBy(candidate)] : [];
    const sockets: Socket[] = [];
    if (this.paired.has(nameAsSaid(cardName(card)))) things.push(`paired ${card.id} ${slot.id}`);
    // A card that is there may lie over slots which are still to come.
    if (existing !== null) {
      things.push(endOf(candidate));
      // What it would have given back is gone.
      if (existing.optional) things.push(`stays ${existing.slot.id}`);
    } else {
      const own = socketsIn(card, slot, machineAround(slot, this.machine));
      // Little stands in other housings: there all that a card takes is told apart.
      if (slot.enclosureId !== null) {
        things.push(`${slot.enclosureId} ${card.peakWatts} ${JSON.stringify(own)}`);
      } else {
        sockets.push(...own);
        things.push(...card.boardLeads.map(({ type }) => type));
      }
      things.push(...plugAdaptersIn(card).map(({ fits }) => `at-hand ${fits}`));
      const first = `into ${slot.enclosureId}`;
      if (!taken.things.includes(first)) things.push(first);
    }
    // Plates and bodies take openings of their housing between them.
    if (this.platesCount) {
      const own =
        (existing === null ? card.plates : 0) + (card.bus === 'm2' ? 0 : openingsTaken(candidate));
      things.push(...Array<string>(own).fill(`opening ${slot.enclosureId}`));
      if (card.plates > 0 && existing === null) things.push(`plate ${slot.enclosureId}`);
    }
    if (things.length + sockets.length === 0) return taken;
    const all = {
      things: [...taken.things, ...things].toSorted(),
      sockets: [...taken.sockets, ...sockets].toSorted(bySocket),
    };
    return { ...all, key: [...all.things, ...all.sockets.map(socketName)].join() };
  }

  /** Whether one that was noted dominates it. */
  is(partial: Label): boolean {
    const alike = this.noted.get(keyOf(partial));
    return alike !== undefined && alike.some((other) => noDearer(other, partial));
  }

  note(partial: Label): void {
    if (this.count >= MOST_NOTED) return;
    const key = keyOf(partial);
    const alike = this.noted.get(key) ?? [];
    const left = alike.filter((other) => !noDearer(partial, other));
    this.noted.set(key, [...left, partial]);
    this.count += left.length + 1 - alike.length;
  }
}

const keyOf = ({ position, remaining, placed, taken }: Label): string =>
  `${position} ${remaining} ${fanBeforeNext(placed.at(-1))} ${taken.key}`;

/** What stands before the next position is in such an order that each costs what follows no less than those before it. */
const noDearer = (a: Label, b: Label): boolean =>
  a.beside <= b.beside &&
  a.score <= b.score &&
  a.moneyCents <= b.moneyCents &&
  a.watts <= b.watts &&
  a.waiting <= b.waiting &&
  a.taken.sockets.every(({ watts }, n) => watts <= itemAt(b.taken.sockets, n).watts);

const socketName = ({ type, wayMm }: Socket): string => `${type} ${wayMm}`;

const bySocket = (a: Socket, b: Socket): number =>
  socketName(a).localeCompare(socketName(b)) || a.watts - b.watts;

/** The last card's fan blows at the next one, wherever that stands. */
function fanBeforeNext(last: Candidate | undefined): string {
  const fan = last === undefined ? null : fanOf(last);
  return last === undefined || fan === null
    ? ''
    : `${isDisturbed(last)} ${endOf(last)} ${fan.fromMm} ${fan.airMm} ${fan.aboveMm}`;
}

const fanOf = ({ card, existing }: Candidate): Card['fan'] =>
  existing?.occupant.fan == null ? card.fan : existing.occupant.fan.value;

/** The opening behind its body. */
const endOf = (candidate: Candidate): string => {
  const { enclosureId, opening } = candidate.slot;
  return `${enclosureId} ${(valueOf(opening) ?? NaN) + openingsTaken(candidate)}`;
};

const tiedBy = ({ slot, card, existing }: Candidate): string =>
  `${slot.id} ${valueOf(slot.lanes)} ${card.m2?.signal} ${existing?.slot.id}`;
