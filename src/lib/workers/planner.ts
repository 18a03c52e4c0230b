/**
 * The planner's worker: one question at a time, in the order they are asked. A question that nobody waits for any
 * more is ended; a worker that does not hear of it is ended with it, and the next question gets another.
 */
import { wrap, type Remote } from 'comlink';
import type { PlanRequest } from '$core/plans';
import type { PlannerWork, Question, Supplies } from './planner.worker';

/** So long a search may take to hear that it should stop or end. */
const PATIENCE_MS = 400;

interface Running {
  readonly worker: Worker;
  readonly remote: Remote<PlannerWork>;
  /** What it was told last. */
  known: Supplies | null;
}

let running: Running | null = null;
/** Gives the answer null to the question that is worked on. */
let abandon: (() => void) | null = null;
let queue: Promise<unknown> = Promise.resolve();

/** Started before the first question, which then need not wait for it. */
export function startPlanner(): Remote<PlannerWork> {
  if (running === null) {
    const worker = new Worker(new URL('./planner.worker.ts', import.meta.url), { type: 'module' });
    running = { worker, remote: wrap<PlannerWork>(worker), known: null };
  }
  return running.remote;
}

type Ask<Answer> = (planner: Remote<PlannerWork>, question: Question) => Promise<Answer | null>;

/** The answer, or null once nobody waits for it. */
export function askPlanner<Answer>(
  request: PlanRequest,
  ask: Ask<Answer>,
  waiting: AbortSignal,
): Promise<Answer | null> {
  const answer = queue.then(() => answered(request, ask, waiting));
  queue = answer.catch(() => undefined);
  return answer;
}

/** The request without what the planner knows already; what is new to it of that, it is told first. */
function questionTo(planner: Remote<PlannerWork>, request: PlanRequest): Question {
  const { cards, extras = [], library, ...question } = request;
  const known = running?.known;
  const isKnown = known?.cards === cards && known.extras === extras && known.library === library;
  if (running !== null && !isKnown) {
    running.known = { cards, extras, library };
    void planner.know(running.known);
  }
  return question;
}

async function answered<Answer>(
  request: PlanRequest,
  ask: Ask<Answer>,
  waiting: AbortSignal,
): Promise<Answer | null> {
  if (waiting.aborted) return null;
  const planner = startPlanner();
  const question = questionTo(planner, request);
  const abandoned = new Promise<null>((resolve) => (abandon = () => resolve(null)));
  const over = { now: false };
  const onAbort = () => void tell(() => planner.end(), over);
  waiting.addEventListener('abort', onAbort);
  try {
    const answer = await Promise.race([ask(planner, question), abandoned]);
    return waiting.aborted ? null : answer;
  } finally {
    over.now = true;
    abandon = null;
    waiting.removeEventListener('abort', onAbort);
  }
}

/** Asks the search that runs for what it has; where it does not hear that, it is given up. */
export async function stopPlanner(): Promise<void> {
  if (abandon === null) return;
  const mine = abandon;
  await tell(() => startPlanner().stop(), {
    get now() {
      return abandon !== mine;
    },
  });
}

/** Says something to the worker; one that is too deep in its work to hear it within the time is ended. */
async function tell(say: () => Promise<unknown>, over: { readonly now: boolean }): Promise<void> {
  void say().catch(() => undefined);
  await new Promise((resolve) => setTimeout(resolve, PATIENCE_MS));
  if (over.now) return;
  running?.worker.terminate();
  running = null;
  abandon?.();
}
