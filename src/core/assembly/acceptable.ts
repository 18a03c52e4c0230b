import type { Machine } from '../document/machine.ts';
import type { Proposal } from '../plans/proposal.ts';

/**
 * Whether there is anything to go on with: a proposal that only says what cannot be served is none, unless the machine itself
 * has parts or leads to be fitted.
 */
export const isAcceptable = (
  { placements, moves, givenUp, met }: Proposal,
  { toFit, leads }: Pick<Machine, 'toFit' | 'leads'>,
): boolean =>
  placements.length + moves.length + givenUp.length + met.length + toFit.length > 0 ||
  leads.some(({ ends }) => ends.some(({ joined }) => joined?.value !== true));
