/** Format 10 knows loop leads, drives by their records wherever they are named, what fitting has to know of a case, rounds of fitting, and what each task took. / */
import { BLANK_CASE, BLANK_DRIVE } from './blanks.ts';
import { eachOf, filled, isPart, planWith, type Migration } from './part.ts';

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
  const drive = { ...BLANK_DRIVE, id: String(observation['id']), gigabytes, serial };
  return { ...observation, value: { drive, ...rest } };
}

const cardOfFormat10 = (card: unknown): unknown => filled(card, { moduleCover: false });

function machineOfFormat10(machine: unknown): unknown {
  if (!isPart(machine)) return machine;
  const room = (one: unknown): unknown => filled(one, BLANK_CASE);
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

export const toFormat10: Migration = {
  job: (job) => ({
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
  machine: machineOfFormat10,
  card: cardOfFormat10,
};
