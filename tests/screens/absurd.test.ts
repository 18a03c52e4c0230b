/** Whatever validates can be opened: nothing that a view computes throws, takes for ever, or is made of markup. */
import { readFileSync } from 'node:fs';
import { expect } from 'chai';
import { contradictions, sameMachine } from '$core/survey';
import { decisiveFacts, verdictTable } from '$core/rules';
import { emptyMachine, type Job } from '$core/document';
import { expectations, assemblyOf } from '$core/assembly';
import { handOverSheet, shoppingList } from '$core/write';
import { housings } from '$core/placement';
import { judge, openItems } from '$core/diagnosis';
import { portTree, portsWithSlots } from '$core/read';
import { steps, summaryOf } from '$core/procedure';
import { boardLayout } from '$lib/board/layout';
import { adviceWords } from '$words/facts';
import { findingTopic, findingWords } from '$words/findings';
import { needWords } from '$words/needs';
import { logWords } from '$words/commands';
import { judgementWords } from '$words/proof';
import { stepWords } from '$words/steps';
import { CARDS } from '../../demo/catalogue/cards.ts';
import { PACKAGES } from '../builders/library.ts';
import { demoJobs } from '../../demo/jobs.ts';
import { absurdJob, chanceOf } from '../builders/absurdJob.ts';
import { soaked } from '../builders/soak.ts';

const SEED = Number(process.env['SEED'] ?? 20261125);
const museum = readFileSync(
  new URL('../../demo/evidence/lighthouse-museum.lspci.txt', import.meta.url),
  'utf8',
);
/** Longer than a technician waits for a screen. */
const PATIENCE_MS = 2_000;
const SOME_CARDS = CARDS.filter((_, n) => n % 40 === 0);

/** What every view asks of a job, one after the other. */
function everyView(job: Job): void {
  const said: string[] = [];
  summaryOf(job, openItems(job));
  openItems(job);
  contradictions(job.machine);
  decisiveFacts(job.machine, job.needs, SOME_CARDS, PACKAGES);
  portTree(job.machine.functions);
  portsWithSlots(job.machine.functions);
  sameMachine(job.machine, emptyMachine());
  for (const step of steps(job)) said.push(...Object.values(stepWords(step)).map(String));
  for (const expectation of expectations(job)) {
    if (expectation.flow !== null)
      said.push(judgementWords(judge(expectation.flow, 1e9), expectation.flow));
  }
  for (const need of job.needs) said.push(needWords(need));
  for (const row of verdictTable(SOME_CARDS, job.machine, PACKAGES))
    for (const { findings } of row)
      for (const finding of findings)
        said.push(findingWords(finding), findingTopic(finding), adviceWords(finding) ?? '');
  handOverSheet(job);
  if (job.plan !== null) {
    assemblyOf(job);
    shoppingList(job, 2_000);
  }
  for (const { machine } of housings(job.machine)) boardLayout(machine, []);
  for (const { command } of job.log) said.push(logWords(command));
  for (const text of said) expect(text).to.be.a('string');
}

describe(`Absurd jobs (seed ${SEED})`, function () {
  this.timeout(3_600_000);
  const sound = demoJobs(museum, PACKAGES);
  const count = soaked(60, 10_000);

  it(`can all be opened, ${count} of them, each in no more time than one waits`, () => {
    const chance = chanceOf(SEED);
    let opened = 0;
    let slowest = 0;
    for (let n = 0; opened < count; n += 1) {
      const job = absurdJob(sound[n % sound.length]!, chance);
      if (job === null) continue;
      opened += 1;
      const start = performance.now();
      try {
        everyView(job);
      } catch (error) {
        throw new Error(`${n}: ${JSON.stringify(job).slice(0, 3000)}`, { cause: error });
      }
      slowest = Math.max(slowest, performance.now() - start);
    }
    expect(slowest).to.be.below(PATIENCE_MS);
    expect(({} as Record<string, unknown>)['polluted']).to.equal(undefined);
  });
});
