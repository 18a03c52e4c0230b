/** Format 2 tells more of machine, slots, supply and devices, and has photographs. */
import { BLANK_MACHINE, BLANK_OCCUPANT, BLANK_SLOT } from './blanks.ts';
import { eachOf, filled, isPart, planWith, type Migration } from './part.ts';

function machineOfFormat2(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const pattern = BLANK_MACHINE;
  return {
    ...pattern,
    ...machine,
    case: filled(machine['case'], pattern.case),
    supply: filled(machine['supply'], pattern.supply),
    system: filled(machine['system'], pattern.system),
    path: filled(machine['path'], pattern.path),
    boxes: eachOf(machine['boxes'], (box) => filled(box, { kind: 'other', moving: '' })),
    functions: eachOf(machine['functions'], (fn) =>
      filled(fn, { modules: null, resizableBar: null }),
    ),
    slots: eachOf(machine['slots'], slotOfFormat2),
  };
}

/** Cards of format 1 were all for PCI Express or for classic PCI of the usual key. */
const cardOfFormat2 = (card: unknown): unknown =>
  filled(card, {
    m2: null,
    keying: isPart(card) && card['bus'] === 'pci' ? 'universal' : null,
    needsSplit: false,
    frontHeaders: [],
  });

export function slotOfFormat2(slot: unknown): unknown {
  if (!isPart(slot)) return slot;
  const { occupant } = slot;
  return {
    ...BLANK_SLOT,
    ...slot,
    occupant:
      isPart(occupant) && isPart(occupant['value'])
        ? { ...occupant, value: filled(occupant['value'], BLANK_OCCUPANT) }
        : occupant,
  };
}

export const toFormat2: Migration = {
  job: (job) => ({
    ...job,
    format: 2,
    photos: [],
    machine: machineOfFormat2(job['machine']),
    plan: planWith(job['plan'], cardOfFormat2),
  }),
  machine: machineOfFormat2,
  card: cardOfFormat2,
};
