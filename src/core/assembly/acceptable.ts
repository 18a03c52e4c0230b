import type { Proposal } from '../planner/answers/plan.ts';

/** Whether there is anything to go on with: a proposal that only says what cannot be served is none. */
export const isAcceptable = ({ placements, moves, givenUp, met }: Proposal): boolean =>
  placements.length + moves.length + givenUp.length + met.length > 0;
