/** Format 3 asks more of needs, cards, supply and firmware, and knows what the machine deserves. */
import { BLANK_MACHINE } from './blanks.ts';
import { slotOfFormat2 } from './format2.ts';
import { eachOf, filled, isPart, planWith, type Part, type Migration } from './part.ts';

function machineOfFormat3(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const pattern = BLANK_MACHINE;
  const room = (part: unknown) =>
    isPart(part) && isPart(part['frontLeads'])
      ? {
          ...part,
          frontLeads: {
            ...part['frontLeads'],
            value: eachOf(part['frontLeads']['value'], (lead) =>
              typeof lead === 'string' ? { type: lead } : lead,
            ),
          },
        }
      : part;
  return {
    headers: null,
    builtIn: null,
    ...machine,
    case: room(machine['case']),
    supply: filled(machine['supply'], pattern.supply),
    firmware: filled(machine['firmware'], pattern.firmware),
    slots: eachOf(machine['slots'], slotOfFormat2),
    enclosures: eachOf(machine['enclosures'], (box) =>
      isPart(box)
        ? { ...box, case: room(box['case']), supply: filled(box['supply'], pattern.supply) }
        : box,
    ),
  };
}

/** What needs of each kind were asked before format 3: the plainest of their kind. */
const NEEDS_OF_FORMAT_2: Readonly<Record<string, Part>> = {
  network: { ports: 1, features: [] },
  usb: { where: 'rear', typeC: false, milliamps: 0 },
  screens: { bitsPerColour: 8, input: null },
  wifi: { bands: [] },
  drives: { together: true, drive: 'any', bootable: false, systemDriver: false },
  sound: { inputs: 0, optical: false, front: false },
};

const needOfFormat3 = (need: unknown): unknown =>
  isPart(need)
    ? { weight: 3, group: '', ...NEEDS_OF_FORMAT_2[String(need['kind'])], ...need }
    : need;

/** What was not told of a card in format 2 is harmless here: a light card without fan, catches or start-up code. */
function cardOfFormat3(card: unknown): unknown {
  if (!isPart(card)) return card;
  const headers = Array.isArray(card['frontHeaders']) ? card['frontHeaders'] : [];
  return {
    weightGrams: 150,
    fan: null,
    supplyWatts: null,
    boardLeads: [],
    boot: 'none',
    windowMegabytes: 0,
    year: 2020,
    quirks: [],
    leadDays: null,
    ...card,
    frontHeaders: headers.map((each: unknown) =>
      typeof each === 'string' ? { type: each, atMm: 60 } : each,
    ),
    delivers: deliveryOfFormat3(card['delivers']),
  };
}

function deliveryOfFormat3(delivers: unknown): unknown {
  if (!isPart(delivers)) return delivers;
  const patterns: Readonly<Record<string, Part>> = {
    network: { features: [] },
    usb: { typeC: 0, milliamps: 900 },
    screens: { memoryGigabytes: 0, speedClass: 1, encodes: [] },
    wifi: { bands: [], aerials: 2 },
    drives: { ownPorts: delivers['ports'] },
    sound: { inputs: 0, optical: false },
  };
  return { ...patterns[String(delivers['kind'])], ...delivers };
}

export const toFormat3: Migration = {
  job: (job) => ({
    replacementCents: null,
    deservesPercent: 33,
    ...job,
    format: 3,
    machine: machineOfFormat3(job['machine']),
    needs: eachOf(job['needs'], needOfFormat3),
    plan: planWith(job['plan'], cardOfFormat3),
  }),
  machine: machineOfFormat3,
  card: cardOfFormat3,
};
