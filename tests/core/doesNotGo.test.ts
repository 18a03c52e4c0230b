/**
 * It does not go: what is found at a task becomes a fact, what is done stays done, and the rest is planned anew and runs in
 * the machine as it stands. Common practice, no source.
 */
import { FOUND_NAMES } from '../builders/foundNames.ts';
import { expect } from 'chai';
import {
  type Found,
  type FoundKind,
  type Step,
  type StepValues,
  findable,
  restOf,
  restRequest,
  steps,
  withFound,
} from '../../src/core/procedure/index.ts';
import { type Job, actId, isDone } from '../../src/core/document/index.ts';
import { LEAD_KINDS } from '../../src/core/standards/index.ts';
import { apply } from '../../src/core/commands/index.ts';
import { assemblyOf } from '../../src/core/assembly/index.ts';
import { bring, leftUndone, run, worldOf } from '../../src/core/simulator/index.ts';
import { proposePlan } from '../../src/core/planner/index.ts';
import { valueOf } from '../../src/core/parts/index.ts';
import { EXTRAS } from '../../demo/catalogue/extras.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { STAMP } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';
import { seating } from '../builders/acts';

const SEED = Number(process.env['SEED'] ?? 20261128);
const EACH = soaked(20, 200);
const JOBS = fittingJobs(soaked(300, 1_500), SEED + 1);

/** What came is looked at first. */
const workOf = (job: Job): readonly Step[] =>
  steps(job).filter(({ task, code }) => task !== null || code === 'checkArrived');

const FOUND: { readonly [Kind in FoundKind]: (n: number, step: Step) => Found } = {
  leadShort: (n) => ({ kind: 'leadShort', mm: 60 + (n % 5) * 40 }),
  inTheWay: (n) => ({
    kind: 'inTheWay',
    what: 'Unknown header',
    fromRearMm: 70 + (n % 4) * 20,
    heightMm: 18,
    movable: n % 3 === 0,
    hasPlug: n % 2 === 0,
  }),
  noHeader: () => ({ kind: 'noHeader' }),
  headerTaken: () => ({ kind: 'headerTaken' }),
  pinBent: () => ({ kind: 'pinBent' }),
  notKeyed: () => ({ kind: 'notKeyed' }),
  knockedLoose: (n) => ({
    kind: 'knockedLoose',
    lead: LEAD_KINDS[n % LEAD_KINDS.length]!,
    name: '',
  }),
  coverStuck: () => ({ kind: 'coverStuck' }),
  slotBroken: () => ({ kind: 'slotBroken' }),
  bracketWrong: () => ({ kind: 'bracketWrong' }),
  cardLonger: (n) => ({ kind: 'cardLonger', mm: 200 + (n % 5) * 40 }),
  screwMissing: () => ({ kind: 'screwMissing' }),
  boxShort: (n, step) => {
    const { contents } = step.values as StepValues['checkArrived'];
    return { kind: 'boxShort', missing: contents[n % contents.length]! };
  },
};

/** A job up to a task that does not go, and with the rest planned anew. */
function planned(job: Job, at: number, found: Found) {
  const work = workOf(job);
  const ticked = work
    .slice(0, at)
    .reduce((soFar, of) => apply(soFar, { name: 'tickStep', of }, STAMP), job);
  const told = withFound(ticked, work[at]!, found, FOUND_NAMES);
  const cards = (job.plan?.placements ?? []).map(({ card }) => card);
  const proposal = proposePlan(restRequest(told, { cards, extras: EXTRAS, library: null }));
  const { acceptance, acts } = restOf(told, proposal, null, EXTRAS);
  const again = apply(
    ticked,
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
  return { ticked, told, again, work };
}

describe(`It does not go (seed ${SEED})`, () => {
  for (const kind of Object.keys(FOUND) as readonly FoundKind[])
    it(`${kind}: the rest runs in the machine as it stands, and what is done stays done`, () => {
      let tried = 0;
      for (const [n, job] of JOBS.entries()) {
        if (tried === EACH) break;
        const work = workOf(job);
        const places = work.flatMap((step, at) => (findable(step, job).includes(kind) ? at : []));
        if (places.length === 0) continue;
        tried += 1;
        const at = places[n % places.length]!;
        const { ticked, again } = planned(job, at, FOUND[kind](n, work[at]!));
        const told = `${kind} at ${work[at]!.id} of\n${work.map(({ id }) => id).join('\n')}`;
        const before = run(worldOf(job, assemblyOf(job)), work.slice(0, at));
        expect(before.refused, told).to.equal(null);
        const rest = workOf(again).filter(({ isOpen }) => isOpen);
        const list = `${told}\n-- anew:\n${rest.map(({ id }) => id).join('\n')}`;
        const after = run(bring(before.world, again, assemblyOf(again)), rest);
        expect(after.refused && `${after.refused.step.id} ${after.refused.because}`, list).to.equal(
          null,
        );
        expect(leftUndone(after.world), list).to.deep.equal([]);
        // It went with its card to another slot, or was put right again and is wanted once more.
        const kept = again.acts.map(({ code, round }) => `${code} ${round}`);
        for (const act of ticked.acts) {
          const at = kept.indexOf(`${act.code} ${act.round}`);
          expect(at !== -1 || rest.some(({ id }) => id === actId(act)), list).to.equal(true);
          if (at !== -1) kept.splice(at, 1);
        }
        for (const { card, slotId } of job.plan!.placements)
          if (isDone(ticked, seating(card, slotId)))
            expect(
              again.plan!.placements.some(
                (each) => each.slotId === slotId && each.card.id === card.id,
              ),
              list,
            ).to.equal(true);
      }
      expect(tried).to.be.greaterThan(EACH / 2);
    });

  it('tells its facts as seen at the bench', () => {
    const job = JOBS.find((each) => workOf(each).some(({ code }) => code === 'seat'))!;
    const at = workOf(job).findIndex(({ code }) => code === 'seat');
    const { told, again } = planned(job, at, { kind: 'slotBroken' });
    const slot = told.machine.slots.find(({ id }) => id === workOf(job)[at]!.slotId)!;
    expect(slot.state).to.deep.equal({ value: 'dead', source: 'bench' });
    expect(again.plan!.placements.map(({ slotId }) => slotId)).to.not.include(slot.id);
    expect(again.log.at(-1)).to.include({ command: 'foundAtBench', detail: 'slotBroken' });
    expect(valueOf(again.machine.slots.find(({ id }) => id === slot.id)!.state)).to.equal('dead');
  });

  it('goes on with a reason, which stays in the log', () => {
    const [job] = JOBS;
    const [step] = workOf(job!);
    const on = apply(
      job!,
      { name: 'tickStep', of: step!, reason: 'switch is broken, lead is out' },
      STAMP,
    );
    expect(isDone(on, step!)).to.equal(true);
    expect(on.log.at(-1)!.detail).to.equal(`${step!.id}: switch is broken, lead is out`);
  });
});
