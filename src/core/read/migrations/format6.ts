/** Format 6 keeps what is observed apart from the survey, and calls things by their trade names. */
import { WEIGHTS } from './format4.ts';
import { BLANK_OCCUPANT, BLANK_SCREEN, BLANK_SLOT } from './blanks.ts';
import {
  claimed,
  eachOf,
  filled,
  isPart,
  planWith,
  renamed,
  type Part,
  type Migration,
} from './part.ts';

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
    screens: eachOf(machine['screens'], (screen) => filled(screen, BLANK_SCREEN)),
  });
}

function slotOfFormat6(before: unknown): unknown {
  const { hotPlug, cardLength, sharesOpening } = BLANK_SLOT;
  const slot = filled(before, { hotPlug, cardLength, sharesOpening });
  if (!isPart(slot)) return slot;
  return { ...slot, occupant: claimed(slot['occupant'], occupantOfFormat6) };
}

function occupantOfFormat6(before: unknown): unknown {
  const { watts, plugs, frontLeads } = BLANK_OCCUPANT;
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

const SUPPLY_OF_FORMAT_6 = { plugsInUse: null };

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

const cardOfFormat6 = (card: unknown): unknown =>
  isPart(card) ? { plates: 0, ...card, delivers: deliveryOfFormat6(card['delivers']) } : card;

function planOfFormat6(plan: unknown): unknown {
  const changed = filled(planWith(plan, cardOfFormat6), { unmet: [], met: [] });
  return isPart(changed)
    ? {
        ...changed,
        packages: eachOf(changed['packages'], (each) => filled(each, { hotPlug: null })),
      }
    : changed;
}

/** Carriers of SATA modules were not told apart; ports of the board carry none. */
const deliveryOfFormat6 = (delivers: unknown): unknown =>
  isPart(delivers) && delivers['kind'] === 'drives' ? { sataModules: 0, ...delivers } : delivers;

/** What needs of each kind were not asked before: a port was wanted in its mode, whatever it carried. */
const NEEDS_OF_FORMAT_5: Readonly<Record<string, Part>> = {
  network: { team: 'none' },
  serialLink: { bytesPerSecond: 1e6 },
  drives: { medium: 'solidState', array: 'single', direction: 'read' },
};

const needOfFormat6 = (need: unknown): unknown =>
  isPart(need) ? { ...NEEDS_OF_FORMAT_5[String(need['kind'])], ...need } : need;

const DISPOSITIONS_OF_FORMAT_6: Readonly<Record<string, string>> = {
  mayGo: 'optional',
  goes: 'remove',
};

const COMMANDS_OF_FORMAT_6: Readonly<Record<string, string>> = {
  recordReading: 'observe',
  removeReading: 'removeObservation',
};

const stepOfFormat6 = (step: string): string => step.replace(/^moveBox\b/, 'moveObstacle');

export const toFormat6: Migration = {
  job: ({ readings, ...job }) => ({
    ...job,
    format: 6,
    machine: machineOfFormat6(job['machine']),
    needs: eachOf(job['needs'], needOfFormat6),
    weights: filled(renamed(job['weights'], { pace: 'speedGap' }), WEIGHTS),
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
  machine: machineOfFormat6,
  card: cardOfFormat6,
};
