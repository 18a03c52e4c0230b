/** Every public name of the core, one by one. The reading order is in README.md. */
export { type DeepReadonly, MEGABYTE, megabitsToBytesPerSecond } from './units.ts';

export {
  GENERATIONS,
  LINK_WIDTHS,
  CONNECTOR_LANES,
  type Generation,
  type Link,
  bestBytesPerSecond,
  linkBytesPerSecond,
  payloadShare,
  reckonedBytesPerSecond,
  trainedLink,
} from './standards/pciExpress.ts';
export {
  CARD_HEIGHT_MM,
  CONNECTOR_LENGTH_MM,
  CONNECTOR_START_MM,
  CONNECTOR_THICKNESS_MM,
  OPENING_PITCH_MM,
  UNDER_CARD_ROOM_MM,
} from './standards/cardForm.ts';
export { HEADROOM_SHARE, PLUGS, PLUG_TYPES, type PlugType } from './standards/plugs.ts';
export {
  CABLE_CLASSES,
  ETHERNET_MEGABITS,
  type CableClass,
  cableCarries,
  tcpBytesPerSecond,
} from './standards/ethernet.ts';
export { USB, type UsbSignalling } from './standards/usb.ts';
export { DRIVES } from './standards/storage.ts';
export {
  OUTPUT_BITS_PER_SECOND,
  type ScreenMode,
  modeBitsPerSecond,
  pixelClockHz,
} from './standards/screens.ts';
export { className } from './standards/pciClasses.ts';

export { type Fact, Witness, known, valueOf } from './parts/fact.ts';
export { type Express, type LinkState, PciFunction, deviceId, hex4 } from './parts/pciFunction.ts';
export {
  type Architecture,
  type Box,
  type BracketHeight,
  type CoverType,
  Machine,
  type Occupant,
  type Slot,
  type SystemFamily,
  emptyMachine,
  emptySlot,
  vacant,
} from './parts/machine.ts';
export { Card, type Delivery, type DeliveryKind, cardName } from './parts/card.ts';
export { Need, type NeedKind, unitsWanted } from './parts/need.ts';
export { DriverPackage } from './parts/driverPackage.ts';
export {
  JOB_FORMAT,
  Job,
  type LogEntry,
  type Placement,
  type Plan,
  type Reading,
  STAGES,
  type Stage,
  emptyJob,
} from './parts/job.ts';

export { type Problem, type ProblemCode, ProblemList } from './read/problem.ts';
export { decodeConfigSpace } from './read/configSpace.ts';
export { type PciReading, readLspci } from './read/lspci.ts';
export {
  type PortWithSlot,
  type TreeNode,
  functionName,
  portTree,
  portsWithSlots,
} from './read/ports.ts';
export { mergeSurvey } from './read/mergeSurvey.ts';
export { type JobFileReading, readJobFile, readStoredJob } from './read/jobFile.ts';

export {
  type Finding,
  type FindingCode,
  type Unit,
  VERDICTS,
  type Verdict,
  byWeight,
  worstVerdict,
} from './rules/finding.ts';
export {
  type Rectangle,
  bodyAround,
  connectorLengthMm,
  openingMiddleMm,
} from './rules/geometry.ts';
export { seat } from './rules/seat.ts';
export { link, slotLink, type SlotLink, usableBytesPerSecond } from './rules/link.ts';
export { bracket } from './rules/bracket.ts';
export { body, openingsCollide } from './rules/body.ts';
export { missingPlug, power, sum } from './rules/power.ts';
export {
  type DriverLibrary,
  bestPackage,
  compareVersions,
  driverSupport,
  packagesFor,
} from './rules/driverSupport.ts';
export { type SlotVerdict, slotVerdict, verdictTable } from './rules/verdict.ts';
export { type FactCode, type UnknownFact, unknownFacts } from './rules/unknownFacts.ts';

export { type Flow, type FlowStage, type StageCode, flowOf, satisfies } from './flow/stages.ts';

export { type Cost, compareCost } from './planner/cost.ts';
export { type Refusal } from './planner/refusals.ts';
export { type PlanRequest, type PlannedCard, type Proposal, proposePlan } from './planner/plan.ts';

export { type CautionCode, type Step, type StepCode, steps } from './procedure/steps.ts';
export { type OpenCounts, openItems, standing } from './procedure/openItems.ts';

export { type Expectation, type Fitted, expectations, fittedCards } from './proof/expect.ts';
export { type FallBack, type Judgement, judge } from './proof/judge.ts';

export { JOB_FILE_ENDING, jobFileName, jobFileSchema, writeJobFile } from './write/jobFile.ts';
export {
  type HandOverSheet,
  type SheetCard,
  type SheetFigure,
  handOverSheet,
} from './write/handOver.ts';

export { type Command, type CommandName, type Stamp, apply, restore } from './commands/commands.ts';
