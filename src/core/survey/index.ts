/** What other rooms than the core's take of this one. */
export { type Contradiction, contradictions, disagreeing, override, addClaim } from './claims.ts';
export { machineChanges, changeParts, type MachineChange, type MachineField } from './changes.ts';
export { factsKnown } from './factsKnown.ts';
export { toldFact } from './toldFact.ts';
export { type FactName, type FactValues, factNameAt } from './factNames.ts';
export { templateOf } from './template.ts';
export { withCardRecords } from './cardRecords.ts';
export { takeEvidence } from './takeEvidence.ts';
export { isOtherMachine, sameMachine } from './sameMachine.ts';
export { bestMode } from './mergeSystem.ts';
