/** The facts of the survey that rules ask for, and what each is a fact of. */

/** The machine as a whole, one of its slots, the case or a box outside with its supply, the board, the system with its network, a part of the path, a screen. */
export type FactOf = 'machine' | 'slot' | 'housing' | 'board' | 'system' | 'path' | 'screen';

export const FACTS = {
  slots: 'machine',
  'slot.connectorLanes': 'slot',
  'slot.lanes': 'slot',
  'slot.generation': 'slot',
  'slot.opening': 'slot',
  'slot.occupant': 'slot',
  'slot.state': 'slot',
  'slot.openEnd': 'slot',
  'slot.powerWatts': 'slot',
  'slot.keying': 'slot',
  'slot.splits': 'slot',
  'slot.key': 'slot',
  'slot.moduleLengthsMm': 'slot',
  'slot.wired': 'slot',
  'slot.uplink': 'slot',
  'slot.fan': 'slot',
  'board.headers': 'board',
  'case.frontLeads': 'housing',
  'firmware.kind': 'system',
  'firmware.date': 'system',
  'firmware.largeWindows': 'system',
  'case.bracket': 'housing',
  'case.lengthRoomMm': 'housing',
  'case.openings': 'housing',
  'case.covers': 'housing',
  'system.family': 'system',
  'system.version': 'system',
  'system.architecture': 'system',
  'supply.twelveVoltWatts': 'housing',
  'supply.baseWatts': 'housing',
  'supply.plugs': 'housing',
  'lead.cable': 'path',
  'lead.condition': 'path',
  'hop.portMegabits': 'path',
  'accessPoint.bands': 'system',
  'path.internetMegabits': 'system',
  'screen.input': 'screen',
  'screen.otherInputs': 'screen',
} as const satisfies Readonly<Record<string, FactOf>>;

export type FactCode = keyof typeof FACTS;
