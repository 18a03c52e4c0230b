/** A figure held against what is expected of it. What a shortfall comes from is asked elsewhere. */
import type { Flow } from '../kinds/flow.ts';
import type { Verdict } from '../rules/finding.ts';

export interface Judgement {
  readonly verdict: Verdict;
  readonly outcome:
    | 'asExpected'
    | 'aboveExpected'
    | 'belowHealthy'
    | 'short'
    /** As many pictures as the screen shows: the card may well do more. */
    | 'capped';
}

/** Figures this much above what the path can carry are mistaken (bits for bytes, a copy from memory). */
const ABOVE_SHARE = 1.03;
/** Frames this close to what the screen shows are held back by it. */
const CAPPED_SHARE = 0.02;

/**
 * @param figure in the unit of the flow
 * @param refreshHz of the screen on which frames were counted; null: it is not known, or nothing is counted on a screen
 */
export function judge(flow: Flow, figure: number, refreshHz: number | null = null): Judgement {
  if (flow.unit === 'frames') {
    if (refreshHz !== null && Math.abs(figure - refreshHz) <= refreshHz * CAPPED_SHARE)
      return { verdict: figure < flow.wanted ? 'limited' : 'clear', outcome: 'capped' };
    // More frames than a screen shows are nothing to doubt.
  } else if (figure > flow.high * ABOVE_SHARE) {
    return { verdict: 'unknown', outcome: 'aboveExpected' };
  }
  if (figure >= Math.min(flow.low, flow.high / ABOVE_SHARE))
    return { verdict: 'clear', outcome: 'asExpected' };
  return figure < flow.wanted
    ? { verdict: 'blocked', outcome: 'short' }
    : { verdict: 'limited', outcome: 'belowHealthy' };
}
