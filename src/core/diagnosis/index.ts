/** What other rooms than the core's take of this one. */
export { triedIn } from './triedIn.ts';
export { type Judgement, judge } from './judge.ts';
export { type RunGroup, mainGroup, runGroups, testOf } from './runs.ts';
export { componentsOf } from './causes/components.ts';
export {
  type Answer,
  type CauseAt,
  type Explanation,
  type Observed,
} from './causes/explanations.ts';
export { type NextCheck } from './causes/nextCheck.ts';
export { diagnose } from './causes/diagnose.ts';
export {
  type Reasons,
  type RuledOut,
  cleared,
  possibleAnswers,
  reasonsFor,
  ruledOut,
} from './causes/reasons.ts';
export { copyGigabytes } from './copySize.ts';
export { type HeldReading, type ReadingKind, heldReadings } from './readings.ts';
export { type Variants, variantsOf } from './variants.ts';
export { type NeedDiagnosis, diagnoses } from './causes/diagnosisOf.ts';
export { type DriverOutcome, type DriverState, driverStates, lastDevices } from './driverStates.ts';
export { observeReport } from './observeReport.ts';
export { type OpenResult, observeResults, runFrom } from './observeResults.ts';
export { openItems } from './openItems.ts';
export { provenSteps, stateOf } from './provenSteps.ts';
export { type JudgedGroup, type Proving, provings } from './provings.ts';
export { type StageAnswer, driversAmiss, stageAnswer } from './stageAnswer.ts';
export { type ReportDifference, reportOnPlan } from './reportOnPlan.ts';
