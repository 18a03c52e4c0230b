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
  FRONT_LEADS,
  type FrontLead,
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
export { COPY_DRIVES, type CopyDrive, DRIVES } from './standards/storage.ts';
export {
  CTA_MODES,
  OUTPUT_BITS_PER_SECOND,
  SCREEN_INPUTS,
  type ScreenInput,
  type ScreenMode,
  modeBitsPerSecond,
  pixelClockHz,
} from './standards/screens.ts';
export { className } from './standards/pciClasses.ts';
export { M2_KEYS, type M2Key, SLOT_TYPES, SLOT_WIDTHS } from './standards/slotRecords.ts';
export { SURVEY_BUNDLE_HEAD, SURVEY_BUNDLE_VERSION } from './standards/surveyBundle.ts';

export { type Fact, type Testimony, Witness, known, valueOf } from './parts/fact.ts';
export {
  type Contradiction,
  contradictions,
  disagreeing,
  tell,
  testify,
} from './parts/testimony.ts';
export {
  type Express,
  type LinkState,
  PciFunction,
  deviceId,
  emptyFunction,
  hex4,
} from './parts/pciFunction.ts';
export {
  type Architecture,
  BOX_KINDS,
  type Box,
  type BracketHeight,
  type Condition,
  type CoverType,
  type Enclosure,
  M2_SIGNALS,
  Machine,
  type Occupant,
  PCI_KEYINGS,
  type Screen,
  type Slot,
  type SystemFamily,
  emptyCase,
  emptyMachine,
  emptySlot,
  emptySupply,
  occupantNamed,
  vacant,
} from './parts/machine.ts';
export { templateOf } from './parts/template.ts';
export { Card, type Delivery, type DeliveryKind, cardName } from './parts/card.ts';
export { Need, type NeedKind, unitsWanted } from './parts/need.ts';
export { DriverPackage } from './parts/driverPackage.ts';
export {
  JOB_FORMAT,
  Job,
  type LogEntry,
  type Photo,
  type Placement,
  type Plan,
  type Reading,
  STAGES,
  type Stage,
  emptyJob,
} from './parts/job.ts';

export { type Problem, type ProblemCode, ProblemList } from './read/problem.ts';
export { bytesFromText, decodeText } from './read/text.ts';
export { decodeConfigSpace } from './read/pci/configSpace.ts';
export { type PciReading, readLspci } from './read/pci/lspci.ts';
export { readLspciMachine } from './read/pci/lspciMachine.ts';
export {
  type PortWithSlot,
  type TreeNode,
  functionName,
  isNamed,
  portTree,
  portsWithSlots,
} from './read/pci/ports.ts';
export { type FirmwareReading, type FirmwareSlot } from './read/firmware/firmware.ts';
export { readSmbios } from './read/firmware/smbios.ts';
export { readDmidecode } from './read/firmware/dmidecode.ts';
export { type ReportedMode, type ScreenReading, readEdid } from './read/screens/edid.ts';
export { readDeviceList } from './read/system/deviceList.ts';
export {
  modalias,
  modulesFor,
  readEthtool,
  readIpLink,
  readModulesAlias,
  readOsRelease,
  readUname,
  shellMatch,
} from './read/system/linux.ts';
export { nameIn, readIdList } from './read/idList.ts';
export { type EvidenceKind } from './read/recognise.ts';
export {
  type Evidence,
  type EvidenceFile,
  type FileReport,
  type KnownLists,
  readEvidence,
} from './read/evidence.ts';
export { withCardRecords } from './read/cardRecords.ts';
export { mergeEvidence } from './read/mergeEvidence.ts';
export { sameMachine } from './read/sameMachine.ts';
export { bestMode } from './read/mergeSystem.ts';
export { type JobFileReading, type Pictures, readJobFile, readStoredJob } from './read/jobFile.ts';

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
export { type Housing, housings, machineAround } from './rules/housing.ts';
export {
  type DecisiveFact,
  type FactCode,
  type UnknownFact,
  decisiveFacts,
  unknownFacts,
} from './rules/unknownFacts.ts';

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
