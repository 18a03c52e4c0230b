/** Candidates that need not be looked at, because another is at least as good in every respect. */
import { memo } from '../../memo.ts';
import { cardName, type Card } from '../../document/card.ts';
import { nameAsSaid } from '../../rules/said.ts';
import type { DeliveryKind } from '../../kinds/delivery.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Slot } from '../../document/machine.ts';
import { socketsOf } from '../../placement/plugs.ts';
import type { FrontLead } from '../../standards/headers.ts';
import type { Units } from '../../plans/coverage.ts';
import { plugAdaptersIn } from '../../buying/extras.ts';

/** What of a candidate decides whether another could stand in its place in every plan. */
export interface Rival {
  readonly card: Card;
  readonly slot: Slot;
  readonly kind: DeliveryKind;
  readonly units: Units;
  readonly leads: readonly FrontLead[];
  readonly score: number;
  readonly moneyCents: number;
  readonly waitCents: number;
}

/** Where fans begin, along cards and above the board, in millimetres. */
export interface FanEdges {
  readonly starts: readonly number[];
  readonly lowerEdges: readonly number[];
}

/** Keeps what is not dominated, by slot and kind, what costs little first, as candidates come in. */
export class Undominated<Kept extends Rival> {
  private readonly groups = new Map<string, Map<DeliveryKind, Kept[]>>();
  private readonly fans: FanEdges;
  private readonly moneyCounts: boolean;
  private readonly paired: ReadonlySet<string>;

  /**
   * @param moneyCounts whether there is a budget to keep
   * @param paired cards of which something is said beside others, and those others, by their names
   */
  constructor(fans: FanEdges, moneyCounts: boolean, paired: ReadonlySet<string>) {
    this.fans = fans;
    this.moneyCounts = moneyCounts;
    this.paired = paired;
  }

  /** Whether something that is kept does whatever this would do in that slot, for no more. */
  covers(rival: Rival, slot: Slot = rival.slot): boolean {
    for (const other of this.groupOf(rival, slot)) {
      if (other.score > rival.score) return false;
      if (this.dominates(other, rival, slot)) return true;
    }
    return false;
  }

  /** Of two that are equal the first stays. */
  add(candidate: Kept): void {
    if (this.covers(candidate)) return;
    const group = this.groupOf(candidate, candidate.slot);
    const dearer = group.findIndex(({ score }) => score >= candidate.score);
    const at = dearer === -1 ? group.length : dearer;
    const left = group.slice(at).filter((other) => !this.dominates(candidate, other, other.slot));
    group.splice(at, group.length, candidate, ...left);
  }

  all(): readonly Kept[] {
    return [...this.groups.values()].flatMap((ofSlot) => [...ofSlot.values()].flat());
  }

  /**
   * Whether `b` could be exchanged, in any plan, for `a` in the same slot: it costs no more, takes up no more of
   * anything and gives no less.
   */
  private dominates(a: Rival, b: Rival, slot: Slot): boolean {
    return (
      a.score <= b.score &&
      (!this.moneyCounts || a.moneyCents <= b.moneyCents) &&
      a.waitCents <= b.waitCents &&
      a.card.m2?.signal === b.card.m2?.signal &&
      a.card.openings <= b.card.openings &&
      a.card.plates <= b.card.plates &&
      (a.card.lengthMm <= b.card.lengthMm || this.before(a) <= this.before(b)) &&
      (a.card.heightMm <= b.card.heightMm || this.beneath(a) <= this.beneath(b)) &&
      bearsNoLess(a, b) &&
      (a.card === b.card || !(this.isPaired(a) || this.isPaired(b))) &&
      a.card.peakWatts <= b.card.peakWatts &&
      // Reckoning with fewer lanes stands beside more other cards.
      lanesOf(a.slot) <= lanesOf(slot) &&
      givesAtLeast(a, b) &&
      takesNoMore(a.leads, b.leads) &&
      takesNoMore(
        a.card.boardLeads.map(({ type }) => type),
        b.card.boardLeads.map(({ type }) => type),
      ) &&
      takesNoMore(adaptersIn(b), adaptersIn(a)) &&
      blowsNoMore(a, b) &&
      needsNoOtherPlugs(a, b)
    );
  }

  /** Fans that a body of this length reaches, and those that one of this height does. */
  private before({ card }: Rival): number {
    return this.fans.starts.filter((start) => start < card.lengthMm).length;
  }
  private beneath({ card }: Rival): number {
    return this.fans.lowerEdges.filter((edge) => edge < card.heightMm).length;
  }

  private isPaired({ card }: Rival): boolean {
    return this.paired.size > 0 && this.paired.has(nameAsSaid(cardName(card)));
  }

  private groupOf({ kind }: Rival, { id }: Slot): Kept[] {
    const ofSlot = memo(this.groups, id, () => new Map<DeliveryKind, Kept[]>());
    return memo(ofSlot, kind, () => []);
  }
}

function givesAtLeast(a: Rival, b: Rival): boolean {
  for (const [id, units] of b.units) if ((a.units.get(id) ?? 0) < units) return false;
  return true;
}

const lanesOf = ({ lanes }: Slot): number => valueOf(lanes) ?? Infinity;

const takesNoMore = (a: readonly string[], b: readonly string[]): boolean =>
  a.every(
    (type) => a.filter((each) => each === type).length <= b.filter((each) => each === type).length,
  );

/** A plug adapter from one card's box feeds whichever card wants it. */
const adaptersIn = ({ card }: Rival): readonly string[] =>
  plugAdaptersIn(card).map(({ fits }) => fits);

/** Whether whatever leaves the fan of `b` its air leaves that of `a` its own. */
function blowsNoMore({ card: a }: Rival, { card: b }: Rival): boolean {
  if (a.fan === null) return true;
  return (
    b.fan !== null &&
    a.fan.fromMm >= b.fan.fromMm &&
    a.fan.airMm <= b.fan.airMm &&
    (a.fan.aboveMm ?? 0) >= (b.fan.aboveMm ?? 0)
  );
}

/** Whether it bears warm air wherever the other does. */
const bearsNoLess = ({ card: a }: Rival, { card: b }: Rival): boolean =>
  !a.quirks.includes('notBelowFan') || b.quirks.includes('notBelowFan');

/** Whether what feeds `b` would feed `a` as well: each socket of `a` has one of `b` of its type that draws as much. */
function needsNoOtherPlugs(a: Rival, b: Rival): boolean {
  if (a.card.sockets.length === 0) return true;
  const left = socketsOf(b.card).toSorted((one, other) => other.watts - one.watts);
  return socketsOf(a.card)
    .toSorted((one, other) => other.watts - one.watts)
    .every(({ type, watts }) => {
      const at = left.findIndex((socket) => socket.type === type && socket.watts >= watts);
      if (at === -1) return false;
      left.splice(at, 1);
      return true;
    });
}
