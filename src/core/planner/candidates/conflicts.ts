/** What keeps cards from being in one plan together: the same slot, bodies that touch, lanes, leads, plugs, watts. */
import { openingsTaken, type Keeping } from './existing.ts';
import { memo } from '../../memo.ts';
import { valueOf } from '../../parts/fact.ts';
import type { Machine } from '../../document/machine.ts';
import { openingsCollide } from '../../rules/body.ts';
import { housings, machineAround } from '../../placement/housing.ts';
import { plugFinding } from '../../rules/power.ts';
import { socketsIn } from '../../placement/sockets.ts';
import { openingsFilled } from '../../placement/geometry.ts';
import { slotBeside, slotInUse } from '../../placement/lanesLeft.ts';
import { HEADROOM_SHARE } from '../../standards/plugs.ts';
import type { Candidate } from './candidates.ts';
import type { Constraint } from './constraints.ts';

export interface Conflicts {
  /** Whether a further card collides with those that are placed, or they ask too much together. */
  readonly collides: (placed: readonly Candidate[], further: Candidate) => boolean;
}

/** @param keeping the machine without the cards of which something is decided @param without limits imagined away */
export function conflictsIn(keeping: Keeping, without: ReadonlySet<Constraint>): Conflicts {
  const machine = keeping([]);
  const pairs = new Map<Candidate, Map<Candidate, boolean>>();
  const nothingAsked = () => new Map<Candidate, boolean>();

  const pair = (one: Candidate, other: Candidate): boolean =>
    memo(memo(pairs, one, nothingAsked), other, () => exclude(one, other, machine, without));

  const leadsShort = (placed: readonly Candidate[], further: Candidate): boolean => {
    const all = [...placed, further];
    const leads = valueOf(keeping(all).case.frontLeads);
    if (leads === null || further.slot.enclosureId !== null) return false;
    // A card that keeps its leads takes them from those that were placed before it.
    const wanted = further.existing === null ? further.leads : all.flatMap((each) => each.leads);
    return [...new Set(wanted)].some((type) => {
      const taken = all.filter((each) => each.leads.includes(type)).length;
      return taken > leads.filter((lead) => lead.type === type).length;
    });
  };

  /** Openings that cards of which nothing is decided leave in each housing. */
  const openingsLeft = new Map(
    housings(machine).map(({ id, machine: around }) => [
      id,
      (valueOf(around.case.openings) ?? Infinity) - openingsFilled(around),
    ]),
  );

  /** Plates of new cards take openings that no body fills. */
  const platesShort = (placed: readonly Candidate[], further: Candidate): boolean => {
    if (without.has('openings')) return false;
    const housing = further.slot.enclosureId;
    let plates = 0;
    let bodies = 0;
    for (const each of [...placed, further]) {
      if (each.slot.enclosureId !== housing) continue;
      if (each.existing === null) plates += each.card.plates;
      if (each.card.bus !== 'm2') bodies += openingsTaken(each);
    }
    return plates > 0 && plates + bodies > (openingsLeft.get(housing) ?? Infinity);
  };

  const powerShort = (placed: readonly Candidate[], further: Candidate): boolean => {
    if (without.has('power')) return false;
    const left = keeping([...placed, further]);
    // A card that is there asks for nothing, unless it keeps what others reckon with.
    if (further.existing !== null && left === keeping(placed)) return false;
    // Supplies are not shared between housings.
    const housing = further.slot.enclosureId;
    const fresh = [...placed, further].filter(
      ({ slot, existing }) => slot.enclosureId === housing && existing === null,
    );
    if (fresh.length === 0) return false;
    const around = machineAround(further.slot, left);
    const watts = fresh.reduce((sum, { card }) => sum + card.peakWatts, 0);
    if (watts > (wattsForNew(around)?.utmost ?? Infinity)) return true;
    const fed = fresh.filter(({ card }) => card.sockets.length > 0).length;
    // One card alone was asked when it became a candidate, with all that may come free.
    const asked = left === machine ? 1 : 0;
    if (fed <= asked || (further.existing === null && further.card.sockets.length === 0))
      return false;
    if (around.supply.plugs === null) return false;
    const sockets = fresh.flatMap(({ card, slot }) => socketsIn(card, slot, around));
    return plugFinding(sockets, around.supply).verdict === 'blocked';
  };

  return {
    collides: (placed, further) =>
      placed.some((other) => pair(other, further)) ||
      leadsShort(placed, further) ||
      platesShort(placed, further) ||
      powerShort(placed, further),
  };
}

/** Watts that new cards may draw on 12 V in one housing, and how many leave the supply its headroom; null while unknown. */
export function wattsForNew({
  supply,
}: Machine): { readonly comfortable: number; readonly utmost: number } | null {
  const base = valueOf(supply.baseWatts);
  const twelveVolt = valueOf(supply.twelveVoltWatts) ?? Infinity;
  // The 12 V part is never more than the whole that the label names.
  const limit = Math.min(twelveVolt, valueOf(supply.labelWatts) ?? Infinity);
  return base === null || limit === Infinity
    ? null
    : { utmost: limit - base, comfortable: Math.min(limit, twelveVolt * HEADROOM_SHARE) - base };
}

function exclude(
  one: Candidate,
  other: Candidate,
  machine: Machine,
  without: ReadonlySet<Constraint>,
): boolean {
  if (one.existing !== null && one.existing === other.existing) return true;
  const starved = starves(one, other, machine) || starves(other, one, machine);
  // Cards that stay where they are stand beside each other as it is, whatever the records say.
  if (isWhereItWas(one) && isWhereItWas(other)) return starved;
  if (one.slot.id === other.slot.id) return !without.has('slots');
  return starved || (!without.has('openings') && touch(one, other));
}

const isWhereItWas = ({ existing, slot }: Candidate): boolean => existing?.slot.id === slot.id;

function touch(a: Candidate, b: Candidate): boolean {
  const [ofA, ofB] = [valueOf(a.slot.opening), valueOf(b.slot.opening)];
  if (ofA === null || ofB === null || a.slot.enclosureId !== b.slot.enclosureId) return false;
  return openingsCollide(ofA, openingsTaken(a), ofB, openingsTaken(b));
}

/**
 * Whether one card, by a condition of the board, takes lanes that another candidate reckons with. A card that is left none
 * now may stay so, but nothing new may be the reason for it.
 */
function starves(one: Candidate, other: Candidate, machine: Machine): boolean {
  if (machine.conditions.length === 0) return false;
  const isDead = other.existing !== null && valueOf(other.slot.lanes) === 0;
  const slot = isDead && !isWhereItWas(one) ? other.existing.slot : other.slot;
  const inUse = slotInUse(slot, machine);
  return slotBeside(inUse, one, machine) !== inUse;
}
