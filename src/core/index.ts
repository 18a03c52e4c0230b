/** Every public name of the core, one by one. The reading order is in README.md. */
export {
  type DeepReadonly,
  MEGABYTE,
  type PartOf,
  megabitsToBytesPerSecond,
  partOf,
} from './units.ts';
export { outcome } from './outcome.ts';
export { withTaxCents } from './money.ts';
export { valueAt, withValueAt } from './paths.ts';

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
  CLASSIC_KEYS,
  CLASSIC_PCI_CONNECTOR_MM,
  CONNECTOR_LENGTH_MM,
  EXPRESS_KEY,
  SOCKET_CONTACTS_MM,
  SOCKET_KEYS,
  type KeyBar,
  CONNECTOR_START_MM,
  CONNECTOR_THICKNESS_MM,
  OPENING_PITCH_MM,
  PLUG_BEND_MM,
  UNDER_CARD_ROOM_MM,
  UNDER_MODULE_ROOM_MM,
  COMPONENT_SIDE_MM,
  MODULE_WIDTH_MM,
  SOCKET_DEPTH_MM,
  MANNERS,
  type Manner,
} from './standards/cardForm.ts';
export {
  BRACKET_LENGTH_MM,
  BRACKET_WIDTH_MM,
  PORTS_WINDOW_MM,
  REAR_SOCKETS,
  type RearSocketKind,
} from './standards/rearSockets.ts';
export {
  BUILD_LEADS,
  LEAD_KINDS,
  type LeadEndKind,
  type LeadKind,
  MACHINE_PARTS,
  type MachinePart,
  leadRow,
} from './standards/innerLeads.ts';
export { type InnerLead, looseLead } from './parts/innerLead.ts';
export {
  BOARD_HEADERS,
  type BoardHeader,
  FRONT_LEADS,
  type FrontLead,
  HEADERS,
} from './standards/headers.ts';
export {
  ADAPTED,
  HEADROOM_SHARE,
  PLUGS,
  PLUG_ADAPTERS,
  PLUG_TYPES,
  type PlugAdapter,
  type PlugType,
  SENSED_WATTS,
} from './standards/plugs.ts';
export { EXTRA_KINDS, EXTRA_LIMIT_UNITS, type ExtraKind } from './standards/extras.ts';
export {
  CABLE_CLASSES,
  FIBRE_CLASSES,
  isFibre,
  ETHERNET_MEGABITS,
  NETWORK_MEDIA,
  type NetworkMedium,
  NETWORK_FEATURES,
  type NetworkFeature,
  type CableClass,
  cableCarries,
  healthyCopyShare,
  tcpBytesPerSecond,
} from './standards/ethernet.ts';
export {
  USB,
  USB_DEVICES,
  USB_SIGNALLING,
  type UsbDevice,
  type UsbSignalling,
} from './standards/usb.ts';
export {
  BAY_FRAMES,
  BAY_SIZES,
  COPY_DRIVES,
  DRIVE_FORMS,
  MODULE_SIDES,
  SATA_PORTS,
  type BayFrame,
  type CopyDrive,
  DRIVES,
  DRIVE_ARRAYS,
  WANTED_DRIVES,
  type DriveArray,
  DRIVE_SOCKETS,
  arrayBytesPerSecond,
} from './standards/storage.ts';
export { SERIAL_LINK_GIGABITS } from './standards/serialLink.ts';
export {
  DISTANCES,
  RADIO_STANDARDS,
  WIFI_BANDS,
  type WifiBand,
  channelsOf,
  radioMegabits,
} from './standards/wifi.ts';
export {
  ADAPTERS,
  type Blanking,
  ENCODINGS,
  type Encoding,
  OUTPUTS,
  OUTPUT_SIGNALS,
  type OutputSignal,
  SCREEN_ADAPTERS,
  SCREEN_INPUTS,
  type ScreenAdapter,
  type ScreenInput,
  type ScreenMode,
  modeBitsPerSecond,
  pixelClockHz,
} from './standards/screens.ts';
export { CTA_MODES } from './standards/ctaModes.ts';
export { className } from './standards/pciClasses.ts';
export { SYSTEM_FAMILIES, type SystemFamily } from './standards/systems.ts';
export { M2_KEYS, type M2Key, SLOT_TYPES, SLOT_WIDTHS } from './standards/slotRecords.ts';
export { SURVEY_BUNDLE_HEAD, SURVEY_BUNDLE_VERSION } from './standards/surveyBundle.ts';

export { freeNumber } from './document/freeNumber.ts';
export {
  HOP_KINDS,
  LEAD_CONDITIONS,
  LEAD_PLACES,
  type AccessPoint,
  type Hop,
  type Lead,
  type NetworkPath,
  directHops,
  emptyHop,
  emptyLead,
  emptyPath,
} from './parts/networkPath.ts';
export { OTHER_DEVICES, type OtherDevice } from './standards/otherDevices.ts';
export { PROCESSOR_CLASSES } from './standards/processors.ts';
export { type WireLink, wireLinks } from './kinds/network/wire.ts';
export { type Fact, type Claim, Source, known, valueOf } from './parts/fact.ts';
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
  OBSTACLE_KINDS,
  type Obstacle,
  type BracketHeight,
  type Condition,
  type CoverType,
  type Enclosure,
  M2_SIGNALS,
  SLOT_STATES,
  Machine,
  DISPOSITIONS,
  type Disposition,
  type Occupant,
  PCI_KEYINGS,
  type Screen,
  type Slot,
  emptyCase,
  emptyMachine,
  emptySystem,
  emptyScreen,
  emptySlot,
  emptySupply,
  isBuilt,
  occupantNamed,
  vacant,
} from './document/machine.ts';
export {
  COST_PARTS,
  type CostPart,
  PLAIN_WEIGHTS,
  type Pin,
  type WeighedPart,
  type Weights,
  pinKey,
} from './document/planning.ts';
export {
  CARD_KINDS,
  cardKindOf,
  Delivery,
  type DeliveryKind,
  type DeliveryOf,
} from './kinds/delivery.ts';
export { Card, asOccupant, cardName } from './document/card.ts';
export { Drive, driveName, emptyDrive } from './parts/drive.ts';
export {
  BACKINGS,
  STATEMENT_KINDS,
  Statement,
  statementThat,
  type Backing,
} from './parts/statement.ts';
export { isUnpriced, Extra } from './parts/extra.ts';
export {
  Need,
  type NeedKind,
  type NeedOf,
  NEED_KINDS,
  needKindOf,
  isAtFront,
  takesCard,
  asksOf,
  isServedBy,
  plainNeed,
  unitsNeeded,
} from './kinds/need.ts';
export { begunFor } from './kinds/keep/begun.ts';
export { areUsed, drivesWanted } from './kinds/drives/wanted.ts';
export { socketWanted } from './kinds/drives/need.ts';
export { type StageCode } from './kinds/stages.ts';
export {
  type Channel,
  type DriverWays,
  type SetupPackage,
  DriverPackage,
  PLAIN_WAYS,
  comesWithSystem,
} from './document/driverPackage.ts';
export {
  type DeviceObservation,
  type DevicesObservation,
  type DriveObservation,
  type CauseObservation,
  type CheckObservation,
  type Phase,
  type ReadingObservation,
  type RunObservation,
  Observation,
} from './document/observation.ts';
export { READINGS } from './standards/readings.ts';
export {
  answeredCheck,
  causesFor,
  checksFor,
  drivesNamed,
  enteredReading,
  enteredRun,
  enteredSerial,
  foundCause,
  namedDrive,
  notedSetting,
  readingsFor,
  runsOf,
  serialOf,
  settingsNoted,
} from './document/observed.ts';
export {
  PLAIN_RUN,
  RUN_DIRECTIONS,
  RUN_KINDS,
  type RunConditions,
  type RunDirection,
  type RunKind,
} from './parts/run.ts';
export { type Cause, CAUSES } from './standards/causes.ts';
export { type Check, CHECKS } from './standards/checks.ts';
export {
  DESERVES_PERCENT,
  JOB_FORMAT,
  stateMark,
  Job,
  type LogEntry,
  type Photo,
  type Placement,
  type Plan,
  STAGES,
  type Stage,
  emptyJob,
  BenchTest,
  type StaticWay,
  STATIC_WAYS,
} from './document/job.ts';
export {
  type Act as DoneAct,
  type ActName,
  type ActOn,
  type RoundNumber,
  actId,
  actOf,
  doneActs,
  isDone,
  onId,
} from './document/act.ts';
export { type Round, extrasOrdered, roundsOf } from './assembly/rounds.ts';

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
export { type ScreenReading, readEdid } from './read/screens/edid.ts';
export type { ReportedMode } from './read/screens/modes.ts';
export { readDeviceList } from './read/system/deviceList.ts';
export { readEthtool, readIpLink, readOsRelease, readUname } from './read/system/linux.ts';
export { readModulesAlias } from './read/system/moduleAliases.ts';
export { clipped } from './parts/limits.ts';
export { type DeviceProblem, deviceProblemIn } from './standards/problemCodes.ts';
export { type Inf, type InfLine, readInf } from './read/drivers/inf.ts';
export { nameIn, readIdList } from './read/idList.ts';
export { type EvidenceKind } from './read/recognise.ts';
export {
  type Evidence,
  type FilesRead,
  type Known,
  type KnownLists,
  type Absent,
  absentIn,
  evidenceOf,
  readEvidence,
  readFiles,
} from './read/evidence.ts';
export { type EvidenceFile, type FileReport } from './read/fileReading.ts';
export { type MachinesApart } from './read/machinesApart.ts';
export {
  type JobFileReading,
  Picture,
  type Pictures,
  isNewerJob,
  problemsOf,
  readCurrentJob,
} from './read/storedJob.ts';
export { readKeptList, readStoredJob } from './read/anyFormat.ts';
export { readJobFile } from './read/jobFile.ts';
export {
  type KeptItems,
  type KeptKind,
  type KeptReading,
  readCurrentList,
  writeKeptList,
} from './read/keptList.ts';
export { type Repaired, repairedJob, repairedMachine } from './read/repair.ts';

export { type CellKind, MONEY_CELL } from './catalogue/cells.ts';
export {
  CARD_COLUMNS,
  EXTRA_COLUMNS,
  type Column,
  FAN_CELL,
  PLAIN_CARD,
  columnsFor,
  columnsOf,
  plainCard,
  printCell,
  takeCell,
} from './catalogue/columns.ts';
export {
  type CatalogueTable,
  type Matching,
  type ReadRow,
  contradictionsIn,
  matchColumns,
  missingColumns,
  readCatalogueTable,
  readRows,
  writeCatalogue,
} from './catalogue/catalogueFile.ts';
export { learnCard, learnable } from './catalogue/learnCard.ts';

export { modalias, modulesFor, shellMatch } from './drivers/moduleMatching.ts';
export {
  type DriverChoice,
  type DriverLibrary,
  type Outranked,
  type OutranksBy,
  chooseDriver,
  driverForCard,
  isDriven,
  namesAny,
  packagesFor,
  toInstall,
} from './drivers/chooseDriver.ts';
export {
  type DeviceAsked,
  cardAsked,
  functionAsked,
  instanceAsked,
  machineAsked,
} from './drivers/deviceAsked.ts';
export { type PackageRecord, packageRecords } from './drivers/packageRecords.ts';
export {
  type DrivenDevice,
  type PackageLook,
  type PackagesLook,
  type PackageFile,
  folderOf,
  lookAtPackages,
  nameInArchive,
  saysOfDrivers,
} from './drivers/packageLook.ts';
export { fewest, fewestSearch } from './drivers/fewest.ts';
export {
  type StickPackage,
  type StickSoFar,
  type StickStage,
  stickFiles,
  stickSearch,
} from './drivers/stick.ts';
export { type DeviceIdentities, pciIdentities } from './drivers/setup/identities.ts';
export { type RankedDriver, rankedDrivers, rankOf } from './drivers/setup/ranking.ts';
export { installingOf, modelsFor } from './drivers/setup/sections.ts';
export { readSetupPackage, setupSaying } from './drivers/setup/setupPackage.ts';
export { type TargetSystem, readTarget, targetSystemOf } from './drivers/setup/target.ts';
export { classDriver, compareReleases, compareVersions } from './drivers/classDrivers.ts';

export {
  type Contradiction,
  contradictions,
  disagreeing,
  override,
  addClaim,
} from './survey/claims.ts';
export { factsKnown } from './survey/factsKnown.ts';
export { toldFact } from './survey/toldFact.ts';
export { type FactName, type FactValues, factNameAt } from './survey/factNames.ts';
export { templateOf } from './survey/template.ts';
export { withCardRecords } from './survey/cardRecords.ts';
export { type Taken, takeEvidence } from './survey/takeEvidence.ts';
export { isOtherMachine, sameMachine } from './survey/sameMachine.ts';
export { bestMode } from './survey/mergeSystem.ts';

export { type Move, withMoves } from './placement/moves.ts';
export {
  type Rectangle,
  bodyAround,
  cardEdgeEndMm,
  moduleRectangle,
  connectorLengthMm,
  openingMiddleMm,
} from './placement/geometry.ts';
export { slotLink, type SlotLink } from './placement/slotLink.ts';
export {
  type Assignment,
  type AssignmentCost,
  type SupplyPlug,
  type Socket,
  assignPlugs,
  plugsOf,
  socketsOf,
} from './placement/plugs.ts';
export { withCards, withOccupants } from './placement/withCards.ts';
export { type PowerLimit, powerLoads } from './placement/powerLoads.ts';
export { type Housing, housings, machineAround } from './placement/housing.ts';

export { type FactCode } from './rules/facts.ts';
export {
  type FindingCode,
  findingRow,
  type SubjectKind,
  type Subjects,
  type Unit,
} from './rules/findingCodes.ts';
export { type Finding, VERDICTS, type Verdict, byWeight, worstVerdict } from './rules/finding.ts';
export { seat } from './rules/seat.ts';
export { link } from './rules/link.ts';
export { bracket } from './rules/bracket.ts';
export { body, openingsCollide } from './rules/body.ts';
export { firmware } from './rules/firmware.ts';
export { headerWayMm, headers } from './rules/headers.ts';
export { quirks } from './rules/quirks.ts';
export { deservedCents, worth } from './rules/worth.ts';
export { power, twelveVoltSum } from './rules/power.ts';
export {
  SIZING_METHODS,
  type SizingMethod,
  type SizingAnswer,
  supplySize,
} from './rules/supplySize.ts';
export { driverSupport } from './rules/driverSupport.ts';
export { type SlotVerdict, slotVerdict, verdictAsker, verdictTable } from './rules/verdict.ts';
export { type RowAsker, verdictKeeper } from './rules/keptVerdicts.ts';
export { type UnknownFact, unknownFacts } from './rules/unknownFacts.ts';
export {
  type DecisiveFact,
  decidingFacts,
  decisiveFacts,
  factBehind,
} from './rules/decisiveFacts.ts';

export { type Flow, type FlowStage } from './kinds/flow.ts';
export { flowOf, satisfies } from './flow/flowOf.ts';
export { type MetByMachine, metByMachine, recordOf } from './flow/metByMachine.ts';
export { type WantedScreen, pairScreens } from './kinds/screens/flow.ts';
export {
  type Rate,
  type Route,
  type RouteRates,
  routes,
  ratesOf,
  streamsOf,
} from './flow/concurrency.ts';
export { type Share, type Stream, fairShares } from './flow/fairShares.ts';
export { type CopyTime, copyTime } from './flow/copyTime.ts';

export {
  type Cost,
  type Parts,
  compareCost,
  moneyCents,
  scaleOf,
  weigh,
} from './planner/candidates/cost.ts';
export { metTogether } from './planner/answers/metTogether.ts';
export { type Delivered, delivered, deliveredShare } from './planner/answers/delivered.ts';
export { CONSTRAINTS, type Constraint } from './planner/candidates/constraints.ts';
export { type PricedExtra, priced } from './buying/extras.ts';
export { type ExtraNeeded } from './parts/extra.ts';
export { type Refusal } from './planner/answers/refusals.ts';
export {
  type PlanRequest,
  type PlannedCard,
  type PlannedMove,
  type Proposal,
  planning,
  proposePlan,
} from './planner/answers/plan.ts';
export {
  ASPECTS,
  type Alternative,
  type Aspect,
  type Choice,
  type ChoiceProgress,
  choosePlans,
  choosing,
} from './planner/answers/alternatives.ts';
export {
  type ConflictSet,
  type Member,
  conflictSets,
  isPossible,
  memberKey,
  membersOf,
} from './planner/answers/conflictSets.ts';
export {
  type Change,
  type Repair,
  changed,
  changesFor,
  repairs,
  priceOfChange,
} from './planner/answers/repairs.ts';
export {
  type Difference,
  type PinPrice,
  type WhyNot,
  differenceOf,
  priceOfPins,
  pricingPins,
  whyNot,
} from './planner/answers/pins.ts';

export {
  type CardAt,
  type CautionCode,
  type Step,
  type StepCode,
  type StepValues,
  type Consumable,
} from './procedure/step.ts';
export { steps } from './procedure/steps.ts';
export { mayTakeBack, openRound, openSteps, stageOfRound } from './procedure/openRound.ts';
export {
  lastDone,
  ledgerAfter,
  movesDone,
  onTray,
  type Whereabout,
} from './procedure/fitting/ledger.ts';
export { findable, type Found, type FoundKind } from './procedure/fitting/found.ts';
export { withFound } from './procedure/fitting/foundFacts.ts';
export { restOf, restRequest, type Rest } from './procedure/fitting/restPlan.ts';
export { benchTestOf, benchTestRound, type ShortSurvey } from './procedure/fitting/benchTest.ts';
export { whyNow } from './procedure/fitting/why.ts';
export { type Estimate, estimateOf, minutesTogether } from './procedure/fitting/estimates.ts';
export { type SpentByAct, logbookOf, spentIn } from './procedure/fitting/times.ts';
export { effort, inOrder, type Ordered } from './procedure/fitting/order.ts';
export {
  REASONS,
  type After,
  type CasePosition,
  type Move as ThingMove,
  type Reason,
  type Task,
  type Thing,
  type Tool,
} from './procedure/fitting/task.ts';
export { act, leftUndone, run } from './simulator/act.ts';
export type { Refusal as WorldRefusal } from './simulator/outcome.ts';
export { bring, worldOf, type World } from './simulator/world.ts';
export {
  handled,
  type JobSummary,
  type OpenCounts,
  openBefore,
  standing,
  summaryOf,
} from './procedure/standing.ts';

export { type Acceptance, acceptanceOf, acceptanceOfTrial } from './assembly/acceptance.ts';
export { benchState, type BenchState } from './assembly/benchState.ts';
export { goalState } from './procedure/fitting/goalState.ts';
export { isAcceptable } from './assembly/acceptable.ts';
export { openingsOf } from './assembly/openings.ts';
export {
  type RearPorts,
  type RearSockets,
  boardSockets,
  rearLeads,
  rearSocketsOf,
} from './assembly/rearLeads.ts';
export { type LeadEnd } from './kinds/leadEnd.ts';
export {
  type AssembledCard,
  type Assembly,
  assemblyOf,
  laterCardsOf,
  newCardsOf,
} from './assembly/assembly.ts';
export { triedIn } from './diagnosis/triedIn.ts';
export { driveLoadWatts, withDriveLoad } from './placement/driveLoad.ts';
export { readSmartctl } from './read/system/smartctl.ts';
export { inBays } from './placement/bays.ts';
export { type Expectation, expectations } from './assembly/expectations.ts';
export { type Judgement, judge } from './diagnosis/judge.ts';
export { type RunGroup, mainGroup, runGroups, testOf } from './diagnosis/runs.ts';
export { type RunTest } from './parts/run.ts';
export { expectedRun } from './diagnosis/expectedRun.ts';
export {
  type Component,
  type ComponentName,
  PRACTICE as PRACTICE_FREQUENCIES,
} from './kinds/component.ts';
export { componentsOf } from './diagnosis/causes/components.ts';
export type { Answer, CauseAt, Explanation, Observed } from './diagnosis/causes/explanations.ts';
export type { NextCheck } from './diagnosis/causes/nextCheck.ts';
export type { Measure } from './kinds/needKind.ts';
export { type Diagnosis, diagnose } from './diagnosis/causes/diagnose.ts';
export {
  type Reasons,
  type RuledOut,
  cleared,
  possibleAnswers,
  reasonsFor,
  ruledOut,
} from './diagnosis/causes/reasons.ts';
export { copyGigabytes } from './diagnosis/copySize.ts';
export { type HeldReading, type ReadingKind, heldReadings } from './diagnosis/readings.ts';
export { type Variants, variantsOf } from './diagnosis/variants.ts';
export { type NeedDiagnosis, diagnoses } from './diagnosis/causes/diagnosisOf.ts';
export { checkCautions, isMended, mendOf } from './procedure/mends.ts';
export {
  DRIVER_OUTCOMES,
  type DriverOutcome,
  type DriverState,
  driverStates,
  lastDevices,
} from './diagnosis/driverStates.ts';
export {
  type DriverTarget,
  type OldDriver,
  driverTargets,
  oldDrivers,
  packagesWanted,
} from './assembly/driverTargets.ts';
export { observeReport } from './diagnosis/observeReport.ts';
export { type OpenResult, observeResults, runFrom } from './diagnosis/observeResults.ts';
export type { MeasuredRate } from './read/results/result.ts';
export { openItems } from './diagnosis/openItems.ts';
export { provenSteps, stateOf } from './diagnosis/provenSteps.ts';
export { type JudgedGroup, type Proving, provings } from './diagnosis/provings.ts';
export { typedNumber } from './read/numberMarks.ts';
export { type StageAnswer, driversAmiss, stageAnswer } from './diagnosis/stageAnswer.ts';
export {
  type ReportDifference,
  type ReportOnCard,
  reportOnPlan,
} from './diagnosis/reportOnPlan.ts';

export {
  JOB_FILE_ENDING,
  jobFileName,
  jobFileSchema,
  writeJobFile,
  writeSetAside,
} from './write/jobFile.ts';
export {
  type HandOverSheet,
  type SheetCard,
  type SheetFigure,
  handOverSheet,
} from './write/handOver.ts';
export {
  type ExportChoice,
  type Exported,
  type StayedIn,
  exportOf,
  forExport,
} from './write/forExport.ts';
export { type ShoppingList, type ShoppingRow, shoppingList } from './write/shoppingList.ts';
export { shoppingTable } from './write/shoppingTable.ts';

export {
  type Backup,
  type BackupManifest,
  type BackupReading,
  BackupWriter,
  STORES,
  type Sha256,
  type StoreName,
  type StoredItem,
  readBackup,
} from './backup/backupFile.ts';
export {
  type BackupDifference,
  type ListPlaces,
  type StoreChange,
  type Taking,
  differences,
  displaced,
  merged,
  replaced,
} from './backup/differences.ts';
export {
  BinEntry,
  SHELF,
  type ShelfKey,
  type Shelved,
  isBackedUp,
  isTakable,
} from './backup/shelf.ts';

export {
  type Command,
  type CommandName,
  LOG_SHORTENED,
  type Stamp,
  apply,
  hasChangedSincePlan,
  restore,
} from './commands/commands.ts';
