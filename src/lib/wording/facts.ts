/** Names of facts, how to find them out, and who gave them. */
import type { FactCode, Witness } from '$core';

interface FactWords {
  readonly name: string;
  readonly how: string;
}

export const FACT_WORDS: Readonly<Record<FactCode, FactWords>> = {
  slots: {
    name: 'Slots',
    how: 'Drop the machine’s lspci report, take a template, or add them by hand.',
  },
  'slot.connectorLanes': {
    name: 'Length of the slot',
    how: 'Look: x1 is 25 mm long, x4 39, x8 56, x16 89.',
  },
  'slot.lanes': { name: 'Lanes really wired', how: 'Drop the machine’s lspci report.' },
  'slot.generation': { name: 'Generation', how: 'Drop the machine’s lspci report.' },
  'slot.opening': { name: 'Opening it faces', how: 'Count openings from the processor’s end.' },
  'slot.occupant': { name: 'What sits in it', how: 'Look.' },
  'case.bracket': {
    name: 'Bracket height',
    how: 'Measure a cover: about 120 mm is full, 79 mm low.',
  },
  'case.lengthRoomMm': {
    name: 'Room for length',
    how: 'Measure from the rear edge to the first thing in the way.',
  },
  'case.openings': { name: 'Openings', how: 'Count the covers at the back.' },
  'case.covers': { name: 'Kind of covers', how: 'Screwed, clipped, or snapped off: look.' },
  'system.family': { name: 'System', how: 'Start the machine and look, or ask.' },
  'system.version': {
    name: 'System version',
    how: 'Start the machine and look: 10, 11, kernel 6.1.',
  },
  'system.architecture': {
    name: 'Architecture',
    how: 'Nearly always x86-64; the system’s own page about itself says.',
  },
  'supply.twelveVoltWatts': {
    name: '12 V watts of the supply',
    how: 'Read the 12 V row on its label.',
  },
  'supply.baseWatts': {
    name: '12 V load already there',
    how: 'Add up processor, graphics, drives and fans.',
  },
  'supply.plugs': { name: 'Free plugs', how: 'Look at the leads of the supply.' },
  'path.cable': { name: 'Cable class', how: 'Read what is printed on the cable.' },
  'path.farEndMegabits': { name: 'Speeds of the far end', how: 'Read the label of the switch.' },
  'path.internetMegabits': { name: 'Internet plan', how: 'Ask, or read the bill.' },
};

export const WITNESS_WORDS: Readonly<Record<Witness, string>> = {
  registers: 'read from its registers',
  text: 'read from its report',
  template: 'from the template',
  technician: 'told by hand',
};

export const WITNESS_SHORT: Readonly<Record<Witness, string>> = {
  registers: 'registers',
  text: 'report',
  template: 'template',
  technician: 'by hand',
};
