/** What other rooms than the core's take of this one. */
export {
  type CardAt,
  type CautionCode,
  type Step,
  type StepCode,
  type StepValues,
  type Consumable,
} from './step.ts';
export { steps } from './steps.ts';
export { mayTakeBack, openRound, openSteps, stageOfRound } from './openRound.ts';
export { lastDone, ledgerAfter, movesDone, onTray } from './fitting/ledger.ts';
export type { FoundNames, LongerLead } from './fitting/foundFacts.ts';
export { findable, type Found, type FoundKind } from './fitting/found.ts';
export { withFound } from './fitting/foundFacts.ts';
export { restOf, restRequest } from './fitting/restPlan.ts';
export { benchTestOf, benchTestRound } from './fitting/benchTest.ts';
export { whyNow } from './fitting/why.ts';
export { type Estimate, estimateOf, minutesTogether } from './fitting/estimates.ts';
export { type SpentByAct, logbookOf, spentIn } from './fitting/times.ts';
export { effort, inOrder, type Ordered } from './fitting/order.ts';
export { REASONS, type Reason, type Thing, type Tool } from './fitting/task.ts';
export {
  handled,
  type JobSummary,
  type OpenCounts,
  openBefore,
  standing,
  summaryOf,
} from './standing.ts';
export { goalState } from './fitting/goalState.ts';
export { checkCautions, isMended, mendOf } from './mends.ts';
