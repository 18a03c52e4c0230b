/**
 * The door for programs outside: what carries a job from evidence to the sheet, and no more. Its names are kept from one
 * version to the next; CHANGELOG.md lists them and says when one changes. The application takes rooms (`$core/<room>`).
 */

// What was found: files of any tool and system, what they say, and what is wrong with them.
export { readEvidence, type Evidence } from './read/evidence.ts';
export type { EvidenceFile, FileReport } from './read/fileReading.ts';
export type { Problem } from './read/problem.ts';
export { takeEvidence } from './survey/takeEvidence.ts';
export { contradictions, type Contradiction } from './survey/claims.ts';
export { templateOf } from './survey/template.ts';

// Cards as tables, both ways.
export {
  matchColumns,
  readCatalogueTable,
  readRows,
  writeCatalogue,
} from './catalogue/catalogueFile.ts';

// What is kept. Each name is the schema and the type.
export { Job, emptyJob } from './document/job.ts';
export { Machine, emptyMachine } from './document/machine.ts';
export { Card } from './document/card.ts';
export { DriverPackage } from './document/driverPackage.ts';
export { Observation } from './document/observation.ts';
export type { Act } from './document/act.ts';
export { Need } from './kinds/need.ts';
export { Delivery } from './kinds/delivery.ts';

// The only ways in which a job changes.
export { apply, type Command } from './commands/commands.ts';

// Cards to slots for all needs at once, what else would do, and what stands in the way.
export { proposePlan } from './planner/answers/plan.ts';
export type { PlanRequest, Proposal } from './plans/proposal.ts';
export { choosePlans } from './planner/answers/alternatives.ts';
export { conflictSets } from './planner/answers/conflictSets.ts';
export { repairs } from './planner/answers/repairs.ts';
export { whyNot } from './planner/answers/pins.ts';
export type { Finding, Verdict } from './rules/finding.ts';
export type { FindingCode } from './rules/findingCodes.ts';
export { acceptanceOf } from './assembly/acceptance.ts';

// Which driver the system will take.
export { chooseDriver, type DriverChoice, type DriverLibrary } from './drivers/chooseDriver.ts';
export { inspectPackages } from './drivers/packageInspection.ts';
export { stickFiles } from './drivers/stick.ts';

// The bench: how it stands, how it has to stand, and the tasks between.
export { assemblyOf, type Assembly } from './assembly/assembly.ts';
export { benchState, type BenchState } from './assembly/benchState.ts';
export { goalState } from './procedure/fitting/goalState.ts';
export { openRound } from './procedure/openRound.ts';
export { steps } from './procedure/steps.ts';
export type { Step } from './procedure/step.ts';
export { withFound } from './procedure/fitting/foundFacts.ts';
export { restOf } from './procedure/fitting/restPlan.ts';

// What is observed, what was expected, and what to look at next.
export { expectations, type Expectation } from './assembly/expectations.ts';
export { enteredReading, enteredRun } from './document/observed.ts';
export { observeReport } from './diagnosis/observeReport.ts';
export { observeResults } from './diagnosis/observeResults.ts';
export { reportOnPlan } from './diagnosis/reportOnPlan.ts';
export { provings, type Proving } from './diagnosis/provings.ts';
export { diagnoses, type NeedDiagnosis } from './diagnosis/causes/diagnosisOf.ts';
export type { NextCheck } from './diagnosis/causes/nextCheck.ts';
export { stageAnswer } from './diagnosis/stageAnswer.ts';

// What goes out.
export { jobFileSchema, writeJobFile } from './write/jobFile.ts';
export { readJobFile } from './read/jobFile.ts';
export { exportOf } from './write/forExport.ts';
export { handOverSheet, type HandOverSheet } from './write/handOver.ts';
export { shoppingList } from './write/shoppingList.ts';
export { BackupWriter, readBackup } from './backup/backupFile.ts';

// Standards, with their sources beside each row.
export { linkBytesPerSecond } from './standards/pciExpress.ts';
export { ETHERNET_MEGABITS, tcpBytesPerSecond } from './standards/ethernet.ts';
export { USB } from './standards/usb.ts';
export { PLUGS } from './standards/plugs.ts';
export { BOARD_HEADERS } from './standards/headers.ts';
