/** Names of facts, how to find them out, and who gave them. */
import { findingRow, type FactCode, type Finding } from '$core/rules';
import type { CopyDrive } from '$core/standards';
import type { Obstacle } from '$core/document';
import type { Source } from '$core/parts';
import { remedyWords } from './findings';

interface FactWords {
  readonly name: string;
  readonly how: string;
}

export const FACT_WORDS: Readonly<Record<FactCode, FactWords>> = {
  slots: {
    name: 'Slots',
    how: 'Drop the machine’s own report (Evidence says how to get one), take a template, or add them by hand.',
  },
  'slot.connectorLanes': {
    name: 'Length of the slot',
    how: 'Look: x1 is 25 mm long, x4 39, x8 56, x16 89.',
  },
  'slot.lanes': {
    name: 'Lanes wired',
    how: 'Drop the machine’s own report: Evidence says how to get one.',
  },
  'slot.latch': { name: 'Latch', how: 'Look at the far end of the slot: a lever or a catch.' },
  'slot.generation': {
    name: 'Generation',
    how: 'Drop the machine’s own report, or read the board’s manual.',
  },
  'slot.opening': { name: 'Opening it faces', how: 'Count openings from the processor’s end.' },
  'slot.occupant': { name: 'What sits in it', how: 'Look, and enter what it holds.' },
  'slot.state': {
    name: 'State of the slot',
    how: 'Look into it with a light: dust, a cap, bent contacts, burns.',
  },
  'slot.openEnd': {
    name: 'Far end of the slot',
    how: 'Look at the far end of the slot: open or closed.',
  },
  'slot.powerWatts': {
    name: 'Power limit of the slot',
    how: 'Drop the report of a Linux system, or look in the board’s manual.',
  },
  'slot.keying': {
    name: 'Key of the slot',
    how: 'Look: a key near the rear edge is 3.3 V, one near the far end 5 V.',
  },
  'slot.splits': { name: 'Bifurcation', how: 'Look in firmware setup, or in the board’s manual.' },
  'slot.key': {
    name: 'Key of the socket',
    how: 'Read the letter beside it on the board, or in the manual.',
  },
  'slot.wired': {
    name: 'What is wired to the socket',
    how: 'Read the board’s manual: PCI Express, SATA, USB, or only a radio’s own signals.',
  },
  'slot.moduleLengthsMm': {
    name: 'Module lengths it holds',
    how: 'Measure from the socket to each screw post: 30, 42, 60, 80, 110 mm.',
  },
  'slot.uplink': {
    name: 'What lies between it and the processor',
    how: 'Read the board’s manual: connected directly to the processor, or behind a switch.',
  },
  'slot.fan': {
    name: 'Fan of the card in it',
    how: 'Look at the side that faces the next opening.',
  },
  'board.headers': {
    name: 'Free headers of the board',
    how: 'Look along the lower edge of the board; count the pins.',
  },
  'case.frontLeads': {
    name: 'Free front leads',
    how: 'Follow the leads from the front panel to their plugs.',
  },
  'firmware.kind': {
    name: 'Kind of firmware',
    how: 'Look in its setup, or drop a report: UEFI or BIOS.',
  },
  'firmware.date': {
    name: 'Age of the firmware',
    how: 'Read its date in its setup, or drop a report.',
  },
  'firmware.largeWindows': {
    name: 'Above 4G decoding',
    how: 'Look in firmware setup for above 4G decoding.',
  },
  'case.bracket': {
    name: 'Bracket height',
    how: 'Measure a slot cover: about 120 mm is full, 79 mm low.',
  },
  'case.lengthRoomMm': {
    name: 'Room for length',
    how: 'Measure from the rear edge to the first thing in the way.',
  },
  'case.openings': { name: 'Openings', how: 'Count the slot covers at the back.' },
  'case.covers': { name: 'Kind of slot covers', how: 'Screwed, clipped, or snapped off: look.' },
  'case.panelHeld': { name: 'Side panel held by', how: 'Look behind: screws, or a latch to pull.' },
  'case.opensBothSides': {
    name: 'Panel behind the board',
    how: 'Look at the other side: screws at its rear edge mean that it comes off.',
  },
  'case.retentionBar': {
    name: 'Retention bar',
    how: 'Look behind, over the slot covers: one bar for all of them, or none.',
  },
  'case.frontCovers': {
    name: 'Front bay covers',
    how: 'Take off the front: clips, screws, or plates that snap off.',
  },
  'case.spareCovers': { name: 'Spare slot covers', how: 'Count those in the drawer and the bag.' },
  'case.spareScrews': {
    name: 'Spare bracket screws',
    how: 'Count those in the bag and in unused holes.',
  },
  'case.spareModuleScrews': {
    name: 'Spare M.2 screws',
    how: 'Look at the standoff of the socket, and in the board’s bag.',
  },
  'case.leadLock': {
    name: 'Lock of the box’s lead',
    how: 'Look at the plug of its lead: a screw or a catch.',
  },
  'system.family': { name: 'System', how: 'Start the machine and look, or ask.' },
  'system.version': {
    name: 'System version',
    how: 'Start the machine and look: 10, 11, kernel 6.1.',
  },
  'system.architecture': {
    name: 'Architecture',
    how: 'Nearly always x86-64; the system’s own page about itself says.',
  },
  'secondSystem.family': {
    name: 'Second system',
    how: 'Start the machine with it and look, or ask.',
  },
  'secondSystem.version': {
    name: 'Version of the second system',
    how: 'Start the machine with it and look: 10, 11, kernel 6.1.',
  },
  'secondSystem.architecture': {
    name: 'Architecture of the second system',
    how: 'Nearly always x86-64; the system’s own page about itself says.',
  },
  'supply.twelveVoltWatts': {
    name: '12 V watts of the supply',
    how: 'Read the 12 V row on the supply’s label.',
  },
  'supply.baseWatts': {
    name: '12 V load now',
    how: 'Add up processor, graphics, drives and fans.',
  },
  'supply.plugs': { name: 'Free plugs', how: 'Look at the free plugs of the supply.' },
  'lead.cable': { name: 'Cable class', how: 'Read what is printed on the cable.' },
  'lead.condition': {
    name: 'Condition of the lead',
    how: 'Look at its latches; a cable tester tells each pair.',
  },
  'hop.portMegabits': {
    name: 'Port speeds on the path',
    how: 'Read the label of the switch, or of what the wire ends in.',
  },
  'accessPoint.bands': { name: 'Bands of the access point', how: 'Its own page lists them.' },
  'path.internetMegabits': { name: 'Internet plan', how: 'Ask, or read the bill.' },
  'screen.input': {
    name: 'Input of the screen',
    how: 'Look at its back: which socket is the lead in?',
  },
  'screen.otherInputs': {
    name: 'Other inputs of the screen',
    how: 'Look at its back: its report tells of one socket only. A free DisplayPort saves an adapter.',
  },
};

export const SOURCE_WORDS: Readonly<Record<Source, string>> = {
  registers: 'read from its registers',
  text: 'read from its report',
  firmware: 'by the firmware’s record',
  system: 'by its system',
  screen: 'by the screen itself',
  template: 'from the template',
  technician: 'entered by hand',
  bench: 'seen at the bench',
};

export const SOURCE_SHORT: Readonly<Record<Source, string>> = {
  registers: 'registers',
  text: 'report',
  firmware: 'firmware',
  system: 'system',
  screen: 'screen',
  template: 'template',
  technician: 'by hand',
  bench: 'at the bench',
};

export const OBSTACLE_KIND_WORDS: Readonly<Record<Obstacle['kind'], string>> = {
  header: 'header',
  fanPlug: 'fan plug',
  cage: 'cage',
  heatSink: 'heat sink',
  memory: 'memory',
  vent: 'vent',
  other: 'other',
};

export const COPY_DRIVE_WORDS: Readonly<Record<CopyDrive, string>> = {
  disk: 'hard disk',
  sata: 'SATA solid-state drive',
  nvme: 'NVMe drive',
};

/** What to do about a finding: how the fact is found out that settles it, or else what mends it. */
export function adviceWords(finding: Finding): string | null {
  const { settledBy } = findingRow(finding.code);
  return settledBy === undefined || finding.verdict === 'clear'
    ? remedyWords(finding)
    : FACT_WORDS[settledBy].how;
}
