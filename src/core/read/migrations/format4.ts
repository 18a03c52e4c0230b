/** Format 4 tells of drives that work as one, of pins and weights, and of what is moved and bought beside cards. */
import { eachOf, filled, isPart, type Migration } from './part.ts';

const machineOfFormat4 = (machine: unknown): unknown =>
  isPart(machine)
    ? { ...machine, path: filled(machine['path'], { ownArray: null, farArray: null }) }
    : machine;

/** Each part counts as it is, but being behind the fastest card. */
export const WEIGHTS = {
  overBudget: 100,
  wishes: 100,
  shortfall: 100,
  disturbance: 100,
  air: 100,
  drivers: 100,
  wait: 100,
  unknown: 100,
  longSlot: 100,
  speedGap: 0,
};

export const toFormat4: Migration = {
  job: (job) => ({
    pins: [],
    weights: WEIGHTS,
    bought: [],
    ...job,
    format: 4,
    machine: machineOfFormat4(job['machine']),
    needs: eachOf(job['needs'], (need) =>
      isPart(need) && need['kind'] === 'network' ? { direction: 'to', ...need } : need,
    ),
    plan: filled(job['plan'], { moves: [], givenUp: [], extras: [] }),
  }),
  machine: machineOfFormat4,
};
