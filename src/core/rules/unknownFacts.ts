/** What the survey has not been told yet and a rule asks for: each unknown names the one fact that settles it. */
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Card } from '../parts/card.ts';
import { SERVED_BY, type Need } from '../parts/need.ts';
import type { DriverLibrary } from '../drivers/chooseDriver.ts';
import { FACTS, type FactCode } from './facts.ts';
import type { Finding } from './finding.ts';
import { findingRow } from './findingCodes.ts';
import { housings, type Housing } from '../placement/housing.ts';
import { PACKAGED_FAMILIES } from '../standards/systems.ts';
import { verdictTable } from './verdict.ts';

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
  const asked = (kind: Need['kind']) => needs.some((need) => need.kind === kind);
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
    ...(asked('network') ? pathFacts(path) : []),
    ...open('path.internetMegabits', asked('wifi') && path.internetMegabits === null),
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
  const wanted = Math.max(
    0,
    ...needs.flatMap((need) => (need.kind === 'screens' && need.input === null ? need.count : [])),
  );
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

/** The fact of the survey that a finding rests on; null where it rests on the card alone, or on several. */
export function factBehind({ code }: Pick<Finding, 'code'>, slot: Slot): UnknownFact | null {
  const { settledBy, restsOn } = findingRow(code);
  const fact = settledBy ?? restsOn;
  return fact === undefined ? null : factOf(fact, slot);
}

export interface DecisiveFact extends UnknownFact {
  /** How many cards in how many slots wait for it. */
  readonly decides: number;
}

/**
 * Unknown facts with the verdicts that wait for them, most decisive first; facts nobody waits for last, in the
 * order of the survey. Cards of needed kinds are asked, or all of them while no need is stated.
 */
export function decisiveFacts(
  machine: Machine,
  needs: readonly Need[],
  cards: readonly Card[],
  library: DriverLibrary,
): readonly DecisiveFact[] {
  const kinds = new Set(needs.flatMap(({ kind }) => SERVED_BY[kind]));
  const asking = cards.filter(({ delivers }) => kinds.size === 0 || kinds.has(delivers.kind));
  const listed = unknownFacts(machine, needs);
  const known = new Set(listed.map(keyOf));
  const waiting = new Map<string, number>();
  const asked = new Map<string, UnknownFact>();
  const waits = (fact: UnknownFact, verdicts: number) => {
    waiting.set(keyOf(fact), (waiting.get(keyOf(fact)) ?? 0) + verdicts);
    asked.set(keyOf(fact), fact);
  };
  for (const { slot, findings } of verdictTable(asking, machine, library).flat()) {
    // A card that cannot go there whatever the facts are waits for nothing.
    if (findings.some(({ verdict }) => verdict === 'blocked')) continue;
    for (const code of new Set(
      findings.flatMap((finding) => findingRow(finding.code).settledBy ?? []),
    )) {
      const together = (SETTLED_TOGETHER[code] ?? []).map((each) => factOf(each, slot));
      const open = together.filter((fact) => known.has(keyOf(fact)));
      for (const fact of open.length === 0 ? [factOf(code, slot)] : open) waits(fact, 1);
    }
  }
  // What a card gives over a path or to a screen waits for these, whatever its slot.
  for (const fact of listed) {
    const kind = DELIVERED_BY[fact.code];
    if (kind !== undefined)
      waits(fact, asking.filter(({ delivers }) => delivers.kind === kind).length);
  }
  const more = [...asked].filter(([key]) => !known.has(key)).map(([, fact]) => fact);
  return [...listed, ...more]
    .map((fact) => ({ ...fact, decides: waiting.get(keyOf(fact)) ?? 0 }))
    .toSorted(
      (a, b) => Number(b.code === 'slots') - Number(a.code === 'slots') || b.decides - a.decides,
    );
}

/** Verdicts that one fact names wait for all of these: each of them that is unknown is asked. */
const SETTLED_TOGETHER: Readonly<Partial<Record<FactCode, readonly FactCode[]>>> = {
  'system.version': ['system.family', 'system.version', 'system.architecture'],
  'secondSystem.version': [
    'secondSystem.family',
    'secondSystem.version',
    'secondSystem.architecture',
  ],
  'supply.twelveVoltWatts': ['supply.twelveVoltWatts', 'supply.baseWatts'],
};

const DELIVERED_BY: Readonly<Partial<Record<FactCode, Card['delivers']['kind']>>> = {
  'hop.portMegabits': 'network',
  'lead.cable': 'network',
  'path.internetMegabits': 'wifi',
  'screen.input': 'screens',
};

const keyOf = ({
  code,
  slotId = '',
  enclosureId = '',
  screenId = '',
  hopId = '',
  leadId = '',
}: UnknownFact): string => [code, slotId, enclosureId, screenId, hopId, leadId].join(' ');

/** The fact of this slot, or of the housing it is in, or of the whole machine. */
function factOf(code: FactCode, { id, label, enclosureId }: Slot): UnknownFact {
  if (FACTS[code] === 'slot') return { code, slotId: id, subject: label };
  return FACTS[code] === 'housing' && enclosureId !== null ? { code, enclosureId } : { code };
}
