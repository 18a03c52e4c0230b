/**
 * Two and three windows on one job, in every order that a seed makes: nobody's saved change is overwritten unsaid.
 * The store, the saving and the windows' own keepers are the real ones; only messages and chance are the test's.
 */
import '../builders/browser.ts';
import { expect } from 'chai';
import * as fc from 'fast-check';
import { apply } from '$core/commands';
import { stateMark, type Job } from '$core/document';
import { JobKeeper, type JobState, type Keeping, type Saving } from '$lib/state/jobKeeper';
import { ChangedElsewhere, Gone, isJob, readJob, saveJob, takeOut } from '$lib/state/jobStore';
import { readHistory } from '$lib/state/past';
import { changedBack, historyOf, keepHistory } from '$lib/state/undoHistory';
import { jobRecords, undoRecords } from '$lib/state/stores';
import type { WindowMessage } from '$lib/state/windows';
import { aJob, aMachine, aSlot, usbNeed } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);

const keeping = (onSaved: (job: Job) => void, careless: boolean): Keeping => ({
  async read(id) {
    const stored = await readJob(id);
    if (stored === null) return 'gone';
    return isJob(stored) ? stored : 'unreadable';
  },
  async save(job, madeFrom) {
    if (careless) {
      // As if nobody looked at what is there.
      const stored = await readJob(job.id);
      madeFrom = stored !== null && isJob(stored) ? stateMark(stored) : null;
    }
    await saveJob(job, madeFrom);
    onSaved(job);
  },
  async meaning(error): Promise<Saving> {
    if (error instanceof ChangedElsewhere) return 'changedElsewhere';
    if (error instanceof Gone) return 'gone';
    throw error;
  },
  keepHistory,
  changedBack,
});

interface Act {
  readonly window: number;
  readonly what:
    'change' | 'undo' | 'redo' | 'take' | 'delete' | 'again' | 'sleep' | 'wake' | 'rest';
  readonly number: number;
}

const acts = (windows: number) =>
  fc.array(
    fc.record<Act>({
      window: fc.integer({ min: 0, max: windows - 1 }),
      what: fc.constantFrom<Act['what'][]>(
        'change',
        'change',
        'change',
        'undo',
        'redo',
        'take',
        'delete',
        'again',
        'sleep',
        'wake',
        'rest',
      ),
      number: fc.integer({ min: 1, max: 999 }),
    }),
    { minLength: 3, maxLength: 14 },
  );

/** A job as it is when it has just been opened. */
const stateOf = (job: Job): JobState => ({
  job,
  saving: 'saved',
  said: '',
  refused: [],
  alsoOpenIn: [],
  done: [],
  undone: [],
});

const breath = () => new Promise((resolve) => setImmediate(resolve));

/** What of the log tells whether one job came of the other. */
const steps = ({ log }: Job): string =>
  log.map(({ at, who, command }) => `${at}${who}${command}`).join();

async function play(id: string, windows: number, all: readonly Act[], careless = false) {
  const start: Job = { ...aJob({ name: 'addNeed', need: usbNeed(2) }), id };
  await saveJob(start, null);
  const history: Job[] = [start];
  let clock = 0;
  const asleep = new Set<number>();
  const hearers = new Map<number, (message: WindowMessage) => void>();
  const states = new Map<number, JobState>();
  const keepers = Array.from({ length: windows }, (_, n) => {
    const state: JobState = stateOf(start);
    states.set(n, state);
    return new JobKeeper(
      state,
      stateMark(start),
      keeping((job) => history.push(job), careless),
      {
        me: `w${n}`,
        tell: (news) => {
          for (const [other, hear] of hearers)
            if (other !== n && !asleep.has(other))
              setImmediate(() => hear({ ...news, from: `w${n}` }));
        },
        hear: (hear) => {
          hearers.set(n, hear);
          return () => hearers.delete(n);
        },
      },
      () => new Date(Date.UTC(2026, 10, 20) + (clock += 1000)).toISOString(),
      (fresh) => states.set(n, fresh),
    );
  });
  for (const keeper of keepers) keeper.open();
  let deleted = 0;
  for (const { window, what, number } of all) {
    const keeper = keepers[window]!;
    if (what === 'change') keeper.run({ name: 'setBudget', cents: number * 10 + window });
    else if (what === 'undo') keeper.undo();
    else if (what === 'redo') keeper.redo();
    else if (what === 'take') void keeper.takeStored();
    else if (what === 'again') void keeper.saveAnew();
    else if (what === 'sleep') asleep.add(window);
    else if (what === 'wake') asleep.delete(window);
    else if (what === 'delete' && number < 100) {
      deleted += 1;
      await takeOut(id);
    } else for (let n = 0; n < number % 5; n += 1) await breath();
  }
  // Until nobody is at it any more.
  for (let n = 0, quiet = 0; quiet < 40 && n < 2_000; n += 1) {
    await breath();
    quiet = [...states.values()].some(({ saving }) => saving === 'saving') ? 0 : quiet + 1;
  }
  const stored = await readJob(id);
  return { history, states: [...states.values()], stored, deleted };
}

/** Saved jobs that a later save does not come of: overwritten without a word. */
const overwritten = (history: readonly Job[]): number =>
  history.filter((job, n) => n > 0 && !steps(job).startsWith(steps(history[n - 1]!))).length;

describe(`Windows on one job (seed ${SEED})`, function () {
  this.timeout(600_000);
  const runs = soaked(200, 2_000);

  for (const windows of [2, 3]) {
    it(`${windows} of them never overwrite each other unsaid, in ${runs / 2} orders of what they do`, async () => {
      const cases = fc.sample(acts(windows), { numRuns: runs / 2, seed: SEED + windows });
      for (const [n, all] of cases.entries()) {
        const { history, states, stored, deleted } = await play(`j${windows}-${n}`, windows, all);
        const told = JSON.stringify(all);
        if (deleted === 0) expect(overwritten(history), told).to.equal(0);
        for (const { saving, job } of states) {
          // Whoever is not saved is told why; whoever is shows what is stored, or has not heard of the rest yet.
          expect(saving, told).to.be.oneOf(['saved', 'changedElsewhere', 'gone']);
          if (saving !== 'saved') continue;
          expect(
            history.some((saved) => steps(saved) === steps(job)),
            told,
          ).to.equal(true);
          if (stored === null || !isJob(stored)) continue;
          const isOlder = steps(stored).startsWith(steps(job));
          if (deleted === 0) expect(isOlder, told).to.equal(true);
        }
      }
    });
  }

  it('are found to overwrite each other where saving does not look', async () => {
    const cases = fc.sample(acts(2), { numRuns: 60, seed: SEED });
    let found = 0;
    for (const [n, all] of cases.entries()) {
      const { history, deleted } = await play(`careless-${n}`, 2, all, true);
      if (deleted === 0) found += overwritten(history);
    }
    expect(found).to.be.greaterThan(0);
  });
});

describe('Undo over a reload', () => {
  const open = async (job: Job) => {
    let state: JobState = stateOf(job);
    const keeper = new JobKeeper(
      state,
      stateMark(job),
      keeping(() => undefined, false),
      { me: 'w', tell: () => undefined, hear: () => () => undefined },
      () => '2026-11-20T10:00:00.000Z',
      (fresh) => (state = fresh),
    );
    const history = await readHistory(job.id);
    if (history !== null) keeper.takeHistory(history);
    return { keeper, now: () => state };
  };
  const reloaded = async (id: string) => {
    const job = await readJob(id);
    if (job === null || !isJob(job)) throw new Error('No job is stored');
    return open(job);
  };
  /** Apart from what counts changes. */
  const what = ({ log, revision, changedAt, ...rest }: Job) => {
    void [log, revision, changedAt];
    return rest;
  };

  it('goes back step by step to the same job, and forth again', async () => {
    const start: Job = { ...aJob(), id: 'undo-1' };
    await saveJob(start, null);
    const first = await open(start);
    const seen: object[] = [what(start)];
    const machine = aMachine([aSlot(1), aSlot(3)]);
    for (const command of [
      { name: 'takeTemplate', machine },
      { name: 'addNeed', need: usbNeed(4) },
      { name: 'setBudget', cents: 5000 },
      { name: 'changeMachine', machine: { ...machine, slots: [] } },
    ] as const) {
      expect(first.keeper.run(command)).to.equal(true);
      seen.push(what(first.now().job));
    }
    await first.keeper.save();
    await new Promise((resolve) => setTimeout(resolve, 20));
    const second = await reloaded('undo-1');
    for (const past of seen.slice(0, -1).toReversed()) {
      second.keeper.undo();
      expect(what(second.now().job)).to.deep.equal(past);
    }
    expect(second.now().done).to.deep.equal([]);
    await second.keeper.save();
    await new Promise((resolve) => setTimeout(resolve, 20));
    const third = await reloaded('undo-1');
    for (const next of seen.slice(1)) {
      third.keeper.redo();
      expect(what(third.now().job)).to.deep.equal(next);
    }
  });

  it('begins anew, and says so, where another window has changed the job since', async () => {
    const start: Job = { ...aJob(), id: 'undo-2' };
    await saveJob(start, null);
    const first = await open(start);
    first.keeper.run({ name: 'setBudget', cents: 100 });
    await first.keeper.save();
    await new Promise((resolve) => setTimeout(resolve, 20));
    const { job } = first.now();
    await saveJob({ ...job, revision: job.revision + 1, title: 'Other' }, stateMark(job));
    const second = await reloaded('undo-2');
    expect(second.now().done).to.deep.equal([]);
    expect(second.now().said).to.include('another window');
  });

  it('of another bench that counted to the same revision is not offered, and not written over', async () => {
    const start: Job = { ...aJob(), id: 'undo-3' };
    await saveJob(start, null);
    const first = await open(start);
    first.keeper.run({ name: 'setBudget', cents: 100 });
    await first.keeper.save();
    const here = first.now().job;
    // What a merge puts in its place: the same job, with as many changes, made elsewhere and later.
    const elsewhere = apply(
      start,
      { name: 'describeJob', details: { title: 'Done elsewhere' } },
      { at: '2027-01-01T00:00:00.000Z', who: 'Other' },
    );
    expect(elsewhere.revision).to.equal(here.revision);
    await jobRecords.put(start.id, elsewhere);
    const second = await reloaded('undo-3');
    expect(second.now().done).to.deep.equal([]);
    expect(second.now().said).to.include('another window');
    // The window that still has the other one open does not save over it.
    first.keeper.run({ name: 'setBudget', cents: 200 });
    await first.keeper.save();
    expect(first.now().saving).to.equal('changedElsewhere');
    expect(await jobRecords.get(start.id)).to.deep.equal(elsewhere);
  });

  it('at the last revision that there is goes on from the first', async () => {
    const start: Job = { ...aJob(), id: 'undo-4', revision: 1e9 };
    await saveJob(start, null);
    const { keeper, now } = await open(start);
    expect(keeper.run({ name: 'setBudget', cents: 100 })).to.equal(true);
    await keeper.save();
    expect(now()).to.deep.include({ saving: 'saved', refused: [] });
    expect(now().job.revision).to.equal(0);
  });

  it('that was kept damaged is none', async () => {
    for (const kept of [null, 7, {}, { of: 'x', format: 11, done: [{ change: 1 }], undone: [] }]) {
      await undoRecords.put('damaged', kept);
      expect(await readHistory('damaged')).to.equal(null);
    }
  });

  it('takes nothing that could not be kept, and says where it stood', async () => {
    const start: Job = { ...aJob(), id: 'refused' };
    await saveJob(start, null);
    const { keeper, now } = await open(start);
    expect(keeper.run({ name: 'setBudget', cents: 1e12 })).to.equal(false);
    expect(now().job).to.equal(start);
    expect(now().refused.map(({ at }) => at)).to.deep.equal(['budgetCents']);
    expect(keeper.run({ name: 'setBudget', cents: 100 })).to.equal(true);
    expect(now().refused).to.deep.equal([]);
  });

  it('keeps small steps small, and as many as there is room for', () => {
    const base = aJob({ name: 'takeTemplate', machine: aMachine([aSlot(1), aSlot(3)]) });
    const done = [{ what: 'x', job: base, change: null }];
    const state = { job: { ...base, budgetCents: 1 }, saving: 'saved', said: '', refused: [] };
    const { done: kept } = historyOf({ ...state, alsoOpenIn: [], done, undone: [] } as JobState);
    expect(JSON.stringify(kept).length).to.be.lessThan(200);
  });
});
