/** What the survey has not been told yet and a rule asks for: each unknown names the one fact that settles it. */
import { screensOfUnknownInput } from '../kinds/screens/picture.ts';
import { valueOf } from '../parts/fact.ts';
import type { Machine } from '../document/machine.ts';
import { asksOf, type Need } from '../kinds/need.ts';
import type { FactCode } from './facts.ts';
import { housings, type Housing } from '../placement/housing.ts';
import { PACKAGED_FAMILIES } from '../standards/systems.ts';

export interface UnknownFact {
  readonly code: FactCode;
  readonly slotId?: string;
  /** The external box it is a fact of; absent for the machine's own. */
  readonly enclosureId?: string;
  readonly screenId?: string;
  /** A device of the network path, or a lead of it. */
  readonly hopId?: string;
  readonly leadId?: string;
  readonly subject?: string;
}

/** Unknown facts, those that usually decide most first. */
export function unknownFacts(machine: Machine, needs: readonly Need[]): readonly UnknownFact[] {
  const { system, path } = machine;
  const isPackaged = mayBePackaged(system);
  const rooms = housings(machine).map(roomFacts);
  return [
    ...open('slots', machine.slots.length === 0),
    ...open('system.family', system.family === null),
    ...open('system.version', isPackaged && system.version === null),
    ...open('system.architecture', isPackaged && system.architecture === null),
    ...secondSystemFacts(machine),
    ...rooms.flatMap(({ brackets }) => brackets),
    ...machine.slots.flatMap(slotFacts),
    ...rooms.flatMap(({ rest }) => rest),
    ...(asksOf(needs, 'wire') ? pathFacts(path) : []),
    ...open('path.internetMegabits', asksOf(needs, 'internet') && path.internetMegabits === null),
    ...screenFacts(machine, needs),
    ...rooms.flatMap(({ covers }) => covers),
  ];
}

/** What no maker publishes packages for is answered by class. */
const mayBePackaged = ({ family }: Machine['system']): boolean =>
  family === null || PACKAGED_FAMILIES.includes(family.value);

function secondSystemFacts({ secondSystem }: Machine): readonly UnknownFact[] {
  if (secondSystem === null) return [];
  const isPackaged = mayBePackaged(secondSystem);
  return [
    ...open('secondSystem.family', secondSystem.family === null),
    ...open('secondSystem.version', isPackaged && secondSystem.version === null),
    ...open('secondSystem.architecture', isPackaged && secondSystem.architecture === null),
  ];
}

/** Of as many screens as are wanted; where the need names the socket, theirs need not be known. */
function screenFacts({ screens }: Machine, needs: readonly Need[]): readonly UnknownFact[] {
  const wanted = Math.max(0, ...needs.map(screensOfUnknownInput));
  return screens.slice(0, wanted).flatMap(({ id, name, input, otherInputs }) => {
    const code: FactCode | null =
      input === null ? 'screen.input' : otherInputs === null ? 'screen.otherInputs' : null;
    return code === null ? [] : [{ code, screenId: id, subject: name }];
  });
}

/** From the machine outward: what each device knows, and what leads to it. */
function pathFacts({ hops }: Machine['path']): readonly UnknownFact[] {
  return hops.flatMap(({ id, name, portMegabits, leads }) => {
    const subject = name === '' ? {} : { subject: name };
    return [
      ...open('hop.portMegabits', portMegabits === null).map((fact) => ({
        ...fact,
        hopId: id,
        ...subject,
      })),
      ...leads.flatMap(({ id: leadId, cable }) =>
        open('lead.cable', cable === null).map((fact) => ({ ...fact, leadId, ...subject })),
      ),
    ];
  });
}

const open = (code: FactCode, missing: boolean): readonly UnknownFact[] =>
  missing ? [{ code }] : [];

/** Case and supply, of the machine or of an external box, by how much they usually decide. */
function roomFacts({ id, name, machine: { case: room, supply } }: Housing) {
  const inRoom = (code: FactCode, missing: boolean): readonly UnknownFact[] =>
    open(code, missing).map((fact) =>
      id === null ? fact : { ...fact, enclosureId: id, subject: name },
    );
  return {
    brackets: inRoom('case.bracket', room.bracket === null),
    rest: [
      ...inRoom('case.lengthRoomMm', room.lengthRoomMm === null),
      ...inRoom('case.openings', room.openings === null),
      ...inRoom('supply.twelveVoltWatts', supply.twelveVoltWatts === null),
      ...inRoom('supply.baseWatts', supply.baseWatts === null),
      ...inRoom('supply.plugs', supply.plugs === null),
    ],
    covers: inRoom('case.covers', room.covers === null),
  };
}

function slotFacts(slot: Machine['slots'][number]): readonly UnknownFact[] {
  const express = slot.bus === 'pcie';
  const socket = slot.bus === 'm2';
  const missing: readonly (readonly [FactCode, boolean])[] = [
    ['slot.occupant', slot.occupant === null],
    ['slot.opening', !socket && slot.opening === null],
    ['slot.key', socket && slot.key === null],
    ['slot.wired', socket && slot.wired === null],
    ['slot.moduleLengthsMm', socket && slot.moduleLengthsMm === null],
    ['slot.connectorLanes', express && valueOf(slot.connectorLanes) === null],
    ['slot.lanes', express && slot.lanes === null],
    ['slot.generation', express && slot.generation === null],
  ];
  return missing
    .filter(([, isMissing]) => isMissing)
    .map(([code]) => ({ code, slotId: slot.id, subject: slot.label }));
}
