/** What the survey has not been told yet and a rule asks for: each unknown names the one fact that settles it. */
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../parts/machine.ts';
import type { Need } from '../parts/need.ts';

export type FactCode =
  | 'slots'
  | 'slot.connectorLanes'
  | 'slot.lanes'
  | 'slot.generation'
  | 'slot.opening'
  | 'slot.occupant'
  | 'case.bracket'
  | 'case.lengthRoomMm'
  | 'case.openings'
  | 'case.covers'
  | 'system.family'
  | 'system.version'
  | 'system.architecture'
  | 'supply.twelveVoltWatts'
  | 'supply.baseWatts'
  | 'supply.plugs'
  | 'path.cable'
  | 'path.farEndMegabits'
  | 'path.internetMegabits';

export interface UnknownFact {
  readonly code: FactCode;
  readonly slotId?: string;
  readonly subject?: string;
}

/** Unknown facts, those that decide most verdicts first. */
export function unknownFacts(machine: Machine, needs: readonly Need[]): readonly UnknownFact[] {
  const asked = (kind: Need['kind']) => needs.some((need) => need.kind === kind);
  const { case: box, system, supply, path } = machine;
  const open = (code: FactCode, missing: boolean): readonly UnknownFact[] =>
    missing ? [{ code }] : [];
  return [
    ...open('slots', machine.slots.length === 0),
    ...open('system.family', system.family === null),
    ...open('system.version', system.version === null),
    ...open('system.architecture', system.architecture === null),
    ...open('case.bracket', box.bracket === null),
    ...machine.slots.flatMap(slotFacts),
    ...open('case.lengthRoomMm', box.lengthRoomMm === null),
    ...open('case.openings', box.openings === null),
    ...open('supply.twelveVoltWatts', supply.twelveVoltWatts === null),
    ...open('supply.baseWatts', supply.baseWatts === null),
    ...open('supply.plugs', supply.plugs === null),
    ...open('path.farEndMegabits', asked('network') && path.farEndMegabits === null),
    ...open('path.cable', asked('network') && path.cable === null),
    ...open('path.internetMegabits', asked('wifi') && path.internetMegabits === null),
    ...open('case.covers', box.covers === null),
  ];
}

function slotFacts(slot: Machine['slots'][number]): readonly UnknownFact[] {
  const express = slot.bus === 'pcie';
  const missing: readonly (readonly [FactCode, boolean])[] = [
    ['slot.occupant', slot.occupant === null],
    ['slot.opening', slot.opening === null],
    ['slot.connectorLanes', express && valueOf(slot.connectorLanes) === null],
    ['slot.lanes', express && slot.lanes === null],
    ['slot.generation', express && slot.generation === null],
  ];
  return missing
    .filter(([, isMissing]) => isMissing)
    .map(([code]) => ({ code, slotId: slot.id, subject: slot.label }));
}
