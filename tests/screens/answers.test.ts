/** The first line of every stage: true, with its figure, and the same everywhere. */
import { expect } from 'chai';
import { readFileSync } from 'node:fs';
import { STAGES, type Job } from '$core/document';
import { apply } from '$core/commands';
import { openItems, provings, stageAnswer } from '$core/diagnosis';
import { standing, steps } from '$core/procedure';
import { answerWords } from '$words/answers';
import { proposalWords, trialWords } from '$words/chooseAnswer';
import { demoJobs } from '../../demo/jobs';
import { PACKAGES } from '../builders/library';
import { STAMP, measured } from '../builders/parts';

const jobs = demoJobs(
  readFileSync(new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url), 'utf8'),
  PACKAGES,
);
const museum = jobs.find(({ id }) => id === 'lighthouse-museum')!;
const says = (job: Job, stage: (typeof STAGES)[number]) => answerWords(stageAnswer(job, stage));

describe('Answers of the stages', () => {
  it('end as sentences, in every stage of every job of the demo', () => {
    for (const job of jobs)
      for (const stage of STAGES)
        expect(says(job, stage).words, `${job.id} ${stage}`).to.match(/^[A-Z0-9].*\.$/);
  });

  it('say that a must falls short, count it as open, and hand nothing over as ready', () => {
    expect(says(museum, 'prove')).to.deep.equal({
      words: 'The must falls short: 112 of 700 MB/s.',
      verdict: 'blocked',
      next: null,
    });
    expect(openItems(museum).prove).to.equal(1);
    expect(standing(museum, openItems(museum))).to.equal('prove');
    expect(says(museum, 'hand-over')).to.include({
      words: 'Not ready: one must falls short.',
      next: 'prove',
    });
    const done = steps(museum).reduce(
      (job, of) => apply(job, { name: 'tickStep', of }, STAMP),
      apply(museum, measured('network', 1_100e6), STAMP),
    );
    expect(says(done, 'prove').words).to.equal('Every need gets what was expected.');
    expect(says(done, 'hand-over').words).to.equal('Handed over.');
    expect(standing(done, openItems(done))).to.equal(null);
  });

  it('count a wish that falls short as measured, and a need that the machine meets as met', () => {
    const states = (job: Job) =>
      Object.fromEntries(
        provings(job).map(({ expectation, state }) => [expectation.need.id, state]),
      );
    const slow = apply(museum, measured('drives', 1e6), STAMP);
    expect(states(slow)).to.deep.equal({ network: 'short', drives: 'short' });
    expect(openItems(slow).prove).to.equal(1);
    const met = { ...museum, plan: { ...museum.plan!, met: ['network'] }, observations: [] };
    expect(states(met)['network']).to.equal('fine');
  });

  it('send whoever has no plan to Choose', () => {
    const [unplanned] = jobs.filter(({ plan }) => plan === null);
    for (const stage of ['prepare', 'fit', 'drivers', 'prove', 'hand-over'] as const)
      expect(says(unplanned!, stage)).to.include({ next: 'choose', verdict: null });
  });

  it('of a proposal say musts first, and what is not known', () => {
    const plan = (mustsUnmet: number) =>
      ({ cost: { mustsUnmet } }) as Parameters<typeof proposalWords>[0];
    expect(proposalWords(plan(1), 9_900, 2, 3).words).to.equal('1 of 2 musts cannot be met.');
    expect(proposalWords(plan(1), 9_900, 1, 3).words).to.equal('The must cannot be met.');
    expect(proposalWords(plan(0), 9_900, 2, 30).words).to.equal(
      'Best on what is known, 30 facts open: 99.00.',
    );
    expect(proposalWords(plan(0), 9_900, 2, 0)).to.include({
      words: 'Every must is met: 99.00.',
      verdict: 'clear',
    });
  });

  it('of a trial say what becomes of the musts with it, and its own price', () => {
    expect(trialWords(['needs'], ['met', 'short'], 164_900, 'blocked')).to.deep.equal({
      words: 'On trial: 1 of 2 musts met: 1,649.00.',
      verdict: 'blocked',
      next: null,
    });
    expect(
      trialWords(['blocked', 'clear'], ['met', 'unknown', 'short'], 9_900, 'blocked').words,
    ).to.equal('On trial: 1 card cannot go where tried, 1 of 3 musts met, 1 not known: 99.00.');
    expect(trialWords(['clear', 'clear'], [], 9_900, 'clear').words).to.equal(
      'On trial: 2 cards: 99.00.',
    );
  });
});
