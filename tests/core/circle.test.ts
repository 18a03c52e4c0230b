/**
 * The whole circle on seeded machines: the machine reports, that is surveyed, planned, fitted task by task in a machine that refuses what
 * cannot be done; then it reports again, is measured, and shows what was expected. Between them stand only files.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import type { Generation } from '../../src/core/standards/index.ts';
import {
  type Job,
  type Machine,
  type Observation,
  actId,
  emptyJob,
} from '../../src/core/document/index.ts';
import type { Need } from '../../src/core/kinds/index.ts';
import { acceptanceOf, assemblyOf } from '../../src/core/assembly/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import {
  diagnoses,
  observeReport,
  observeResults,
  provenSteps,
  provings,
  reportOnPlan,
  runFrom,
} from '../../src/core/diagnosis/index.ts';
import { known, valueOf } from '../../src/core/parts/index.ts';
import { leftUndone, run, worldOf } from '../../src/core/simulator/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { readEvidence } from '../../src/core/read/index.ts';
import { steps } from '../../src/core/procedure/index.ts';
import { takeEvidence } from '../../src/core/survey/index.ts';
import { toInstall } from '../../src/core/drivers/index.ts';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { trainedIn } from '../../src/core/simulator/running/capacities.ts';
import {
  ddOf,
  ethtoolOf,
  fioOf,
  iperf3Of,
  lspciOf,
  slotNumber,
  slotsShown,
  type CardThere,
} from '../../src/core/simulator/running/reports.ts';
import {
  linkNow,
  measure,
  speedNow,
  type Running,
} from '../../src/core/simulator/running/running.ts';
import { cases, demoMachines, runningOf, type Case } from '../builders/faultyWorlds.ts';
import { PACKAGES } from '../builders/library.ts';
import { soaked } from '../builders/soak.ts';
import { AT, STAMP } from '../builders/parts.ts';
import { doneAt, seating } from '../builders/acts';

const SEED = Number(process.env['SEED'] ?? 20261128);
const COUNT = soaked(40, 300);

/** What the survey of a machine holds before its report is read: of its slots nobody told lanes, generation or what is in them. */
const unsurveyed = (machine: Machine): Machine => ({
  ...machine,
  functions: [],
  slots: machine.slots.map((slot) => {
    const number = slotNumber(machine, slot.id);
    return number === 0
      ? slot
      : {
          ...slot,
          number: known(number, 'technician'),
          port: null,
          lanes: null,
          generation: null,
          powerWatts: null,
        };
  }),
});

const cardsThere = (job: Job): readonly CardThere[] =>
  assemblyOf(job)
    .cards.filter(({ later }) => !later)
    .map(({ card, slot, driver }) => ({
      slotId: slot.id,
      card,
      link: trainedIn(card, slot),
      driver: driver.listedAs ?? (toInstall(driver) === null ? driver.ownDriver : null),
    }));

/** A machine of the demo whose slots are of other generations and lanes. */
const varied = fc.constantFrom(...demoMachines()).chain((demo) =>
  fc
    .array(fc.record({ generation: fc.integer({ min: 2, max: 4 }), halve: fc.boolean() }), {
      minLength: demo.machine.slots.length,
      maxLength: demo.machine.slots.length,
    })
    .chain((changes) =>
      fc.integer({ min: 1, max: 2 ** 31 }).map((seed) => ({
        ...demo,
        seed,
        machine: {
          ...demo.machine,
          slots: demo.machine.slots.map((slot, n) => {
            const { generation, halve } = changes[n]!;
            const lanes = valueOf(slot.lanes);
            return slot.bus !== 'pcie' || lanes === null || slot.generation === null
              ? slot
              : {
                  ...slot,
                  generation: known(generation as Generation, 'technician'),
                  lanes: known(halve && lanes > 4 ? lanes / 2 : lanes, 'technician'),
                };
          }),
        } satisfies Machine,
      })),
    ),
);

/** Runs as a tool prints them, three files. */
function filesOf(of: Case, running: Running): readonly string[] {
  const { need, flow } = of.expectation;
  if (flow?.unit !== 'B/s') return [];
  const direction =
    need.kind === 'drives'
      ? need.direction
      : need.kind === 'network' && need.direction === 'from'
        ? 'read'
        : 'write';
  const how = { what: 'large', direction, alone: false } as const;
  return measure(running, how, 3).map((rate) =>
    need.kind === 'drives' ? fioOf(rate, direction) : ddOf(rate),
  );
}

const later = (seconds: number): string => new Date(Date.parse(AT) + seconds * 1_000).toISOString();
const observing = (job: Job, observations: readonly Observation[]): Job =>
  apply(job, { name: 'observe', observations }, STAMP);
const reportOf = (content: string) => readEvidence([{ name: 'report.txt', content }]);

/** The survey as its report tells it; by the technician's word the cards are there that stand there. */
function surveyed(truth: Machine): Machine {
  const { machine } = takeEvidence(unsurveyed(truth), reportOf(lspciOf(truth, [])), CARDS);
  return {
    ...machine,
    slots: machine.slots.map((slot) => ({
      ...slot,
      occupant: truth.slots.find(({ id }) => id === slot.id)?.occupant ?? slot.occupant,
    })),
  };
}

/** Null where the plan places nothing. */
function planned(machine: Machine, needs: readonly Need[], title: string): Job | null {
  const begun: Job = {
    ...apply(emptyJob(title, AT), { name: 'takeTemplate', machine }, STAMP),
    needs,
  };
  const plan = proposePlan({ ...begun, cards: CARDS, extras: EXTRAS, library: PACKAGES });
  const accepted = { name: 'acceptPlan', ...acceptanceOf(plan, begun, PACKAGES) } as const;
  const job = apply(begun, accepted, STAMP);
  return job.plan!.placements.length === 0 ? null : job;
}

/** Every task is done in a machine that refuses what cannot be done. */
function fitted(job: Job): Job {
  const tasks = steps(job).filter(({ stage }) => stage === 'fit');
  const { refused, world } = run(worldOf(job, assemblyOf(job)), tasks);
  expect(refused, job.id).to.equal(null);
  expect(leftUndone(world), job.id).to.deep.equal([]);
  return tasks.reduce((soFar, of) => apply(soFar, { name: 'tickStep', of }, STAMP), job);
}

/** New cards in slots that a report of ports shows. */
const cardsShown = (job: Job, truth: Machine) => {
  const shown = new Set(slotsShown(truth).map(({ id }) => id));
  return assemblyOf(job).cards.filter(
    ({ slot, fromSlotId, later: waits }) => shown.has(slot.id) && fromSlotId === null && !waits,
  );
};

/** Each need as the files of tools have it; what may be of several needs is of this one, on the technician's word. */
const measured = (job: Job, seed: number): Job =>
  cases([job]).reduce(
    (soFar, of) =>
      filesOf(of, runningOf(of, [], seed)).reduce((before, content, n) => {
        const { observations, open } = observeResults(before, reportOf(content), later(n));
        const sure = observations.filter(({ kind }) => kind === 'run');
        const { need } = of.expectation;
        return observing(
          before,
          sure.length > 0
            ? sure
            : open.map(({ result }) => runFrom(before, need.id, result, later(n), n)),
        );
      }, soFar),
    job,
  );

describe(`The whole circle (seed ${SEED})`, () => {
  it(`closes on ${COUNT} machines: surveyed, planned, fitted, reported, measured as expected`, () => {
    let jobs = 0;
    let figures = 0;
    for (const world of fc.sample(varied, { numRuns: COUNT, seed: SEED })) {
      const { machine: truth, seed } = world;
      const machine = surveyed(truth);
      for (const { id, lanes, generation } of slotsShown(truth)) {
        const read = machine.slots.find((slot) => slot.id === id)!;
        expect(
          [valueOf(read.lanes), valueOf(read.generation)],
          `${world.title} ${id}`,
        ).to.deep.equal([valueOf(lanes), valueOf(generation)]);
      }
      const plan = planned(machine, world.needs, `${world.title}-${seed}`);
      if (plan === null) continue;
      jobs += 1;
      const done = fitted(plan);
      const seen = observing(
        done,
        observeReport(done, reportOf(lspciOf(truth, cardsThere(done))), AT),
      );
      const there = cardsShown(done, truth);
      for (const { card, differences } of reportOnPlan(seen))
        if (there.some(({ slot }) => slot.id === card.slot.id))
          expect(
            differences.filter(({ code }) => !code.startsWith('driver')),
            `${done.id} ${card.card.model}`,
          ).to.deep.equal([]);
      expect(provenSteps(seen).map(actId), done.id).to.include.members(
        steps(seen)
          .filter(
            ({ code, slotId }) =>
              code === 'checkLink' && there.some(({ slot }) => slot.id === slotId),
          )
          .map(({ id }) => id),
      );
      for (const { main, expectation } of provings(measured(seen, seed))) {
        if (main === null) continue;
        figures += 1;
        // Two hundredths of wobble, in the middle of three.
        const { low, high } = expectation.flow!;
        expect(main.median, `${done.id} ${expectation.need.id}`).to.be.within(
          low * 0.95,
          high * 1.05,
        );
      }
    }
    expect(jobs).to.be.greaterThan(COUNT / 2);
    expect(figures).to.be.greaterThan(COUNT / 3);
  });

  it('shows in the files of a machine with faults what its checks would answer', () => {
    const all = cases(demoMachines().map(({ job }) => job));
    const withCardIn = ({ job, expectation: { card } }: Case): Job => ({
      ...job,
      acts: [doneAt(AT, seating(card!.card, card!.slot.id))],
    });
    const seat = all.find(({ faults }) => faults.some(({ cause }) => cause === 'halfSeated'))!;
    const { slot } = seat.expectation.card!;
    const tilted = linkNow(runningOf(seat, [{ part: 'slotLink', cause: 'halfSeated' }], SEED));
    const there = cardsThere(seat.job).map((each) =>
      each.slotId === slot.id ? { ...each, link: tilted } : each,
    );
    const job = withCardIn(seat);
    const seen = observing(job, observeReport(job, reportOf(lspciOf(job.machine, there)), AT));
    const shown = reportOnPlan(seen).find(({ card }) => card.slot.id === slot.id)!;
    expect(shown.differences.map(({ code }) => code)).to.include('linkNarrower');

    const wired = all.find(({ expectation: { need } }) => need.kind === 'network')!;
    const slow = runningOf(wired, [{ part: 'wire 0', cause: 'leadPoor' }], SEED);
    const [rate] = measure(slow, { what: 'wire', direction: 'write', alone: false }, 1);
    const { observations } = observeResults(
      withCardIn(wired),
      readEvidence([
        { name: 'port', content: ethtoolOf('lan0', speedNow(slow, 0)) },
        { name: 'wire', content: iperf3Of(rate!, false) },
      ]),
      AT,
    );
    expect(observations.map(({ kind }) => kind)).to.deep.equal(['run', 'reading']);
    expect(diagnoses(observing(withCardIn(wired), observations)).size).to.equal(1);
  });
});
