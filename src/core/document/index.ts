/** What other rooms than the core's take of this one. */
export { freeNumber } from './freeNumber.ts';
export {
  type Architecture,
  OBSTACLE_KINDS,
  type Obstacle,
  type BracketHeight,
  type Condition,
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
} from './machine.ts';
export {
  COST_PARTS,
  type CostPart,
  PLAIN_WEIGHTS,
  type Pin,
  type WeighedPart,
  type Weights,
  pinKey,
} from './planning.ts';
export { Card, asOccupant, cardName } from './card.ts';
export {
  type DriverWays,
  type SetupPackage,
  DriverPackage,
  PLAIN_WAYS,
  comesWithSystem,
} from './driverPackage.ts';
export {
  type DeviceObservation,
  type CauseObservation,
  type Phase,
  type RunObservation,
  Observation,
} from './observation.ts';
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
  runsOf,
  serialOf,
  settingsNoted,
} from './observed.ts';
export {
  JOB_FORMAT,
  stateMark,
  Job,
  type LogEntry,
  STAGES,
  type Stage,
  emptyJob,
  type StaticWay,
  STATIC_WAYS,
} from './job.ts';
export {
  type ActOn,
  type Act as DoneAct,
  type ActName,
  actId,
  doneActs,
  isDone,
  onId,
} from './act.ts';
