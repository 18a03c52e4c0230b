/** Each kind of thing that does not go, at the bench: found, planned anew, taken, and worked to the end by keyboard. */
import { apply } from '../../src/core/commands/index.ts';
import {
  findable,
  steps,
  type FoundKind,
  type Step,
  type StepValues,
} from '../../src/core/procedure/index.ts';
import { writeJobFile } from '../../src/core/write/index.ts';
import type { Job } from '../../src/core/document/index.ts';
import { fittingJobs } from '../builders/fitting.ts';
import { STAMP } from '../builders/parts.ts';
import { soaked } from '../builders/soak.ts';
import type { Page } from '@playwright/test';
import { expect, openBench, openJobs, saved, test } from './fixtures.ts';

const JOBS = fittingJobs(60, 20261128);

const isWork = ({ task }: Step): boolean => task !== null;

/** The first job in which this kind can be found, with everything done up to there. */
function jobUpTo(kind: FoundKind): Job {
  for (const each of JOBS) {
    const work = steps(each).filter(isWork);
    const at = work.findIndex((step) => findable(step, each).includes(kind));
    const step = work[at];
    if (step === undefined || step.round === 2) continue;
    const begun = apply(each, { name: 'chooseStaticWay', way: 'touch' }, STAMP);
    const job = work
      .slice(0, at)
      .reduce((soFar, of) => apply(soFar, { name: 'tickStep', of }, STAMP), begun);
    return { ...job, id: `found-${kind}`, title: `Found: ${kind}` };
  }
  throw new Error(`No job in which ${kind} can be found`);
}

/** What is typed of it. */
const TYPED: Readonly<Partial<Record<FoundKind, readonly (readonly [RegExp, string])[]>>> = {
  leadShort: [[/It reaches, mm/, '60']],
  cardLonger: [[/The card is, mm/, '330']],
  inTheWay: [
    [/What it is/, 'Unknown header'],
    [/From the rear edge, mm/, '90'],
    [/Height over the board, mm/, '18'],
  ],
};

/** As they are called at the bench. */
const AT_BENCH: readonly (readonly [kind: FoundKind, words: string])[] = [
  ['leadShort', 'The lead does not reach'],
  ['inTheWay', 'Something stands in the card’s path'],
  ['coverStuck', 'The cover does not come out'],
  ['slotBroken', 'Latch or slot is broken'],
  ['bracketWrong', 'The bracket is not in the box'],
  ['cardLonger', 'The card is longer than said'],
  ['screwMissing', 'A screw is missing'],
  ['noHeader', 'There is no such header'],
  ['pinBent', 'A pin is bent'],
  ['knockedLoose', 'A plug inside has come out'],
];

async function openFound(page: Page, job: Job, stage: string): Promise<void> {
  await openJobs(page);
  await page.locator('#import-job').setInputFiles({
    name: 'found.tenant.json',
    mimeType: 'application/json',
    buffer: Buffer.from(writeJobFile(job)),
  });
  await expect(page).toHaveURL(new RegExp(job.id));
  await page.goto(`/jobs/${job.id}/${stage}`);
}

for (const [kind, words] of AT_BENCH.filter((_, n) => n % soaked(3, 1) === 0))
  test(`${kind} is found, the rest planned anew and worked to its end`, async ({ page }) => {
    const job = jobUpTo(kind);
    await openFound(page, job, 'fit');
    const { bench, title, workToEnd } = await openBench(page);
    await page.keyboard.press('n');
    await bench.getByRole('button', { name: words }).press('Enter');
    for (const [label, text] of TYPED[kind] ?? []) await bench.getByLabel(label).fill(text);
    await bench.getByRole('button', { name: /Plan the rest anew/ }).press('Enter');
    await expect(bench.getByRole('list', { name: 'What changes' })).toContainText('It costs');
    await bench.getByRole('button', { name: 'Take this list' }).press('Enter');
    await expect(bench.getByRole('group', { name: 'It does not go' })).toBeHidden();
    // What is done stays done: no task before it comes again from the start.
    await expect(title).not.toHaveText(/^Shut down/);
    await saved(page);
    await workToEnd();
  });

test('something is missing in the box of a card that came, and what that costs is said', async ({
  page,
}) => {
  const found = JOBS.flatMap((job) => {
    const step = steps(job).find((each) => findable(each, job).includes('boxShort'));
    return step === undefined ? [] : [{ job, step }];
  })[0]!;
  const job = { ...found.job, id: 'found-boxShort', title: 'Found: boxShort' };
  await openFound(page, job, 'prepare');
  const card = (found.step.values as StepValues['checkArrived']).card;
  await page
    .getByRole('list', { name: 'All steps of this stage' })
    .getByRole('button', { name: `Check what came: ${card}`, exact: true })
    .click();
  await page.getByRole('button', { name: 'It is not as ordered' }).press('Enter');
  const asked = page.getByRole('group', { name: 'It does not go' });
  await asked.getByRole('button', { name: 'Something is missing in the box' }).press('Enter');
  await expect(asked.getByRole('status')).toHaveText('Pick what is missing.');
  await asked.getByRole('button', { name: /^Plug adapter/ }).press('Enter');
  await asked.getByRole('button', { name: /Plan the rest anew/ }).press('Enter');
  await expect(asked.getByRole('list', { name: 'What changes' })).toContainText('It costs');
  await asked.getByRole('button', { name: 'Take this list' }).press('Enter');
  await expect(asked).toBeHidden();
  await saved(page);
  await page.getByRole('button', { name: 'Log of this job' }).click();
  await expect(page.getByText(/Something is missing in the box/)).toBeVisible();
});
