/** What the survey has not been told yet and a rule asks for: each unknown names the one fact that settles it. */
import { valueOf } from '../parts/fact.ts';
import type { Machine, Slot } from '../parts/machine.ts';
import type { Card } from '../parts/card.ts';
import { SERVED_BY, type Need } from '../parts/need.ts';
import type { DriverLibrary } from '../drivers/packages.ts';
import type { Finding, FindingCode } from './finding.ts';
import { housings, type Housing } from '../placement/housing.ts';
import { verdictTable } from './verdict.ts';

export type FactCode =
  | 'slots'
  | 'slot.connectorLanes'
  | 'slot.lanes'
  | 'slot.generation'
  | 'slot.opening'
  | 'slot.occupant'
  | 'slot.openEnd'
  | 'slot.powerWatts'
  | 'slot.keying'
  | 'slot.splits'
  | 'slot.key'
  | 'slot.moduleLengthsMm'
  | 'slot.wired'
  | 'slot.uplink'
  | 'slot.fan'
  | 'board.headers'
  | 'case.frontLeads'
  | 'firmware.kind'
  | 'firmware.date'
  | 'firmware.largeWindows'
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
  /** The external box it is a fact of; absent for the machine's own. */
  readonly enclosureId?: string;
  readonly subject?: string;
}

/** Unknown facts, those that usually decide most first. */
export function unknownFacts(machine: Machine, needs: readonly Need[]): readonly UnknownFact[] {
  const asked = (kind: Need['kind']) => needs.some((need) => need.kind === kind);
  const { system, path } = machine;
  const rooms = housings(machine).map(roomFacts);
  return [
    ...open('slots', machine.slots.length === 0),
    ...open('system.family', system.family === null),
    ...open('system.version', system.version === null),
    ...open('system.architecture', system.architecture === null),
    ...rooms.flatMap(({ brackets }) => brackets),
    ...machine.slots.flatMap(slotFacts),
    ...rooms.flatMap(({ rest }) => rest),
    ...open('path.farEndMegabits', asked('network') && path.farEndMegabits === null),
    ...open('path.cable', asked('network') && path.cable === null),
    ...open('path.internetMegabits', asked('wifi') && path.internetMegabits === null),
    ...rooms.flatMap(({ covers }) => covers),
  ];
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

/** The one fact that would settle each unknown finding. */
const SETTLED_BY: Readonly<Partial<Record<FindingCode, FactCode>>> = {
  'seat.occupantUnknown': 'slot.occupant',
  'seat.connectorUnknown': 'slot.connectorLanes',
  'seat.openEndUnknown': 'slot.openEnd',
  'seat.keyUnknown': 'slot.key',
  'seat.moduleLengthUnknown': 'slot.moduleLengthsMm',
  'seat.wiredUnknown': 'slot.wired',
  'seat.keyingUnknown': 'slot.keying',
  'seat.splitUnknown': 'slot.splits',
  'link.slotUnknown': 'slot.lanes',
  'quirk.slotUnknown': 'slot.uplink',
  'body.airUnknown': 'slot.fan',
  'header.unknown': 'board.headers',
  'header.frontUnknown': 'case.frontLeads',
  'firmware.kindUnknown': 'firmware.kind',
  'firmware.dateUnknown': 'firmware.date',
  'firmware.windowsUnknown': 'firmware.largeWindows',
  'bracket.caseUnknown': 'case.bracket',
  'body.lengthUnknown': 'case.lengthRoomMm',
  'body.openingUnknown': 'slot.opening',
  'body.openingsUnknown': 'case.openings',
  'power.slotUnknown': 'slot.powerWatts',
  'power.plugsUnknown': 'supply.plugs',
  'power.sumUnknown': 'supply.twelveVoltWatts',
  'system.unknown': 'system.version',
};

/** Facts behind findings that are settled: where they are wrong, so is the verdict. */
const RESTS_ON: Readonly<Partial<Record<FindingCode, FactCode>>> = {
  ...SETTLED_BY,
  'seat.occupied': 'slot.occupant',
  'seat.tooLong': 'slot.openEnd',
  'seat.otherKey': 'slot.key',
  'seat.moduleLength': 'slot.moduleLengthsMm',
  'seat.notWired': 'slot.wired',
  'seat.otherKeying': 'slot.keying',
  'seat.noSplit': 'slot.splits',
  'link.narrowed': 'slot.lanes',
  'link.uplinkNarrows': 'slot.uplink',
  'quirk.processorSlot': 'slot.uplink',
  'bracket.cardTooHigh': 'case.bracket',
  'bracket.missing': 'case.bracket',
  'bracket.swap': 'case.bracket',
  'body.tooLong': 'case.lengthRoomMm',
  'body.beyondLastOpening': 'case.openings',
  'header.frontMissing': 'case.frontLeads',
  'header.frontShort': 'case.frontLeads',
  'header.missing': 'board.headers',
  'header.short': 'board.headers',
  'power.slotShort': 'slot.powerWatts',
  'power.plugMissing': 'supply.plugs',
  'power.plugWeak': 'supply.plugs',
  'power.sharedLead': 'supply.plugs',
  'power.leadShort': 'supply.plugs',
  'power.sumShort': 'supply.twelveVoltWatts',
  'power.headroomUsed': 'supply.twelveVoltWatts',
  'firmware.noPicture': 'firmware.kind',
  'firmware.old': 'firmware.date',
  'firmware.smallWindows': 'firmware.largeWindows',
  'system.noDriver': 'system.version',
};

/** The fact of the survey that a finding rests on; null where it rests on the card alone, or on several. */
export function factBehind({ code }: Finding, slot: Slot): UnknownFact | null {
  const fact = RESTS_ON[code];
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
  const kinds = new Set(needs.flatMap(({ kind }) => SERVED_BY[kind] ?? []));
  const asking = cards.filter(({ delivers }) => kinds.size === 0 || kinds.has(delivers.kind));
  const waiting = new Map<string, number>();
  const asked = new Map<string, UnknownFact>();
  for (const { slot, findings } of verdictTable(asking, machine, library).flat()) {
    // A card that cannot go there whatever the facts are waits for nothing.
    if (findings.some(({ verdict }) => verdict === 'blocked')) continue;
    for (const code of new Set(findings.flatMap((finding) => SETTLED_BY[finding.code] ?? []))) {
      const fact = factOf(code, slot);
      waiting.set(keyOf(fact), (waiting.get(keyOf(fact)) ?? 0) + 1);
      asked.set(keyOf(fact), fact);
    }
  }
  const listed = unknownFacts(machine, needs);
  const known = new Set(listed.map(keyOf));
  const more = [...asked].filter(([key]) => !known.has(key)).map(([, fact]) => fact);
  return [...listed, ...more]
    .map((fact) => ({ ...fact, decides: waiting.get(keyOf(fact)) ?? 0 }))
    .toSorted(
      (a, b) => Number(b.code === 'slots') - Number(a.code === 'slots') || b.decides - a.decides,
    );
}

const keyOf = ({ code, slotId, enclosureId }: UnknownFact): string =>
  [code, slotId ?? '', enclosureId ?? ''].join(' ');

/** The fact of this slot, or of the housing it is in, or of the whole machine. */
function factOf(code: FactCode, { id, label, enclosureId }: Slot): UnknownFact {
  if (code.startsWith('slot.')) return { code, slotId: id, subject: label };
  return /^(case|supply)\./.test(code) && enclosureId !== null ? { code, enclosureId } : { code };
}
