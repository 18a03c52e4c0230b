/** What lists are keyed by stands once in each, across needs, boxes and rounds: a list with a key twice cannot be drawn. */
import { expect } from 'chai';
import { decisiveFacts } from '$core/rules';
import { driverStates } from '$core/diagnosis';
import { housings } from '$core/placement';
import { steps } from '$core/procedure';
import type { Job } from '$core/document';
import { workRows } from '../../src/lib/stages/survey/worklist.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { plannedJobs } from '../builders/faultyWorlds.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { PACKAGES } from '../builders/library.ts';
import { soaked } from '../builders/soak.ts';
import { twoArraysJob } from '../builders/twoArrays.ts';

const SEED = Number(process.env['SEED'] ?? 20261201);
const COUNT = soaked(40, 1_000);

const LISTS: Readonly<Record<string, (job: Job) => readonly (string | null)[]>> = {
  steps: (job) => steps(job).map(({ id }) => id),
  'facts that are not known': (job) =>
    workRows(decisiveFacts(job.machine, job.needs, CARDS, PACKAGES), job.machine).map(
      ({ key }) => key,
    ),
  housings: (job) => housings(job.machine).map(({ id }) => id),
  'drives wanted': ({ needs }) =>
    needs.flatMap((need) => (need.kind === 'drives' ? need.these.map(({ id }) => id) : [])),
  'devices with their drivers': (job) => driverStates(job).map(({ id }) => id),
};

describe(`Keys (seed ${SEED})`, () => {
  const jobs = [...plannedJobs(), ...fittingJobs(COUNT, SEED), twoArraysJob().job];
  for (const [list, keysOf] of Object.entries(LISTS))
    it(`of ${list} stand once each, in ${COUNT} jobs and those of the demo`, () => {
      let keys = 0;
      for (const job of jobs) {
        const all = keysOf(job);
        keys += all.length;
        expect(new Set(all).size, `${job.id}: ${all.join(' ')}`).to.equal(all.length);
      }
      expect(keys).to.be.greaterThan(20);
    });
});
