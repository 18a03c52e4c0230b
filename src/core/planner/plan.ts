/** The best complete placement of cards for all needs together, exact, with reasons for every card refused. */
import type { Card } from '../parts/card.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import { SERVED_BY, type Need } from '../parts/need.ts';
import { already } from '../flow/already.ts';
import { valueOf } from '../parts/fact.ts';
import type { DriverLibrary } from '../rules/driverSupport.ts';
import type { Finding } from '../rules/finding.ts';
import { housings } from '../rules/housing.ts';
import { sum } from '../rules/power.ts';
import { assess } from './candidates.ts';
import { collide, watts } from './conflicts.ts';
import type { Cost } from './cost.ts';
import { refusals, type Refusal } from './refusals.ts';
import { search } from './search.ts';

export interface PlanRequest {
  readonly machine: Machine;
  readonly needs: readonly Need[];
  readonly budgetCents: number | null;
  readonly cards: readonly Card[];
  readonly library: DriverLibrary;
}

export interface PlannedCard {
  readonly card: Card;
  readonly slot: Slot;
  readonly findings: readonly Finding[];
}

export interface Proposal {
  readonly placements: readonly PlannedCard[];
  readonly unmet: readonly Need[];
  /** Needs that the machine meets as it stands: nothing is bought for them. */
  readonly met: readonly Need[];
  readonly cost: Cost;
  /** What concerns all cards together: the sum on 12 V, in each housing that gets one. */
  readonly together: readonly Finding[];
  readonly refusals: readonly Refusal[];
  /** Partial plans looked at. */
  readonly searched: number;
}

export function proposePlan({
  cards,
  needs: all,
  machine,
  library,
  budgetCents,
}: PlanRequest): Proposal {
  const met = needsMet(all, machine, cards);
  const needs = all.filter((need) => !met.includes(need));
  const assessments = assess(cards, needs, machine, library);
  const candidates = assessments.flatMap(({ candidate }) => candidate ?? []);
  const { placed, unmet, cost, searched } = search(candidates, needs, machine, budgetCents);
  return {
    // The survey's own slots, whatever lanes a candidate reckoned with.
    placements: placed.map(({ card, slot, findings }) => ({
      card,
      slot: machine.slots.find(({ id }) => id === slot.id) ?? slot,
      findings,
    })),
    unmet,
    met,
    cost,
    together: housings(machine).flatMap(({ id, machine: around }) => {
      const inThere = placed.filter(({ slot }) => slot.enclosureId === id);
      return inThere.length === 0 && machine.enclosures.length > 0
        ? []
        : sum(watts(inThere), around);
    }),
    refusals: refusals(assessments, placed, (one, other) => collide([one, other], machine)),
    searched,
  };
}

/**
 * Needs that the machine meets already. Video on the board goes off with the first graphics card, so it meets a
 * need only where no need asks for such a card.
 */
function needsMet(
  needs: readonly Need[],
  machine: Machine,
  cards: readonly Card[],
): readonly Need[] {
  const met = (need: Need, there: Machine) => already(need, there, cards).state === 'met';
  const ofScreens = ({ kind }: Need) => SERVED_BY[kind] === 'screens';
  const withoutVideo: Machine = {
    ...machine,
    builtIn: machine.builtIn && {
      ...machine.builtIn,
      value: (valueOf(machine.builtIn) ?? []).filter(({ kind }) => kind !== 'screens'),
    },
  };
  const boardDoes = needs.filter(ofScreens).every((need) => met(need, machine));
  return needs.filter((need) => met(need, ofScreens(need) && !boardDoes ? withoutVideo : machine));
}
