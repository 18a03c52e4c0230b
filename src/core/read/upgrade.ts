/**
 * Brings a job document of an older format up to today's, one format at a time. Only what a format added is
 * filled in, with “not known”; whether the rest is sound is asked afterwards, as of any document.
 */
import { JOB_FORMAT } from '../parts/job.ts';
import { emptyMachine, emptySlot, occupantNamed } from '../parts/machine.ts';

type Part = Readonly<Record<string, unknown>>;

const isPart = (value: unknown): value is Part =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A part with whatever it lacks taken from `pattern`; anything else is left for the check to refuse. */
const filled = (part: unknown, pattern: Part): unknown =>
  isPart(part) ? { ...pattern, ...part } : part;

/** Steps by the format they start from. */
const STEPS: Readonly<Record<number, (job: Part) => Part>> = {
  /** Format 2 tells more of machine, slots, supply and devices, and has photographs. */
  1: (job) => ({
    ...job,
    format: 2,
    photos: [],
    machine: machineOfFormat2(job['machine']),
    plan: planOfFormat2(job['plan']),
  }),
};

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

/** The same for a file around a job. */
export function upgradedFile(file: unknown, format: number): unknown {
  if (!isPart(file) || format >= JOB_FORMAT) return file;
  return { ...file, format: JOB_FORMAT, job: upgradedJob(file['job']) };
}

function machineOfFormat2(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const pattern = emptyMachine();
  const eachOf = (list: unknown, change: (each: unknown) => unknown) =>
    Array.isArray(list) ? list.map(change) : list;
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
function planOfFormat2(plan: unknown): unknown {
  if (!isPart(plan) || !Array.isArray(plan['placements'])) return plan;
  const cardOf = (card: unknown) =>
    filled(card, {
      m2: null,
      keying: isPart(card) && card['bus'] === 'pci' ? 'universal' : null,
      needsSplit: false,
      frontHeaders: [],
    });
  return {
    ...plan,
    placements: plan['placements'].map((each: unknown) =>
      isPart(each) ? { ...each, card: cardOf(each['card']) } : each,
    ),
  };
}

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
