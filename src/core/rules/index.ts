/** What other rooms than the core's take of this one. */
export { type FactCode } from './facts.ts';
export {
  type FindingCode,
  findingRow,
  type SubjectKind,
  type Subjects,
  type Unit,
} from './findingCodes.ts';
export { type Finding, VERDICTS, type Verdict, byWeight, worstVerdict } from './finding.ts';
export { seat } from './seat.ts';
export { link } from './link.ts';
export { bracket } from './bracket.ts';
export { body, openingsCollide } from './body.ts';
export { headerWayMm } from './headers.ts';
export { quirks } from './quirks.ts';
export { deservedCents, worth } from './worth.ts';
export { power, twelveVoltSum } from './power.ts';
export { type SizingMethod, supplySize } from './supplySize.ts';
export { driverSupport } from './driverSupport.ts';
export { type SlotVerdict, slotVerdict, verdictAsker, verdictTable } from './verdict.ts';
export { type RowAsker, verdictStore } from './keptVerdicts.ts';
export { unknownFacts } from './unknownFacts.ts';
export { type DecisiveFact, decidingFacts, decisiveFacts, factBehind } from './decisiveFacts.ts';
