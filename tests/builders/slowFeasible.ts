/** Whether needs can be met at all within some limits of a machine, by trying every set of cards in slots. */
import { assignPlugs, plugsOf, socketsOf } from '../../src/core/placement/index.ts';
import { flowOf } from '../../src/core/flow/index.ts';
import { openingsCollide, slotVerdict, twelveVoltSum } from '../../src/core/rules/index.ts';
import { unitsNeeded, type Need } from '../../src/core/kinds/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import type { Card, Machine, Pin, Slot } from '../../src/core/document/index.ts';
import type { Constraint } from '../../src/core/planner/index.ts';
import type { PlanRequest } from '../../src/core/plans/index.ts';
import { codesOf, imaginedWithout } from '../../src/core/planner/candidates/constraints.ts';
import { told } from './parts.ts';
import { withDrivesTold } from './slowPlanner.ts';

interface Placed {
  readonly card: Card;
  readonly slot: Slot;
}

/** More cards than this are in no plan of the small jobs it is asked about. */
const MOST_CARDS = 5;

export function slowFeasible(
  { machine: surveyed, cards, library }: PlanRequest,
  needs: readonly Need[],
  pins: readonly Pin[],
  without: ReadonlySet<Constraint>,
): boolean {
  const machine = imaginedWithout(withDrivesTold(surveyed, needs), without);
  const ignored = codesOf(without);
  const positions = cards
    .filter(({ id }) => !pins.some((pin) => pin.kind === 'neverCard' && pin.cardId === id))
    .flatMap((card) => machine.slots.map((slot): Placed => ({ card, slot })))
    .filter(({ slot }) => !pins.some((pin) => pin.kind === 'neverSlot' && pin.slotId === slot.id))
    .filter(({ card, slot }) =>
      slotVerdict(card, slot, machine, library).findings.every(
        ({ verdict, code }) => verdict !== 'blocked' || ignored.has(code),
      ),
    );
  const useful = positions.filter(
    ({ card, slot }) =>
      needs.some((need) => (flowOf(card, slot, need, machine)?.units ?? 0) > 0) ||
      pins.some(
        (pin) => pin.kind === 'cardThere' && pin.cardId === card.id && pin.slotId === slot.id,
      ),
  );
  const wanted = pins.flatMap((pin) => (pin.kind === 'cardThere' ? [pin] : []));
  const done = (placed: readonly Placed[]) =>
    wanted.every((pin) =>
      placed.some(({ card, slot }) => card.id === pin.cardId && slot.id === pin.slotId),
    ) && meets(needs, placed, machine, without);
  const branch = (placed: readonly Placed[], from: number): boolean => {
    if (done(placed)) return true;
    if (placed.length === MOST_CARDS) return false;
    return useful.some((place, n) => {
      if (n < from || !goTogether([...placed, place], machine, without)) return false;
      // With slots imagined away one may hold the same card again.
      return branch([...placed, { ...place }], without.has('slots') ? n : n + 1);
    });
  };
  return branch([], 0);
}

function goTogether(
  placed: readonly Placed[],
  machine: Machine,
  without: ReadonlySet<Constraint>,
): boolean {
  const pairs = placed.flatMap((a, n) => placed.slice(n + 1).map((b) => [a, b] as const));
  const apart = pairs.every(([a, b]) => {
    if (a.slot.id === b.slot.id) return without.has('slots');
    const [at, other] = [valueOf(a.slot.opening)!, valueOf(b.slot.opening)!];
    return without.has('openings') || !openingsCollide(at, a.card.openings, other, b.card.openings);
  });
  if (!apart || placed.some(({ slot }) => valueOf(leftOf(slot, placed, machine).lanes) === 0))
    return false;
  const plates = placed.reduce((sum, { card }) => sum + card.plates, 0);
  const brackets = placed.reduce((sum, { card }) => sum + card.openings, 0);
  const openings = valueOf(machine.case.openings) ?? Infinity;
  if (!without.has('openings') && plates > 0 && plates + brackets > openings) return false;
  if (without.has('power')) return true;
  const watts = placed.reduce((total, { card }) => total + card.peakWatts, 0);
  const sockets = placed.flatMap(({ card }) => socketsOf(card));
  return (
    !twelveVoltSum(watts, machine).some(({ verdict }) => verdict === 'blocked') &&
    assignPlugs(sockets, plugsOf(machine.supply)).cost.dead === 0
  );
}

/** The slot with the lanes that cards in other slots leave it. */
function leftOf(slot: Slot, placed: readonly Placed[], machine: Machine): Slot {
  const lanes = machine.conditions
    .filter(
      ({ slotId, whenSlotId }) =>
        slotId === slot.id && placed.some((other) => other.slot.id === whenSlotId),
    )
    .map(({ keepsLanes }) => keepsLanes);
  return { ...slot, lanes: told(Math.min(valueOf(slot.lanes)!, ...lanes)) };
}

/** Every set of needs that take from the same ports finds enough of them, however the front leads are given out. */
function meets(
  needs: readonly Need[],
  placed: readonly Placed[],
  machine: Machine,
  without: ReadonlySet<Constraint>,
): boolean {
  const leads = without.has('leads')
    ? placed.length
    : (valueOf(machine.case.frontLeads)?.length ?? 0);
  const able = placed.filter(({ card }) => card.frontHeaders.length > 0);
  const atFront = (need: Need) => need.kind === 'usb' && need.where === 'front';
  return subsetsOf(able)
    .filter((led) => led.length <= leads)
    .some((led) =>
      subsetsOf(needs).every((some) => {
        if (some.length === 0) return true;
        const kinds = new Set(some.map((need) => (atFront(need) ? 'front' : need.kind)));
        // Only needs that share ports have to be looked at together.
        if (some.length > 1 && (kinds.size > 1 || kinds.has('network'))) return true;
        const given = placed.reduce((total, place) => {
          const slot = leftOf(place.slot, placed, machine);
          const units = some.map((need) =>
            atFront(need) && !led.includes(place)
              ? 0
              : (flowOf(place.card, slot, need, machine)?.units ?? 0),
          );
          return total + Math.max(...units);
        }, 0);
        return given >= some.reduce((total, need) => total + unitsNeeded(need), 0);
      }),
    );
}

const subsetsOf = <Item>(items: readonly Item[]): readonly (readonly Item[])[] =>
  items.reduce<readonly (readonly Item[])[]>(
    (all, item) => [...all, ...all.map((set) => [...set, item])],
    [[]],
  );
