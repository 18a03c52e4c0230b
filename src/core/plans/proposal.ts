/** A plan as it is asked for and as it is proposed: values, whoever seeks it. */
import type { PricedExtra } from '../buying/extras.ts';
import type { Card } from '../document/card.ts';
import type { Machine, Slot } from '../document/machine.ts';
import type { Pin, Weights } from '../document/planning.ts';
import type { DriverLibrary } from '../drivers/chooseDriver.ts';
import type { Need } from '../kinds/need.ts';
import type { Extra } from '../parts/extra.ts';
import type { Move } from '../placement/moves.ts';
import type { Finding } from '../rules/finding.ts';
import type { Cost } from './cost.ts';

export interface PlanRequest {
  readonly machine: Machine;
  readonly needs: readonly Need[];
  readonly budgetCents: number | null;
  readonly cards: readonly Card[];
  readonly extras?: readonly Extra[];
  readonly library: DriverLibrary;
  readonly pins?: readonly Pin[];
  readonly weights?: Weights;
}

export interface PlannedCard {
  readonly card: Card;
  readonly slot: Slot;
  readonly findings: readonly Finding[];
}

interface PlannedMove extends Move {
  readonly card: Card;
  readonly slot: Slot;
  readonly findings: readonly Finding[];
}

export interface Proposal {
  readonly placements: readonly PlannedCard[];
  /** Cards of the machine that go to another slot, and slots whose card is given up. */
  readonly moves: readonly PlannedMove[];
  readonly givenUp: readonly string[];
  /** Slots that it keeps for later: their cards are not bought now. */
  readonly later: readonly string[];
  readonly unmet: readonly Need[];
  /** Pins that cannot be kept. */
  readonly pinsLeft: readonly Pin[];
  /** Needs that the machine meets as it stands: nothing is bought for them. */
  readonly met: readonly Need[];
  /** What is bought now beside the cards. */
  readonly extras: readonly PricedExtra[];
  readonly cost: Cost;
  /** What concerns all cards together: watts, plugs, headers, in each housing that gets a card. */
  readonly together: readonly Finding[];
  /** Whether nothing better is possible; else `least` says what anything better would cost at least. */
  readonly proven: boolean;
  readonly least: Pick<Cost, 'mustsUnmet' | 'score'>;
  /** Partial plans looked at. */
  readonly searched: number;
}
