/**
 * Partial plans that need not be followed: another one leads to the same place with the same things lacking, whatever
 * goes on from there goes on alike, and it has cost no more of anything so far. The same cards in other slots, mostly.
 */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import { socketsIn } from '../rules/power.ts';
import { machineAround } from '../rules/housing.ts';
import type { Candidate } from './candidates.ts';
import type { Reached } from './scenes.ts';
import { isDisturbed } from './together.ts';

interface Label extends Reached {
  readonly placed: readonly Candidate[];
}

export class Outdone {
  private readonly noted = new Map<string, Label[]>();
  private readonly machine: Machine;
  private readonly known = new Map<Candidate, string>();
  /** Slots whose cards take lanes from others, or lose them. */
  private readonly tied: ReadonlySet<string>;

  /** @param machine without the cards of which something is decided */
  constructor(machine: Machine) {
    this.machine = machine;
    this.tied = new Set(
      machine.conditions.flatMap(({ slotId, whenSlotId }) => [slotId, whenSlotId]),
    );
  }

  /** Whether one that was noted outdoes it; if none does it is noted itself. */
  orNote(label: Label): boolean {
    const key = this.key(label);
    const alike = this.noted.get(key);
    if (alike === undefined) {
      this.noted.set(key, [label]);
      return false;
    }
    if (alike.some((other) => noDearer(other, label))) return true;
    const left = alike.filter((other) => !noDearer(label, other));
    alike.splice(0, alike.length, ...left, label);
    return false;
  }

  /** All that what follows depends on, but for figures of which less is never worse. */
  private key({ place, lacking, beside, placed }: Label): string {
    const fresh = placed.filter(({ existing }) => existing === null);
    const last = placed.at(-1);
    return [
      place,
      lacking,
      // The last card meets the next one with its end and its fan.
      ...(last === undefined ? [] : [beside, isDisturbed(last), endOf(last), fanOf(last)]),
      ...placed.filter(({ slot }) => this.tied.has(slot.id)).map(tiedBy),
      // Cards that lie over slots which are still to come.
      ...placed.filter((each) => each.existing !== null).map((each) => `${endOf(each)}`),
      fresh.length > 0,
      ...fresh.map((each) => this.taken(each)).toSorted(),
    ].join();
  }

  /** What it takes of things that run out, other than watts in the case itself. */
  private taken(candidate: Candidate): string {
    const known = this.known.get(candidate);
    if (known !== undefined) return known;
    const { card, slot } = candidate;
    const around = machineAround(slot, this.machine);
    const sockets = socketsIn(card, slot, around).map(
      ({ type, watts, wayMm }) => `${type} ${watts} ${wayMm}`,
    );
    const inCase = slot.enclosureId === null;
    const leads = inCase ? card.boardLeads.map(({ type }) => type).toSorted() : [];
    const found =
      sockets.length + leads.length === 0 && inCase
        ? ''
        : [slot.enclosureId, inCase ? '' : card.peakWatts, ...sockets, ...leads].join(' ');
    this.known.set(candidate, found);
    return found;
  }
}

const noDearer = (a: Label, b: Label): boolean =>
  a.weighed <= b.weighed &&
  a.moneyCents <= b.moneyCents &&
  a.watts <= b.watts &&
  a.waiting <= b.waiting;

/** The opening behind its body. */
const endOf = ({ slot, card, existing }: Candidate): string =>
  `${slot.enclosureId} ${(valueOf(slot.opening) ?? NaN) + (valueOf(existing?.occupant.openings ?? null) ?? card.openings)}`;

const fanOf = ({ card, existing }: Candidate): string => {
  const fan = existing?.occupant.fan == null ? card.fan : existing.occupant.fan.value;
  return fan === null ? '' : `${fan.fromMm} ${fan.airMm}`;
};

const tiedBy = ({ slot, card, existing }: Candidate): string =>
  `${slot.id} ${valueOf(slot.lanes)} ${card.m2?.signal} ${existing?.slot.id}`;
