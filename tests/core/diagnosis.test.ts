/**
 * Diagnosis against machines with hidden faults, over all demo machines and kinds of needs. What parts carry and how they fail is
 * reckoned in the simulated machine by code of its own; frequencies and minutes are common practice, no source.
 */
import { expect } from 'chai';
import * as fc from 'fast-check';
import { CAUSES, CHECKS, type Check } from '../../src/core/standards/index.ts';
import { PLAIN_RUN } from '../../src/core/parts/index.ts';
import {
  answeredCheck,
  enteredRun,
  foundCause,
  actId,
  isDone,
} from '../../src/core/document/index.ts';
import { apply, type Command } from '../../src/core/commands/index.ts';
import { checkCautions, mendOf, steps } from '../../src/core/procedure/index.ts';
import {
  componentsOf,
  diagnoses,
  possibleAnswers,
  provings,
  reasonsFor,
  ruledOut,
  testOf,
  type Observed,
} from '../../src/core/diagnosis/index.ts';
import { handOverSheet } from '../../src/core/write/index.ts';
import { problemsOf } from '../../src/core/read/index.ts';
import { explanationsOf } from '../../src/core/diagnosis/causes/explanations.ts';
import { bestQuestion, type Question } from '../../src/core/diagnosis/causes/nextCheck.ts';
import { measure } from '../../src/core/simulator/running/running.ts';
import type { Fault } from '../../src/core/kinds/running.ts';
import {
  cases,
  course,
  faultyWorlds,
  howMeasured,
  plannedJobs,
  usualOrder,
  type Course,
} from '../builders/faultyWorlds.ts';
import { AT, STAMP } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261128);
const ALL = cases(plannedJobs());
const byFrequency = ({ cause }: Fault): number => CAUSES[cause].perThousand;
const alike = (): number => 1;

const share = <Each>(list: readonly Each[], is: (each: Each) => boolean): number =>
  list.filter(is).length / list.length;
const mean = (list: readonly number[]): number =>
  list.reduce((sum, each) => sum + each, 0) / list.length;

/** Courses of worlds whose faults are felt at all, each with what is wrong and the same by the usual checklist. */
const coursesOf = (count: number, faults: 1 | 2, seed: number, weight: typeof byFrequency) =>
  faultyWorlds(ALL, count, faults, seed, weight)
    .map(({ of, running }) => ({
      faults: running.faults,
      asked: course(of, running),
      usual: course(of, running, usualOrder),
    }))
    .filter(({ asked }) => asked.named.length > 0 || asked.end !== 'fine');

const isTrue = (faults: readonly Fault[], { named }: Course): boolean =>
  named.length > 0 &&
  named.every((causes) =>
    causes.every((each) =>
      faults.some(({ part, cause }) => part === each.part && cause === each.cause),
    ),
  );

describe(`Diagnosis (seed ${SEED})`, () => {
  it('knows of every need the same faults as the machine that has them', () => {
    for (const { job, expectation, faults } of ALL) {
      const known = componentsOf(expectation, job).flatMap(({ id, fallBacks }) =>
        fallBacks.map(({ cause }) => `${id} ${cause}`),
      );
      expect(known, `${job.id} ${expectation.need.id}`).to.have.members(
        faults.map(({ part, cause }) => `${part} ${cause}`),
      );
    }
    expect(ALL.length).to.be.greaterThan(30);
  });

  it('expects what a healthy machine shows, and names no fault of it', () => {
    const worlds = faultyWorlds(ALL, soaked(200, 500), 0, SEED, alike);
    for (const { of, running } of worlds) {
      const { flow, need } = of.expectation;
      const middle = measure(running, howMeasured(of.expectation), 3).toSorted((a, b) => a - b)[1]!;
      // Two hundredths of wobble, in the middle of three.
      expect(middle, `${of.job.id} ${need.id} ${running.seed}`).to.be.within(
        flow!.low * 0.95,
        flow!.high * 1.05,
      );
    }
    const quiet = share(worlds, ({ of, running }) => course(of, running).named.length === 0);
    expect(quiet).to.be.at.least(0.98);
  });

  for (const [faults, weight, name, count, whole, first, firstTwo] of [
    [1, byFrequency, 'one fault', 150, 1_000, 0.95, 0.99],
    [2, byFrequency, 'two faults', 120, 500, 0.85, 0.95],
    [1, alike, 'one fault, the rare ones as often as the others', 120, 500, 0.95, 0.99],
  ] as const)
    it(`names what is wrong of machines with ${name}, in half the minutes of a checklist`, () => {
      const seen = coursesOf(soaked(count, whole), faults, SEED + faults, weight);
      expect(seen.length).to.be.greaterThan(count / 2);
      const right = seen.filter(({ faults: hidden, asked }) => isTrue(hidden, asked));
      const among = share(seen, ({ asked: { ranks } }) =>
        ranks.every((at) => at === 0 || at === 1),
      );
      const minutes = mean(seen.map(({ asked }) => asked.minutes));
      const usual = mean(seen.map((each) => each.usual.minutes));
      const said = `${right.length} of ${seen.length}, ${minutes.toFixed(1)} against ${usual.toFixed(1)} min`;
      expect(right.length / seen.length, said).to.be.at.least(first);
      expect(among, said).to.be.at.least(firstTwo);
      expect(minutes, said).to.be.at.most(usual / 2);
      for (const { asked } of seen) {
        expect(asked.excluded, asked.asked.join('; ')).to.deep.equal([]);
        expect(asked.end, asked.asked.join('; ')).to.not.equal('open');
      }
    });

  it('says that nothing known agrees where answers contradict a figure', () => {
    const { expectation, job } = ALL.find(({ expectation: { need } }) => need.kind === 'wifi')!;
    const components = componentsOf(expectation, job);
    const answers = components.flatMap(({ id: part, checks }) =>
      Object.entries(checks).map(([check, answer]) => ({ part, check: check as never, answer })),
    );
    const figure = {
      test: { what: 'large', direction: null, alone: false } as never,
      expected: expectation.flow!,
      value: expectation.flow!.low / 2,
      falls: null,
    };
    expect(explanationsOf(components, { figures: [figure], answers })).to.deep.equal([]);
  });
});

describe('What was found', () => {
  it('is mended, measured again, and may be found once more: each time by itself', () => {
    const { job: planned, expectation } = ALL.find(
      ({ expectation: { need } }) => need.kind === 'network',
    )!;
    const { id } = expectation.need;
    const at = (minutes: number) => `2027-01-01T10:${String(minutes).padStart(2, '0')}:00.000Z`;
    const cause = { part: 'wire 0', cause: 'leadPoor', figure: null } as const;
    let job = planned;
    const doing = (minutes: number, command: Command) =>
      (job = apply(job, command, { at: at(minutes), who: 'Tester' }));
    const measured = (minutes: number, value: number) =>
      doing(minutes, {
        name: 'observe',
        observations: [enteredRun(id, value, at(minutes), { what: 'large' })],
      });
    const find = (minutes: number) => {
      const found = foundCause(id, cause, at(minutes));
      doing(minutes, { name: 'observe', observations: [found] });
      return mendOf(found);
    };
    const proving = () => provings(job).find(({ expectation: { need } }) => need.id === id)!;
    measured(1, 110e6);
    const first = find(2);
    expect(steps(job).some((step) => step.id === actId(first))).to.equal(true);
    doing(3, { name: 'tickStep', of: first });
    expect(proving()).to.include({ state: 'open', main: null });
    measured(4, 112e6);
    expect(proving().main!.median).to.equal(112e6);
    const second = find(5);
    expect(second).to.not.equal(first);
    expect(isDone(job, second)).to.equal(false);
    doing(6, { name: 'tickStep', of: second });
    measured(7, expectation.flow!.high);
    expect(proving().untilMended.map(({ median }) => median)).to.deep.equal([110e6, 112e6]);
    expect(proving().state).to.equal('fine');
    expect(
      handOverSheet(job).figures.find((each) => each.expectation.need.id === id)!.mended,
    ).to.have.length(2);
    // Another need asks something else: what was found of this one goes with its runs.
    const changed = { ...expectation.need, must: false };
    doing(8, { name: 'changeNeed', need: changed });
    expect(job.observations).to.deep.equal([]);
    expect(steps(job).some(({ code }) => code === 'mend')).to.equal(false);
  });
});

describe('What is said of causes', () => {
  const { job, expectation } = ALL.find(({ expectation: { need } }) => need.kind === 'network')!;
  const components = componentsOf(expectation, job);
  const observed: Observed = {
    figures: [
      {
        test: testOf({ ...PLAIN_RUN, what: 'large' }, expectation.need),
        expected: expectation.flow!,
        value: 112e6,
        falls: null,
      },
    ],
    answers: [{ part: 'driver', check: 'readDriver', answer: 'asPlanned' }],
  };
  const explanations = explanationsOf(components, observed);

  it('speaks for those that agree and against every other one, by an answer or by what it would have shown', () => {
    const out = ruledOut(components, observed, explanations);
    const possible = new Set(
      explanations.flatMap(({ causes }) => causes.map(({ part, cause }) => `${part} ${cause}`)),
    );
    const all = components.flatMap(({ id, fallBacks }) =>
      fallBacks.map(({ cause }) => `${id} ${cause}`),
    );
    expect([...possible, ...out.map(({ part, cause }) => `${part} ${cause}`)]).to.have.members(all);
    const driver = out.find(({ cause }) => cause === 'oldDriver')!;
    expect(driver.by).to.deep.equal(observed.answers[0]);
    for (const { by } of out)
      if ('shows' in by)
        expect(by.shows.low * 0.92 > 112e6 || by.shows.high * 1.08 < 112e6).to.equal(true);
    for (const { causes } of explanations.filter((each) => each.causes.length === 1))
      expect(reasonsFor(causes[0]!, components, observed).figures).to.have.length(1);
  });

  it('names the caution at every check with hands inside, and puts no data at risk', () => {
    for (const [check, { answers, ...row }] of Object.entries(CHECKS)) {
      const cautions = checkCautions(check as Check);
      expect(cautions.includes('mains'), check).to.equal('isInside' in row);
      expect(answers.length).to.be.greaterThan(1);
    }
    // What would write is a mend, and asks twice.
    expect(checkCautions('onBoardPort')).to.include('othersData');
  });
});

/** A small case: how likely each explanation is, and checks with minutes that answer by it. */
interface Small {
  readonly weights: readonly number[];
  readonly checks: readonly { readonly minutes: number; readonly answers: readonly number[] }[];
}

const small = fc.integer({ min: 2, max: 6 }).chain((count) =>
  fc.record({
    weights: fc.array(fc.integer({ min: 1, max: 40 }), { minLength: count, maxLength: count }),
    checks: fc.array(
      fc.record({
        minutes: fc.constantFrom(1, 2, 3, 4, 6, 9, 12, 20),
        answers: fc.array(fc.integer({ min: 0, max: 2 }), { minLength: count, maxLength: count }),
      }),
      { minLength: 2, maxLength: 7 },
    ),
  }),
);

const questionOf = ({ minutes, answers }: Small['checks'][number], ids: readonly number[]) =>
  ({
    ask: { kind: 'check', part: '', check: 'readLink', minutes },
    answers: ids.map((id) => new Map([[String(answers[id]), 1]])),
  }) satisfies Question;

/** Minutes on the average until no check tells anything apart: by trying all, or as the diagnosis asks. */
function minutesOf(of: Small, ids: readonly number[], isBest: boolean): number {
  const able = of.checks.filter(({ answers }) => new Set(ids.map((id) => answers[id])).size > 1);
  if (able.length === 0) return 0;
  const total = ids.reduce((sum, id) => sum + of.weights[id]!, 0);
  const after = ({ minutes, answers }: Small['checks'][number]): number =>
    [...new Set(ids.map((id) => answers[id]))].reduce((sum: number, answer) => {
      const left = ids.filter((id) => answers[id] === answer);
      const weight = left.reduce((all, id) => all + of.weights[id]!, 0);
      return sum + (weight / total) * minutesOf(of, left, isBest);
    }, minutes);
  if (isBest) return Math.min(...able.map(after));
  const questions = able.map((check) => questionOf(check, ids));
  const explanations = ids.map((id) => ({ causes: [], probability: of.weights[id]! / total }));
  const best = bestQuestion(explanations, questions);
  return after(able[questions.indexOf(best as (typeof questions)[number])]!);
}

describe('The next check', () => {
  it('is within a tenth of the best sequence that trying all finds', () => {
    const worth = fc
      .sample(small, { numRuns: 300, seed: SEED })
      .map((each) => {
        const ids = each.weights.map((_, id) => id);
        return [minutesOf(each, ids, true), minutesOf(each, ids, false)] as const;
      })
      .filter(([best]) => best > 0);
    expect(worth.length).to.be.greaterThan(250);
    for (const [best, asked] of worth) expect(asked).to.be.at.least(best - 1e-9);
    expect(mean(worth.map(([best, asked]) => asked / best))).to.be.at.most(1.1);
  });

  it('is by likelihood and minutes where each cause has one check of its own', () => {
    // Heckerman, Breese and Rommelse 1995 (from memory): with one fault and independent mends, trying by probability ÷ cost
    // is optimal. A check that only says yes or no to its own cause is such a try, but that the last cause needs none.
    const each = fc.record({
      weight: fc.integer({ min: 1, max: 40 }),
      minutes: fc.integer({ min: 1, max: 20 }),
    });
    const worth = fc
      .sample(fc.array(each, { minLength: 3, maxLength: 6 }), { numRuns: 200, seed: SEED })
      .map((causes) => {
        const weights = causes.map(({ weight }) => weight);
        const checks = causes.map(({ minutes }, n) => ({
          minutes,
          answers: causes.map((_, m) => (n === m ? 1 : 0)),
        }));
        const total = weights.reduce((sum, weight) => sum + weight, 0);
        const order = causes.toSorted((a, b) => b.weight / b.minutes - a.weight / a.minutes);
        let left = total;
        let tried = 0;
        for (const { weight, minutes } of order.slice(0, -1)) {
          tried += (left / total) * minutes;
          left -= weight;
        }
        const ids = causes.map((_, id) => id);
        return minutesOf({ weights, checks }, ids, false) / tried;
      });
    expect(mean(worth)).to.be.at.most(1.05);
  });
});

describe('A diagnosis that is answered at random', () => {
  const WALKS = soaked(60, 2_000);
  it(`comes to an end and never breaks, though answers contradict each other, ${WALKS} times (seed ${SEED})`, () => {
    const chance = fc.sample(fc.integer({ min: 0, max: 2 ** 30 }), { numRuns: 5_000, seed: SEED });
    let [at, contradicted] = [0, 0];
    const below = (most: number): number => chance[(at += 1) % chance.length]! % most;
    for (let walk = 0; walk < WALKS; walk += 1) {
      const { job, expectation } = ALL[walk % ALL.length]!;
      const { need, flow } = expectation;
      const { what } = howMeasured(expectation);
      let now = job;
      const observe = (command: Command) => (now = apply(now, command, STAMP));
      const figure = (share: number, n: number) =>
        observe({
          name: 'observe',
          observations: [enteredRun(need.id, flow!.high * share, AT, { n, what })],
        });
      figure(0.02 + below(60) / 100, 0);
      let asked = 0;
      for (; asked < 80; asked += 1) {
        const diagnosis = diagnoses(now).get(need.id);
        if (diagnosis?.outcome !== 'ask' || diagnosis.next === null) break;
        const { next, components, observed } = diagnosis;
        if (next.kind === 'measure') figure(0.02 + below(150) / 100, asked + 1);
        else {
          // Now and then an earlier check is answered again, otherwise.
          const again =
            below(4) === 0 ? observed.answers[below(observed.answers.length || 1)] : undefined;
          if (again !== undefined) contradicted += 1;
          const { part, check } = again ?? next;
          const component = components.find(({ id }) => id === part)!;
          const answers = possibleAnswers(component, check);
          const answer = answers[below(answers.length)] ?? 'unclear';
          observe({
            name: 'observe',
            observations: [answeredCheck(need.id, { part, check, answer }, AT)],
          });
        }
        expect(problemsOf(now)).to.deep.equal([]);
      }
      expect(asked, `${job.id} ${need.id}`).to.be.lessThan(80);
    }
    expect(contradicted).to.be.greaterThan(10);
  });
});
