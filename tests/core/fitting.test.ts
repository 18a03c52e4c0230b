/**
 * The physical work, tried in a machine that refuses: the list runs, nothing is left undone, no edge is missing and
 * none is idle. What a hand needs and when it is in the way: common practice, no source.
 */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import * as fc from 'fast-check';
import { type ActName, type Job, isBuilt, doneActs } from '../../src/core/document/index.ts';
import {
  type Ordered,
  REASONS,
  type Reason,
  type Step,
  benchTestOf,
  benchTestRound,
  effort,
  estimateOf,
  inOrder,
  ledgerAfter,
  logbookOf,
  minutesTogether,
  spentIn,
  steps,
} from '../../src/core/procedure/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import { leftUndone, run, worldOf } from '../../src/core/simulator/index.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { PACKAGES } from '../builders/library.ts';
import { STAMP } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';
import { doneAt, named } from '../builders/acts';

const SEED = Number(process.env['SEED'] ?? 20261128);
const museum = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);
const JOBS = [...demoJobs(museum, PACKAGES), ...fittingJobs(soaked(250, 1_000), SEED)].filter(
  ({ plan }) => plan !== null,
);

const workOf = (job: Job): readonly Step[] => steps(job).filter(({ task }) => task !== null);
const toldIn = (job: Job): string =>
  workOf(job)
    .map(({ id }) => id)
    .join('\n');

describe(`The physical work in the world (seed ${SEED})`, () => {
  it('runs from the first act to the last without a refusal, and leaves nothing undone', () => {
    for (const job of JOBS) {
      const { world, refused } = run(worldOf(job, assemblyOf(job)), workOf(job));
      expect(refused && [refused.step.id, refused.because], toldIn(job)).to.equal(null);
      if (workOf(job).length > 0) expect(leftUndone(world), toldIn(job)).to.deep.equal([]);
    }
  });

  it('closes its ledger: nothing is left on the tray, and nothing is put back that was not taken off', () => {
    for (const job of JOBS) {
      const moves = workOf(job).flatMap(({ task }) => task!.moves);
      const left = ledgerAfter(moves).filter(({ at }) => at === 'tray');
      expect(
        left.map(({ thing }) => thing.id),
        toldIn(job),
      ).to.deep.equal([]);
      const at = new Map<string, string>();
      for (const { thing, to } of moves) {
        // What is put in its place twice was taken off between.
        expect(at.get(thing.id), `${thing.id} in\n${toldIn(job)}`).to.not.equal(to);
        at.set(thing.id, to);
      }
    }
  });

  it('has power off from before the first panel comes off until after the last is on', () => {
    for (const job of JOBS) {
      let open = 0;
      let hasPower = isBuilt(job.machine);
      for (const { code } of workOf(job)) {
        if (code === 'powerOff') hasPower = false;
        if (code === 'openCase' || code === 'openFarSide') open += 1;
        if (code === 'closeCase' || code === 'closeFarSide') open -= 1;
        if (code === 'start') hasPower = true;
        expect(open > 0 && hasPower, toldIn(job)).to.equal(false);
      }
    }
  });

  it('is refused wherever two acts change places that have a physical reason not to', () => {
    const refused = new Map<Reason, number>();
    for (const job of JOBS) {
      const work = workOf(job);
      const world = worldOf(job, assemblyOf(job));
      for (const { first, then, because, order } of exchanges(work)) {
        const outcome = run(world, order);
        expect(
          outcome.refused,
          `${because}: ${work[first]!.id} after ${work[then]!.id}\n${toldIn(job)}`,
        ).to.not.equal(null);
        refused.set(because, (refused.get(because) ?? 0) + 1);
      }
    }
    const physical = (Object.keys(REASONS) as Reason[]).filter(
      // It is a reason of trials alone.
      (each) => REASONS[each].isPhysical && each !== 'runsUntilThen',
    );
    expect(physical.filter((each) => !refused.has(each))).to.deep.equal([]);
  });
});

interface Exchange {
  readonly first: number;
  readonly then: number;
  readonly because: Reason;
  /** An order that keeps to everything but this one reason. */
  readonly order: readonly Step[];
}

/** Every physical reason that no other path of reasons implies, with an order that breaks it alone. */
function exchanges(work: readonly Step[]): readonly Exchange[] {
  const at = new Map(work.map(({ id }, n) => [id, n]));
  const edges = work.flatMap(({ task }, then) =>
    task!.after.map(({ stepId, because }) => ({ first: at.get(stepId)!, then, because })),
  );
  const pairs = new Map<string, readonly (typeof edges)[number][]>();
  for (const edge of edges) {
    const key = `${edge.first} ${edge.then}`;
    pairs.set(key, [...(pairs.get(key) ?? []), edge]);
  }
  return [...pairs.values()].flatMap((same): readonly Exchange[] => {
    const physical = same.find(({ because }) => REASONS[because].isPhysical);
    if (physical === undefined) return [];
    const { first, then, because } = physical;
    const others = edges.filter((edge) => edge.first !== first || edge.then !== then);
    const turned = { first: then, then: first };
    // Where practice alone implies the reason as well, it is left out.
    const order =
      sorted(work.length, [...others, turned]) ??
      sorted(work.length, [...others.filter((edge) => REASONS[edge.because].isPhysical), turned]);
    return order === null ? [] : [{ first, then, because, order: order.map((n) => work[n]!) }];
  });
}

/** The order nearest to the list that keeps to these edges; null where they go round in a circle. */
function sorted(
  count: number,
  edges: readonly { readonly first: number; readonly then: number }[],
): readonly number[] | null {
  const before = Array.from({ length: count }, () => new Set<number>());
  for (const { first, then } of edges) before[then]!.add(first);
  const order: number[] = [];
  const done = new Set<number>();
  while (order.length < count) {
    const next = before.findIndex(
      (all, n) => !done.has(n) && [...all].every((each) => done.has(each)),
    );
    if (next === -1) return null;
    done.add(next);
    order.push(next);
  }
  return order;
}

describe(`A trial on another machine (seed ${SEED})`, () => {
  /** Some on an open bench, some in a case. */
  const trials = JOBS.flatMap((job, n): readonly Job[] => {
    const tries = (job.plan?.placements ?? []).map(({ slotId, card }, at) => ({
      slotId,
      card,
      label: `Free ${at + 1}`,
    }));
    return tries.length === 0
      ? []
      : [
          {
            ...job,
            benchTest: benchTestOf({ name: 'Bench', family: 'linux', isOpen: n % 2 === 0, tries }),
          },
        ];
  });
  const trialOf = (job: Job) => workOf(job).filter(({ round }) => round === 0);
  const worldOfTrial = (job: Job) => {
    const round = benchTestRound(job)!;
    return worldOf(round.job, round.assembly, job.benchTest!.isOpen);
  };

  it('runs without a refusal, leaves nothing behind, and every physical reason of it is one', () => {
    for (const job of trials) {
      const work = trialOf(job);
      const world = worldOfTrial(job);
      const all = run(world, work);
      expect(all.refused && [all.refused.step.id, all.refused.because], toldIn(job)).to.equal(null);
      const isOff = job.benchTest!.isOpen ? ['panel  is off'] : [];
      expect(leftUndone(all.world), toldIn(job)).to.deep.equal(isOff);
      const left = ledgerAfter(work.flatMap(({ task }) => task!.moves));
      expect(left.filter(({ at }) => at === 'tray')).to.deep.equal([]);
    }
    for (const job of trials.slice(0, soaked(60, 300)))
      for (const { first, then, because, order } of exchanges(trialOf(job)))
        expect(
          run(worldOfTrial(job), order).refused,
          `${because}: ${trialOf(job)[first]!.id} after ${trialOf(job)[then]!.id}`,
        ).to.not.equal(null);
  });

  it('has power in an open case there alone, and says so', () => {
    for (const job of trials) {
      let open = 0;
      let hasPower = true;
      for (const { code, round, cautions } of workOf(job)) {
        if (code === 'powerOff' || (round === 1 && !isBuilt(job.machine))) hasPower = false;
        if (code === 'openCase' || code === 'openFarSide') open += 1;
        if (code === 'closeCase' || code === 'closeFarSide') open -= 1;
        if (code === 'start' || code === 'tryStart') hasPower = true;
        if (code === 'tryStart') {
          expect(round).to.equal(0);
          expect(cautions).to.include('openPower');
        } else if (round !== 0) expect(open > 0 && hasPower, toldIn(job)).to.equal(false);
      }
    }
  });

  it('leaves the work on the customer’s machine as it was', () => {
    for (const job of trials) {
      const own = (of: Job) =>
        workOf(of)
          .filter(({ round }) => round !== 0)
          .map(({ id }) => id);
      const tried = trialOf(job).map((each) => doneAt(job.changedAt, each));
      expect(own({ ...job, acts: [...job.acts, ...tried] })).to.deep.equal(
        own({ ...job, benchTest: null }),
      );
    }
  });
});

describe('The order of tasks', () => {
  const task = (n: number): fc.Arbitrary<Ordered> =>
    fc.record({
      position: fc.constantFrom('standing', 'cardsUp', 'boardUp', null),
      tool: fc.constantFrom('screwdriver', 'torch', 'flatTool', null),
      after: n === 0 ? fc.constant([]) : fc.uniqueArray(fc.nat(n - 1), { maxLength: 2 }),
    });
  const lists = fc
    .integer({ min: 1, max: 9 })
    .chain((count) => fc.tuple(...Array.from({ length: count }, (_, n) => task(n))));

  it('takes as few turns and changes of tool as any order that may be, of up to nine free tasks', () => {
    for (const tasks of fc.sample(lists, { numRuns: 500, seed: SEED })) {
      const order = inOrder(tasks)!;
      expect([...order].sort((a, b) => a - b)).to.deep.equal(tasks.map((_, n) => n));
      const { turns, changes } = effort(order.map((n) => tasks[n]!));
      expect([turns, changes], JSON.stringify(tasks)).to.deep.equal(leastOf(tasks));
    }
  });

  it('keeps to the list where nothing speaks for another order', () => {
    const plain = { position: null, tool: null, after: [] };
    expect(inOrder(Array.from({ length: 8 }, () => plain))).to.deep.equal([0, 1, 2, 3, 4, 5, 6, 7]);
  });
});

/** By trying all; what is no better by then than the best so far is not tried to its end. */
function leastOf(tasks: readonly Ordered[]): readonly [number, number] {
  let best: readonly [number, number] = [Infinity, Infinity];
  const go = (done: readonly number[]): void => {
    const { turns, changes } = effort(done.map((n) => tasks[n]!));
    if (turns > best[0] || (turns === best[0] && changes >= best[1])) return;
    if (done.length === tasks.length) {
      best = [turns, changes];
      return;
    }
    tasks.forEach(({ after }, n) => {
      if (!done.includes(n) && after.every((each) => done.includes(each))) go([...done, n]);
    });
  };
  go([]);
  return best;
}

describe('What fitting has to know', () => {
  it('is asked for in Prepare where a task would be another, each fact once', () => {
    const facts = (job: Job): readonly string[] =>
      steps(job).flatMap((each) => (each.code === 'settle' ? each.values.fact : []));
    const told = JOBS.find(({ machine }) => machine.case.retentionBar !== null)!;
    expect(facts(told)).to.not.include('case.retentionBar');
    const { machine } = told;
    const untold: Job = {
      ...told,
      machine: {
        ...machine,
        case: { ...machine.case, retentionBar: null, panelHeld: null, spareModuleScrews: null },
        slots: machine.slots.map((slot) => ({ ...slot, latch: null })),
      },
    };
    const asked = facts(untold);
    expect(asked).to.include.members(['case.retentionBar', 'case.panelHeld']);
    expect(asked.filter((code) => code === 'case.retentionBar')).to.have.lengthOf(1);
    const isModule = untold.plan!.placements.some(({ card }) => card.bus === 'm2');
    expect(asked.includes('case.spareModuleScrews')).to.equal(isModule);
    // A latch is asked of slots that get a card, and of no others.
    const used = new Set(untold.plan!.placements.map(({ slotId }) => slotId));
    const latches = steps(untold).filter(
      (each) => each.code === 'settle' && each.values.fact === 'slot.latch',
    );
    expect(latches.every(({ slotId }) => used.has(slotId ?? ''))).to.equal(true);
  });

  it('changes the tasks: bar, panels, latch and covers', () => {
    const job = JOBS.find(({ plan }) => plan!.placements.some(({ card }) => card.bus !== 'm2'))!;
    const inCase = (of: Partial<Job['machine']['case']>): readonly Step[] =>
      workOf({ ...job, machine: { ...job.machine, case: { ...job.machine.case, ...of } } });
    const codes = (of: Parameters<typeof inCase>[0]) => inCase(of).map(({ code }) => code);
    const value = <Value>(is: Value) => ({ value: is, source: 'technician' as const });
    expect(codes({ retentionBar: value(true) })).to.include.members(['removeBar', 'refitBar']);
    expect(codes({ retentionBar: value(false) })).to.not.include('removeBar');
    const opening = (held: 'screws' | 'latch') =>
      inCase({ panelHeld: value(held) }).find(({ code }) => code === 'openCase')!.task!.tool;
    expect([opening('screws'), opening('latch')]).to.deep.equal(['screwdriver', null]);
    const removing = (covers: 'screwed' | 'clipped' | 'snapped') =>
      inCase({ covers: value(covers), retentionBar: value(false) }).find(
        ({ code }) => code === 'removeCover',
      );
    expect(removing('screwed')!.task!.tool).to.equal('screwdriver');
    expect(removing('clipped')!.task!.tool).to.equal(null);
    expect(removing('snapped')!.task!.tool).to.equal('flatTool');
    // Sharp edges are where covers are snapped off, and nowhere else.
    expect(removing('snapped')!.cautions).to.include('sharpCover');
    expect(removing('screwed')!.cautions).to.not.include('sharpCover');
  });

  it('orders a cover where one is missing: snapped ones do not go back', () => {
    const closing = JOBS.flatMap((job) =>
      workOf(job).flatMap((step) => (step.code === 'closeOpening' ? [{ job, step }] : [])),
    );
    for (const { step } of closing) {
      const { covers, enclosure, with: from } = step.values;
      if (covers === 'snapped' && enclosure === '') expect(from).to.not.equal('removed');
    }
    const ordered = closing.find(({ step }) => step.values.with === 'ordered')!;
    expect(assemblyOf(ordered.job).extras.map(({ kind }) => kind)).to.include('cover');
  });
});

describe('What tasks took', () => {
  const timed = (...all: readonly (readonly [act: ActName, seconds: number])[]) =>
    spentIn({ acts: all.map(([act, seconds]) => ({ ...doneAt('', act), seconds })) });
  const seat = (slot: string, round: 1 | 2 = 1) => named('seat', { card: 'a', slot }, round);

  it('is said by the shop’s own median from three on, and by what is usual before', () => {
    const one = timed(
      [seat('s1'), 60],
      [seat('s2', 2), 120],
      [named('start'), 30],
      // Ticked faster than a hand can move it says nothing of what it takes.
      [seat('s3'), 1],
    );
    expect(one).to.deep.equal({ seat: [60, 120], start: [30] });
    expect(estimateOf('seat', one, 2)).to.deep.equal({ minutes: 2, seen: 2, spread: null });
    const all = logbookOf([one, timed([seat('s1'), 600]), {}]);
    // Of 60, 120 and 600 s: median, and the quartiles halfway to it. Source: R’s type 7, as d3-array has it.
    expect(estimateOf('seat', all, 2)).to.deep.equal({ minutes: 2, seen: 3, spread: [1.5, 6] });
    expect(estimateOf('toString', all, 4)).to.deep.equal({ minutes: 4, seen: 0, spread: null });
  });

  it('is added up over what is left', () => {
    const [job] = JOBS;
    const work = workOf(job!);
    const usual = work.reduce((sum, { task }) => sum + task!.minutes, 0);
    expect(minutesTogether(work, {})).to.equal(usual);
    const slow = { lookOver: [1_200, 1_200, 1_200] };
    const looks = work.filter(({ code }) => code === 'lookOver');
    expect(minutesTogether(work, slow)).to.equal(
      usual + looks.reduce((sum, { task }) => sum + 20 - task!.minutes, 0),
    );
  });

  it('is kept with its tick, goes with it, and is not counted twice', () => {
    const [job] = JOBS;
    const step = workOf(job!).find(({ id }) => !doneActs(job!.acts).has(id));
    const done = apply(job!, { name: 'tickStep', of: step!, seconds: 95 }, STAMP);
    expect(done.acts.at(-1)).to.include({ code: step!.code, seconds: 95 });
    const back = apply(done, { name: 'untickStep', of: step! }, STAMP);
    expect(back.acts).to.deep.equal(job!.acts);
  });
});
