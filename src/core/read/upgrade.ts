/**
 * Brings a job document of an older format up to today's, one format at a time. Only what a format added is
 * filled in, with “not known”; whether the rest is sound is asked afterwards, as of any document.
 */
import { actsOfTicks, entryOfFormat13 } from './actsOfFormat12.ts';
import { PLAIN_WAYS } from '../parts/driverPackage.ts';
import { DESERVES_PERCENT, JOB_FORMAT } from '../parts/job.ts';
import { emptyDrive } from '../parts/drive.ts';
import { Need, unitsNeeded } from '../parts/need.ts';
import { PLAIN_RUN } from '../parts/run.ts';
import { PLAIN_WEIGHTS } from '../parts/planning.ts';
import { directHops, emptyAccessPoint, emptyPath } from '../parts/networkPath.ts';
import {
  emptyCase,
  emptyMachine,
  emptyScreen,
  emptySlot,
  occupantNamed,
} from '../parts/machine.ts';

type Part = Readonly<Record<string, unknown>>;

const isPart = (value: unknown): value is Part =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A part with whatever it lacks taken from `pattern`; anything else is left for the check to refuse. */
const filled = (part: unknown, pattern: Part): unknown =>
  isPart(part) ? { ...pattern, ...part } : part;

const eachOf = (list: unknown, change: (each: unknown) => unknown): unknown =>
  Array.isArray(list) ? list.map(change) : list;

/** Steps by the format they start from. */
const STEPS: Readonly<Record<number, (job: Part) => Part>> = {
  /** Format 2 tells more of machine, slots, supply and devices, and has photographs. */
  1: (job) => ({
    ...job,
    format: 2,
    photos: [],
    machine: machineOfFormat2(job['machine']),
    plan: planWith(job['plan'], cardOfFormat2),
  }),
  /** Format 3 asks more of needs, cards, supply and firmware, and knows what the machine deserves. */
  2: (job) => ({
    replacementCents: null,
    deservesPercent: DESERVES_PERCENT,
    ...job,
    format: 3,
    machine: machineOfFormat3(job['machine']),
    needs: eachOf(job['needs'], needOfFormat3),
    plan: planWith(job['plan'], cardOfFormat3),
  }),
  /** Format 4 tells of drives that work as one, of pins and weights, and of what is moved and bought beside cards. */
  3: (job) => ({
    pins: [],
    weights: PLAIN_WEIGHTS,
    bought: [],
    ...job,
    format: 4,
    machine: machineOfFormat4(job['machine']),
    needs: eachOf(job['needs'], (need) =>
      isPart(need) && need['kind'] === 'network' ? { direction: 'to', ...need } : need,
    ),
    plan: filled(job['plan'], { moves: [], givenUp: [], extras: [] }),
  }),
  /** From format 5 on every reference leads somewhere; what led nowhere is dropped once the rest is found sound. */
  4: (job) => ({ ...job, format: 5 }),
  /** Format 6 keeps what is observed apart from the survey, and calls things by their trade names. */
  5: ({ readings, ...job }) => ({
    ...job,
    format: 6,
    machine: machineOfFormat6(job['machine']),
    needs: eachOf(job['needs'], needOfFormat6),
    weights: filled(renamed(job['weights'], { pace: 'speedGap' }), PLAIN_WEIGHTS),
    plan: planOfFormat6(job['plan']),
    observations: eachOf(readings ?? [], observationOfFormat6),
    ticks: isPart(job['ticks'])
      ? Object.fromEntries(
          Object.entries(job['ticks']).map(([step, at]) => [stepOfFormat6(step), at]),
        )
      : job['ticks'],
    log: eachOf(job['log'], (entry) =>
      isPart(entry)
        ? { ...entry, command: COMMANDS_OF_FORMAT_6[String(entry['command'])] ?? entry['command'] }
        : entry,
    ),
  }),
  /** From format 7 on a package says by what it drives a device; until then it was a list of its devices. */
  6: (job) => ({
    packages: [],
    driverWays: PLAIN_WAYS,
    ...job,
    format: 7,
    plan: isPart(job['plan'])
      ? { ...job['plan'], packages: eachOf(job['plan']['packages'], packageOfFormat7) }
      : job['plan'],
  }),
  /** Format 8 knows the network path device by device, what is in boxes and what is said of cards, what ports and slots take. */
  7: (job) => ({
    ...job,
    format: 8,
    machine: machineOfFormat8(job['machine']),
    needs: eachOf(job['needs'], needOfFormat8),
    plan: planWith(job['plan'], cardOfFormat8),
  }),
  /** Format 9 knows drives as things, bays by their size, what is for later, a second system, how the machine came. */
  8: (job) => ({
    ...job,
    format: 9,
    machine: machineOfFormat9(job['machine']),
    needs: eachOf(job['needs'], needOfFormat9),
    plan: filled(planWith(job['plan'], cardOfFormat9), { later: [] }),
  }),
  /**
   * Format 10 knows loop leads, drives by their records wherever they are named, what fitting has to know of a case, rounds
   * of fitting, and what each task took.
   */
  9: (job) => ({
    benchTest: null,
    staticWay: null,
    spentSeconds: {},
    ...job,
    format: 10,
    machine: machineOfFormat10(job['machine']),
    needs: eachOf(job['needs'], needOfFormat10),
    plan: filled(planWith(job['plan'], cardOfFormat10), { staged: [] }),
    observations: eachOf(job['observations'], observationOfFormat10),
  }),
  /** Format 11 keeps each measurement by itself, with how it was made. */
  10: (job) => ({
    ...job,
    format: 11,
    observations: eachOf(job['observations'], observationOfFormat11),
  }),
  /** From format 12 on no two drives of a job have one id. */
  11: (job) => ({ ...drivesOfFormat12(job), format: 12 }),
  /** Format 13 keeps what is done as records, where it was ticked by strings until then. */
  12: ({ ticks, spentSeconds, ...job }) => ({
    ...job,
    format: 13,
    acts: actsOfTicks({ ...job, ticks, spentSeconds }),
    log: eachOf(job['log'], (entry) => entryOfFormat13(entry, job['machine'])),
  }),
  /** Format 14 knows leads inside the machine by their ends, and parts of the machine that are not in it yet. */
  13: (job) => ({
    ...job,
    format: 14,
    machine: machineOfFormat14(job['machine']),
    benchTest: isPart(job['benchTest'])
      ? { ...job['benchTest'], machine: machineOfFormat14(job['benchTest']['machine']) }
      : job['benchTest'],
    acts: Array.isArray(job['acts']) ? actsOfFormat14(job['acts'], job['needs']) : job['acts'],
  }),
};

const machineOfFormat14 = (machine: unknown): unknown => filled(machine, { leads: [], toFit: [] });

/** Acts that were two in one: whoever said that it was done had done both ends. */
const BOTH_ENDS: Readonly<Record<string, string>> = {
  joinDrives: 'joinDriveEnds',
  joinRibbon: 'joinJack',
  joinHeader: 'joinOwnEnd',
};
/** Done to the drives of a need, whatever they hang on. */
const OF_DRIVES: readonly string[] = ['mountDrives', 'joinDriveEnds', 'feedDrives'];

/** @param acts as format 13 has them */
function actsOfFormat14(acts: readonly unknown[], needs: unknown): readonly unknown[] {
  const both = acts.flatMap((act) => {
    const other = isPart(act) ? BOTH_ENDS[String(act['code'])] : undefined;
    return isPart(act) && other !== undefined
      ? [act, { ...act, code: other, seconds: null }]
      : [act];
  });
  const seen = new Set<string>();
  return both.flatMap((act) => {
    if (!isPart(act) || !isPart(act['on']) || !OF_DRIVES.includes(String(act['code'])))
      return [act];
    const { need } = act['on'];
    const name = `${String(act['code'])} ${String(need)} ${String(act['round'])}`;
    if (seen.has(name)) return [];
    seen.add(name);
    const number = drivesOfNeed(needs, need);
    return [{ ...act, on: number > 1 ? { need, number } : { need } }];
  });
}

/** How many a need asks; one where that cannot be read. */
function drivesOfNeed(needs: unknown, id: unknown): number {
  const found: unknown = Array.isArray(needs)
    ? needs.find((each) => isPart(each) && each['id'] === id)
    : undefined;
  const need = Need.safeParse(found);
  return need.success ? unitsNeeded(need.data) : 1;
}

/** A figure was one number a need; nobody said what was copied. */
const observationOfFormat11 = (observation: unknown): unknown =>
  isPart(observation) && observation['kind'] === 'figure'
    ? {
        ...observation,
        ...PLAIN_RUN,
        kind: 'run',
        id: String(observation['id']).replace('figure', 'run').slice(0, 64),
      }
    : observation;

const needOfFormat9 = (need: unknown): unknown =>
  isPart(need)
    ? { manners: [], later: false, ...(need['kind'] === 'drives' ? { these: [] } : {}), ...need }
    : need;

const cardOfFormat9 = (card: unknown): unknown =>
  isPart(card)
    ? {
        manners: [],
        ...card,
        statements: eachOf(card['statements'] ?? [], (each) => filled(each, { card: '' })),
      }
    : card;

/** A report may know a card by the name of its slot, and a drive is a thing of its own. */
function observationOfFormat10(observation: unknown): unknown {
  if (!isPart(observation) || !isPart(observation['value'])) return observation;
  const { kind, value } = observation;
  if (kind === 'device') {
    const { address, ...rest } = value;
    return { ...observation, value: { place: address, ...rest } };
  }
  if (kind !== 'drive') return observation;
  const { serial, gigabytes, ...rest } = value;
  const drive = { ...emptyDrive(String(observation['id']), 0), gigabytes, serial };
  return { ...observation, value: { drive, ...rest } };
}

const cardOfFormat10 = (card: unknown): unknown => filled(card, { moduleCover: false });

function machineOfFormat10(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const room = (one: unknown): unknown => filled(one, emptyCase());
  return {
    ...machine,
    case: room(machine['case']),
    slots: eachOf(machine['slots'], (slot) => filled(slot, { latch: null })),
    enclosures: eachOf(machine['enclosures'], (box) =>
      isPart(box) ? { ...box, case: room(box['case']) } : box,
    ),
  };
}

const needOfFormat10 = (need: unknown): unknown =>
  isPart(need) && need['kind'] === 'screens' ? { into: 'screen', ...need } : need;

/** Bays were counted, whatever their size: all of the usual one. */
const baysOfFormat9 = (bays: unknown): unknown =>
  claimed(bays, (count) =>
    typeof count === 'number' ? (count === 0 ? [] : [{ size: '3.5', count }]) : count,
  );

const roomOfFormat9 = (room: unknown): unknown =>
  isPart(room) ? { ...room, bays: baysOfFormat9(room['bays'] ?? null) } : room;

function machineOfFormat9(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  return {
    secondSystem: null,
    damage: [],
    ...machine,
    case: roomOfFormat9(machine['case']),
    enclosures: eachOf(machine['enclosures'], (box) =>
      isPart(box) ? { ...box, case: roomOfFormat9(box['case']) } : box,
    ),
    slots: eachOf(machine['slots'], (slot) =>
      isPart(slot)
        ? {
            ...slot,
            occupant: claimed(slot['occupant'], (occupant) =>
              filled(occupant, { hotPlug: null, heightMm: null }),
            ),
          }
        : slot,
    ),
  };
}

/** What needs of each kind were not asked before format 8. */
const NEEDS_OF_FORMAT_7: Readonly<Record<string, Part>> = {
  network: { encrypted: false },
  usb: { device: null, deviceSignalling: '3.2-1' },
  drives: { usableGigabytes: 0, driveGigabytes: 4_000, usedDrives: false },
};
const needOfFormat8 = (need: unknown): unknown =>
  isPart(need) ? { backing: 'none', ...NEEDS_OF_FORMAT_7[String(need['kind'])], ...need } : need;

/** Format 8 tells of the network path device by device; until then it was one lead to a far end. */
function machineOfFormat8(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  return {
    accessPoint: emptyAccessPoint(),
    ...machine,
    builtIn: claimed(machine['builtIn'], (all) => eachOf(all, deliveryOfFormat8)),
    path: pathOfFormat8(machine['path']),
    slots: eachOf(machine['slots'], (slot) => filled(slot, { state: null })),
  };
}

function pathOfFormat8(path: unknown): unknown {
  if (!isPart(path)) return path;
  const { cable = null, cableMetres = null, farEndMegabits = null, ...rest } = path;
  const hops = directHops().map((hop) => ({
    ...hop,
    portMegabits: farEndMegabits,
    leads: hop.leads.map((lead) => ({ ...lead, cable, metres: cableMetres })),
  }));
  return { ...emptyPath(), ...rest, ...('cable' in path || !('hops' in path) ? { hops } : {}) };
}

const deliveryOfFormat8 = (delivers: unknown): unknown =>
  isPart(delivers) && delivers['kind'] === 'network' ? { medium: 'copper', ...delivers } : delivers;
const cardOfFormat8 = (card: unknown): unknown =>
  isPart(card)
    ? {
        contents: [],
        chip: '',
        statements: [],
        returnDays: null,
        ...card,
        delivers: deliveryOfFormat8(card['delivers']),
      }
    : card;

const packageOfFormat7 = (each: unknown): unknown => {
  if (!isPart(each)) return each;
  const { inbox, deviceIds, systems, ...rest } = each;
  return {
    ...rest,
    channel: inbox === true ? 'system' : 'recommended',
    says: { kind: 'listed', deviceIds, systems },
    installer: null,
    firmware: null,
    bootParameter: null,
    files: [],
  };
};

/** The first format in which every reference leads somewhere. */
export const FIRST_WITHOUT_DANGLING = 5;

export function upgradedJob(record: unknown): unknown {
  if (!isPart(record)) return record;
  let job = record;
  for (let format = Number(job['format']); format < JOB_FORMAT; format += 1) {
    const step = STEPS[format];
    if (step === undefined) return record;
    job = step(job);
  }
  return job;
}

/** Drives were told apart need by need: of two of one id the later is given one of its own, and what was named of it follows. */
function drivesOfFormat12(job: Part): Part {
  const needs = job['needs'];
  if (!Array.isArray(needs)) return job;
  const drivesOf = (need: unknown): readonly unknown[] =>
    isPart(need) && Array.isArray(need['these']) ? need['these'] : [];
  const taken = new Set(needs.flatMap(drivesOf).map((drive) => isPart(drive) && drive['id']));
  const seen = new Set<unknown>();
  /** By the serial number that they were named by. */
  const fresh = new Map<unknown, string>();
  const told = (drive: unknown): unknown => {
    if (!isPart(drive)) return drive;
    const { id, serial } = drive;
    if (!seen.has(id)) {
      seen.add(id);
      return drive;
    }
    let n = 1;
    while (taken.has(`drive-${n}`)) n += 1;
    taken.add(`drive-${n}`);
    if (serial !== '') fresh.set(serial, `drive-${n}`);
    return { ...drive, id: `drive-${n}` };
  };
  return {
    ...job,
    needs: needs.map((need) =>
      isPart(need) && Array.isArray(need['these'])
        ? { ...need, these: need['these'].map(told) }
        : need,
    ),
    observations: eachOf(job['observations'], (each) => {
      const value = isPart(each) && each['kind'] === 'drive' ? each['value'] : null;
      const drive = isPart(value) ? value['drive'] : null;
      const id = isPart(drive) ? fresh.get(drive['serial']) : undefined;
      return isPart(each) && isPart(value) && isPart(drive) && id !== undefined
        ? { ...each, value: { ...value, drive: { ...drive, id } } }
        : each;
    }),
  };
}

/** A machine or card of a kept list that bears no format: whatever it lacks is filled in; what it has stays. */
export const upgradedMachine = (machine: unknown): unknown =>
  machineOfFormat14(
    machineOfFormat10(
      machineOfFormat9(
        machineOfFormat8(
          machineOfFormat6(machineOfFormat4(machineOfFormat3(machineOfFormat2(machine)))),
        ),
      ),
    ),
  );
export const upgradedCard = (card: unknown): unknown =>
  cardOfFormat10(cardOfFormat9(cardOfFormat8(cardOfFormat6(cardOfFormat3(cardOfFormat2(card))))));

/** A part with some of its fields under other names. */
const renamed = (part: unknown, names: Readonly<Record<string, string>>): unknown =>
  isPart(part)
    ? Object.fromEntries(
        Object.entries(part).map(([key, value]) => [
          Object.hasOwn(names, key) ? names[key] : key,
          value,
        ]),
      )
    : part;

const DISPOSITIONS_OF_FORMAT_6: Readonly<Record<string, string>> = {
  mayGo: 'optional',
  goes: 'remove',
};
const COMMANDS_OF_FORMAT_6: Readonly<Record<string, string>> = {
  recordReading: 'observe',
  removeReading: 'removeObservation',
};

const stepOfFormat6 = (step: string): string => step.replace(/^moveBox\b/, 'moveObstacle');

/** What needs of each kind were not asked before: a port was wanted in its mode, whatever it carried. */
const NEEDS_OF_FORMAT_5: Readonly<Record<string, Part>> = {
  network: { team: 'none' },
  serialLink: { bytesPerSecond: 1e6 },
  drives: { medium: 'solidState', array: 'single', direction: 'read' },
};

const needOfFormat6 = (need: unknown): unknown =>
  isPart(need) ? { ...NEEDS_OF_FORMAT_5[String(need['kind'])], ...need } : need;

/** Carriers of SATA modules were not told apart; ports of the board carry none. */
const deliveryOfFormat6 = (delivers: unknown): unknown =>
  isPart(delivers) && delivers['kind'] === 'drives' ? { sataModules: 0, ...delivers } : delivers;

function planOfFormat6(plan: unknown): unknown {
  const changed = filled(planWith(plan, cardOfFormat6), { unmet: [], met: [] });
  return isPart(changed)
    ? {
        ...changed,
        packages: eachOf(changed['packages'], (each) => filled(each, { hotPlug: null })),
      }
    : changed;
}

const cardOfFormat6 = (card: unknown): unknown =>
  isPart(card) ? { plates: 0, ...card, delivers: deliveryOfFormat6(card['delivers']) } : card;

/** A reading was a figure that the technician entered for a need, when the cards were in. */
const observationOfFormat6 = (reading: unknown): unknown =>
  isPart(reading)
    ? {
        id: `figure-${String(reading['needId'])}`,
        kind: 'figure',
        subject: { needId: reading['needId'] },
        value: reading['value'],
        source: 'technician',
        at: reading['takenAt'],
        phase: 'after',
        conditions: '',
      }
    : reading;

const SUPPLY_OF_FORMAT_6 = { plugsInUse: null };

function machineOfFormat6(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const { boxes, ...rest } = machine;
  return sourced({
    ...rest,
    builtIn: claimed(machine['builtIn'], (all) => eachOf(all, deliveryOfFormat6)),
    supply: filled(machine['supply'], SUPPLY_OF_FORMAT_6),
    enclosures: eachOf(machine['enclosures'], (box) =>
      isPart(box) ? { ...box, supply: filled(box['supply'], SUPPLY_OF_FORMAT_6) } : box,
    ),
    obstacles: boxes ?? machine['obstacles'],
    slots: eachOf(machine['slots'], slotOfFormat6),
    screens: eachOf(machine['screens'], (screen) => filled(screen, emptyScreen('', ''))),
  });
}

function slotOfFormat6(before: unknown): unknown {
  const { hotPlug, cardLength, sharesOpening } = emptySlot('', '');
  const slot = filled(before, { hotPlug, cardLength, sharesOpening });
  if (!isPart(slot)) return slot;
  return { ...slot, occupant: claimed(slot['occupant'], occupantOfFormat6) };
}

/** A fact with its value changed, and what others say of it. */
function claimed(fact: unknown, change: (value: unknown) => unknown): unknown {
  if (!isPart(fact)) return fact;
  const told = (claim: unknown) =>
    isPart(claim) ? { ...claim, value: change(claim['value']) } : claim;
  return {
    ...(told(fact) as Part),
    ...('others' in fact ? { others: eachOf(fact['others'], told) } : {}),
  };
}

function occupantOfFormat6(before: unknown): unknown {
  const { watts, plugs, frontLeads } = occupantNamed('');
  const occupant = filled(before, { watts, plugs, frontLeads });
  if (!isPart(occupant) || !('fate' in occupant)) return occupant;
  const { fate, ...rest } = occupant;
  return { ...rest, disposition: DISPOSITIONS_OF_FORMAT_6[String(fate)] ?? fate };
}

/** No fact of a machine lies deeper; a damaged document may. */
const DEEPEST_FACT = 24;

/** Every fact of a part under it, with its source called so. */
function sourced(part: unknown, depth = 0): unknown {
  if (depth > DEEPEST_FACT) return part;
  if (Array.isArray(part)) return part.map((each) => sourced(each, depth + 1));
  if (!isPart(part)) return part;
  const inner = Object.fromEntries(
    Object.entries(part).map(([key, each]) => [key, sourced(each, depth + 1)]),
  );
  return 'witness' in inner ? renamed(inner, { witness: 'source' }) : inner;
}

const machineOfFormat4 = (machine: unknown): unknown =>
  isPart(machine)
    ? { ...machine, path: filled(machine['path'], { ownArray: null, farArray: null }) }
    : machine;

function machineOfFormat2(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const pattern = emptyMachine();
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

/** A plan with each of its cards changed. */
function planWith(plan: unknown, change: (card: unknown) => unknown): unknown {
  if (!isPart(plan)) return plan;
  const changed = (each: unknown) =>
    isPart(each) ? { ...each, card: change(each['card']) } : each;
  return {
    ...plan,
    placements: eachOf(plan['placements'], changed),
    ...('moves' in plan ? { moves: eachOf(plan['moves'], changed) } : {}),
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

function slotOfFormat2(slot: unknown): unknown {
  if (!isPart(slot)) return slot;
  const { occupant } = slot;
  return {
    ...emptySlot('', ''),
    ...slot,
    occupant:
      isPart(occupant) && isPart(occupant['value'])
        ? { ...occupant, value: filled(occupant['value'], occupantNamed('')) }
        : occupant,
  };
}

function machineOfFormat3(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const pattern = emptyMachine();
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
