/** The planner in the worker: driven in slices, so that it can tell how far it is and hear that it should stop. */
import {
  choosing,
  clashing,
  freeing,
  planning,
  pricingPins,
  whyNot,
  type Card,
  type Choice,
  type ChoiceProgress,
  type ClashSet,
  type Freeing,
  type PinPrice,
  type PlanRequest,
  type Proposal,
  type Slot,
  type WhyNot,
} from '$core';

type Steps<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

/** Long enough to get on, short enough that a stop is heard at once. */
const SLICE_MS = 40;

/** One question of each kind is worked on; a newer one takes its place. */
const current = new Map<string, { stopped: boolean }>();

/** Null where a newer question of the kind came before the answer. */
async function drive<Heard, Result>(
  kind: string,
  steps: Steps<Heard, Result>,
  hear?: (heard: Heard) => unknown,
): Promise<Result | null> {
  const mine = { stopped: false };
  current.set(kind, mine);
  let since = performance.now();
  for (let next = steps.next(); ; next = steps.next(mine.stopped)) {
    if (next.done === true) return next.value;
    if (performance.now() - since < SLICE_MS) continue;
    void hear?.(next.value);
    await new Promise((resolve) => setTimeout(resolve));
    if (current.get(kind) !== mine) return null;
    since = performance.now();
  }
}

export interface Explanation {
  readonly sets: readonly ClashSet[];
  readonly freeing: readonly Freeing[];
}

function* explaining(request: PlanRequest): Steps<unknown, Explanation> {
  const sets = yield* clashing(request);
  return { sets, freeing: sets.length === 0 ? [] : yield* freeing(request) };
}

export const planWork = {
  choose: (
    request: PlanRequest,
    hear: (progress: ChoiceProgress) => void,
  ): Promise<Choice | null> => drive('choose', choosing(request), hear),
  /** Ends the search that runs with what it has found by then. */
  stop: (): void => {
    const running = current.get('choose');
    if (running !== undefined) running.stopped = true;
  },
  explain: (request: PlanRequest): Promise<Explanation | null> =>
    drive('explain', explaining(request)),
  pricePins: (request: PlanRequest, plan: Proposal): Promise<readonly PinPrice[] | null> =>
    drive('pins', pricingPins(request, plan)),
  whyNot: (request: PlanRequest, plan: Proposal, card: Card, slot: Slot): Promise<WhyNot | null> =>
    drive('whyNot', whyNot(request, plan, card, slot)),
  whatIf: (request: PlanRequest): Promise<Proposal | null> => drive('whatIf', planning(request)),
};
