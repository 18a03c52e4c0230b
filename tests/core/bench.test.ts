/**
 * The bench as a state: in seeded walks – ticks in any order that the reasons allow, acts taken back, reloads, things that do
 * not go, rounds – no task that is owed leaves the list by doing another, none changes its name or number, and after the
 * last one the machine is as a customer wants it. The machine that is worked on has code of its own.
 */
import { FOUND_NAMES } from '../builders/foundNames.ts';
import { expect } from 'chai';
import { type BenchState, assemblyOf, benchState } from '../../src/core/assembly/index.ts';
import {
  type Found,
  type Step,
  findable,
  goalState,
  mayTakeBack,
  movesDone,
  onTray,
  restOf,
  restRequest,
  steps,
  withFound,
} from '../../src/core/procedure/index.ts';
import { type Job, actId } from '../../src/core/document/index.ts';
import { LEAD_KINDS } from '../../src/core/standards/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { bring, leftUndone, run, worldOf } from '../../src/core/simulator/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { readJobFile } from '../../src/core/read/index.ts';
import { writeJobFile } from '../../src/core/write/index.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { chanceOf } from '../builders/absurdJob.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { STAMP } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261201);
const JOBS = fittingJobs(soaked(8, 2_500), SEED);
const chance = chanceOf(SEED);
const any = <Each>(all: readonly Each[]): Each => all[Math.floor(chance() * all.length)]!;

const workOf = (job: Job): readonly Step[] => steps(job).filter(({ task }) => task !== null);
const openOf = (job: Job): readonly Step[] => workOf(job).filter(({ isOpen }) => isOpen);
const idsOf = (list: readonly Step[]): readonly string[] => list.map(({ id }) => id);
const ticked = (job: Job, of: Step): Job => apply(job, { name: 'tickStep', of }, STAMP);

/** What can be done now: of the round that is worked on, after all that it waits for. */
function readyIn(job: Job): readonly Step[] {
  const work = workOf(job);
  const open = work.filter(({ isOpen }) => isOpen);
  const round = Math.min(...open.map((each) => each.round));
  const left = new Set(idsOf(open));
  return open.filter(
    (each) => each.round === round && each.task!.after.every(({ stepId }) => !left.has(stepId)),
  );
}

/** The things that acts undo, and what is counted, as a state has them. */
const standingIn = (state: BenchState) => ({
  slots: [...state.slots].toSorted().map((id) => [id, state.slot(id)]),
  ...Object.fromEntries(
    TURNED.map((code) => [
      code,
      state
        .standing(code)
        .map((on) => JSON.stringify(on))
        .toSorted(),
    ]),
  ),
});
const TURNED = [
  'freeCard',
  'plugBack',
  'removeCover',
  'closeOpening',
  'moveObstacle',
  'restorePlug',
  'leadPlugRound',
  'openCase',
  'closeCase',
  'openFarSide',
  'closeFarSide',
  'removeBar',
  'refitBar',
  'start',
  'powerOff',
  'leadsBack',
  'leadsOff',
  'joinEnd',
  'joinHeader',
  'joinOwnEnd',
  'plug',
  'mountDrives',
  'joinDrives',
  'joinDriveEnds',
  'feedDrives',
] as const;

/** A whole walk to the end. @param seen called at each act that is done, with the job before and after it */
function walked(start: Job, seen: (before: Job, next: Step, after: Job) => void = () => undefined) {
  let job = start;
  const done: Step[] = [];
  for (let n = 0; openOf(job).length > 0; n += 1) {
    expect(n, `no end of\n${idsOf(openOf(job)).join('\n')}`).to.be.lessThan(400);
    const next = any(readyIn(job));
    const after = ticked(job, next);
    seen(job, next, after);
    done.push(next);
    job = after;
  }
  return { job, done };
}

describe(`The bench as a state (seed ${SEED})`, () => {
  it('loses no task and renames none, in whichever order that the reasons allow, and ends as it has to and a customer wants it', () => {
    for (const start of JOBS) {
      const first = idsOf(workOf(start));
      const goal = standingIn(goalState(start));
      const { job, done } = walked(start, (before, next, after) => {
        const told = `${next.id} in\n${first.join('\n')}`;
        expect(idsOf(workOf(after)), told).to.deep.equal(first);
        expect(idsOf(openOf(after)), told).to.deep.equal(
          idsOf(openOf(before)).filter((id) => id !== next.id),
        );
        // Doing what is asked changes no goal.
        if (openOf(after).length === Math.floor(first.length / 2))
          expect(standingIn(goalState(after)), told).to.deep.equal(goal);
      });
      expect(done.length).to.equal(first.length);
      const told = idsOf(done).join('\n');
      expect(standingIn(benchState(job.acts)), told).to.deep.equal(goal);
      const { world, refused } = run(worldOf(start, assemblyOf(start)), done);
      expect(refused && `${refused.step.id} ${refused.because}`, told).to.equal(null);
      expect(leftUndone(world), told).to.deep.equal([]);
      expect(onTray(movesDone(job, workOf(job))), told).to.deep.equal([]);
    }
  });

  it('asks nothing twice in a row of one thing', () => {
    const opposite: Readonly<Partial<Record<Step['code'], Step['code']>>> = {
      openCase: 'closeCase',
      openFarSide: 'closeFarSide',
      removeBar: 'refitBar',
      removeCover: 'closeOpening',
      takeOutFirst: 'putBack',
      freeCard: 'plugBack',
    };
    for (const start of JOBS) {
      const work = workOf(start);
      for (const [n, each] of work.entries()) {
        const next = work[n + 1];
        if (next?.code === opposite[each.code] && next !== undefined)
          expect(next.on, `${each.id}\n${idsOf(work).join('\n')}`).to.not.deep.equal(each.on);
      }
    }
  });

  it('stands as it stood after a reload, and as it stood before what was taken back', () => {
    for (const start of JOBS) {
      let job = start;
      for (let n = Math.floor(chance() * workOf(start).length); n > 0; n -= 1)
        job = ticked(job, any(readyIn(job)));
      const { job: again } = readJobFile(writeJobFile(job));
      expect(steps(again!)).to.deep.equal(steps(job));
      // What a round was built on stands once the next is begun.
      const done = workOf(job).filter((each) => !each.isOpen && mayTakeBack(job, each));
      if (done.length === 0) continue;
      const of = any(done);
      const back = apply(job, { name: 'untickStep', of }, STAMP);
      const told = `${of.id} of\n${idsOf(done).join('\n')}`;
      // Nothing that was open is lost by it; but what was not opened needs no closing.
      if (![...Object.values(OFF_BY), 'takeOutFirst', 'freeCard', 'moveObstacle'].includes(of.code))
        expect(idsOf(openOf(back)), told).to.include.members(
          idsOf(openOf(job)).filter((id) => id !== of.id),
        );
      expect(() => walked(back), told).to.not.throw();
    }
  });

  it('goes on from where it stands when something does not go, twice in one job', () => {
    let found = 0;
    for (const start of JOBS) {
      let job = start;
      let world = worldOf(start, assemblyOf(start));
      for (let tries = 0; tries < 2; tries += 1) {
        for (let n = Math.floor(chance() * openOf(job).length); n > 0; n -= 1) {
          const next = any(readyIn(job));
          const { world: after, refused } = run(world, [next]);
          expect(refused && `${next.id} ${refused.because}`, toldOf(job)).to.equal(null);
          [job, world] = [ticked(job, next), after];
        }
        const at = readyIn(job).find((step) => findable(step, job).length > 0);
        if (at === undefined) continue;
        const owed = new Set(openOf(job).filter(isOwed(job)).map(owedAs));
        const again = plannedAnew(job, at);
        if (again === null) continue;
        found += 1;
        const list = toldOf(again);
        const open = new Set(openOf(again).map(owedAs));
        for (const id of owed) expect(open.has(id), `${id} is owed in\n${list}`).to.equal(true);
        [job, world] = [again, bring(world, again, assemblyOf(again))];
      }
      const rest: Step[] = [];
      for (let n = 0; openOf(job).length > 0 && n < 400; n += 1) {
        const next = any(readyIn(job));
        rest.push(next);
        job = ticked(job, next);
      }
      const { world: end, refused } = run(world, rest);
      const told = `${toldOf(job)}\n-- at the end:\n${idsOf(rest).join('\n')}`;
      expect(refused && `${refused.step.id} ${refused.because}`, told).to.equal(null);
      expect(leftUndone(end), told).to.deep.equal([]);
    }
    expect(found).to.be.greaterThan(JOBS.length / 3);
  });
});

const toldOf = (job: Job): string =>
  workOf(job)
    .map(({ id, isOpen }) => `${isOpen ? '  ' : 'x '}${id}`)
    .join('\n');

/** What puts right again what is off, out or open by now. */
const OWED: readonly Step['code'][] = [
  'closeCase',
  'closeFarSide',
  'refitBar',
  'leadsBack',
  'start',
  'restorePlug',
  'leadPlugRound',
];
/** By whichever way a plug goes in again. */
const owedAs = (step: Step): string =>
  actId(step.code === 'leadPlugRound' ? { ...step, code: 'restorePlug' } : step);
const isOwed =
  (job: Job) =>
  ({ code, on, round }: Step): boolean => {
    const was = (of: Step['code']) =>
      workOf(job).some(
        (each) =>
          each.code === of &&
          each.round === round &&
          !each.isOpen &&
          each.on.box === on.box &&
          each.on.obstacle === on.obstacle &&
          each.on.slot === on.slot,
      );
    return (
      (OWED.includes(code) && was(OFF_BY[code] ?? code)) ||
      (code === 'putBack' && was('takeOutFirst'))
    );
  };
const OFF_BY: Readonly<Partial<Record<Step['code'], Step['code']>>> = {
  closeCase: 'openCase',
  closeFarSide: 'openFarSide',
  refitBar: 'removeBar',
  leadsBack: 'leadsOff',
  start: 'powerOff',
  restorePlug: 'moveObstacle',
  leadPlugRound: 'moveObstacle',
};

const foundAs = (kind: Found['kind']): Found | null => {
  switch (kind) {
    case 'leadShort':
      return { kind, mm: 60 + Math.floor(chance() * 5) * 40 };
    case 'inTheWay':
      return {
        kind,
        what: 'Unknown header',
        fromRearMm: 70 + Math.floor(chance() * 4) * 20,
        heightMm: 18,
        movable: chance() < 0.4,
        hasPlug: chance() < 0.5,
      };
    case 'cardLonger':
      return { kind, mm: 200 + Math.floor(chance() * 5) * 40 };
    case 'boxShort':
      return null;
    case 'knockedLoose':
      return { kind, lead: any(LEAD_KINDS), name: '' };
    default:
      return { kind };
  }
};

function plannedAnew(job: Job, step: Step): Job | null {
  const found = foundAs(any(findable(step, job)));
  if (found === null) return null;
  const told = withFound(job, step, found, FOUND_NAMES);
  const cards = (job.plan?.placements ?? []).map(({ card }) => card);
  const proposal = proposePlan(restRequest(told, { cards, extras: EXTRAS, library: null }));
  const { acceptance, acts } = restOf(told, proposal, null, EXTRAS);
  return apply(
    job,
    {
      name: 'foundAtBench',
      machine: told.machine,
      plan: acceptance,
      acts,
      bought: told.bought,
      found: found.kind,
    },
    STAMP,
  );
}
