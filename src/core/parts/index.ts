/** What other rooms than the core's take of this one. */
export { type InnerLead, looseLead } from './innerLead.ts';
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
} from './networkPath.ts';
export { type Fact, type Claim, Source, known, valueOf } from './fact.ts';
export { PciFunction, deviceId, emptyFunction, hex4 } from './pciFunction.ts';
export { Drive, driveName, emptyDrive } from './drive.ts';
export {
  BACKINGS,
  IN_USE_HERE,
  OWN_BENCH,
  STATEMENT_KINDS,
  Statement,
  statementThat,
  type Backing,
} from './statement.ts';
export { isUnpriced, Extra, type ExtraNeeded } from './extra.ts';
export {
  PLAIN_RUN,
  type RunConditions,
  type RunDirection,
  type RunKind,
  type RunTest,
} from './run.ts';
export { type Expects, type Led } from './expects.ts';
export { clipped } from './limits.ts';
export { boundsAt, isWithin, schemaAt, type NumberBounds } from './shape.ts';
