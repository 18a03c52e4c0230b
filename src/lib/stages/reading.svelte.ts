/** Files that the machine wrote, being read in the worker: how far it is, what came of it, what becomes of it. */
import { proxy } from 'comlink';
import { isDone, type Observation } from '$core/document';
import { runFrom, type OpenResult } from '$core/diagnosis';
import type { MeasuredRate } from '$core/read';
import { nameLists } from '$lib/state/nameLists';
import { now } from '$lib/state/now';
import { supplies } from '$lib/state/supplies.svelte';
import { askReader } from '$lib/workers/reader';
import type { DroppedFile } from '$lib/workers/packageFiles';
import type { EvidenceAccepted } from '$lib/workers/readWork';
import type { JobModel } from './jobModel.svelte';

export class Reading {
  private readonly model: JobModel;
  progress = $state.raw<{ readonly done: number; readonly of: number } | null>(null);
  /** What the last reading found; it stays until the next. */
  result = $state.raw<EvidenceAccepted | null>(null);
  /** What it shows of the accepted plan's cards; null where it was taken into the survey. */
  observed = $state.raw<readonly Observation[] | null>(null);
  /** Measurements of which it has to be said whose need they are of. */
  open = $state.raw<readonly OpenResult[]>([]);
  /** Steps that it ticked. */
  proven = $state(0);
  stopped = $state(false);
  failed = $state('');
  /** Whether the technician said that a report of another machine is meant. */
  private isMeant = $state(false);

  constructor(model: JobModel) {
    this.model = model;
  }

  /** Whether a file said anything of the machine, and whether all of them were read without a problem. */
  told = $derived(
    this.result?.files.some(({ kind, found }) => kind !== null && found > 0) ?? false,
  );
  troubled = $derived(
    (this.result?.files.some(({ problems }) => problems.length > 0) ?? false) ||
      (this.result?.problems.length ?? 0) > 0,
  );

  /** What the technician is asked before anything is taken: which machine, or whether another one is meant. */
  question = $derived(
    this.result === null
      ? null
      : this.result.apart !== null
        ? 'which'
        : this.result.isOther && !this.isMeant
          ? 'other'
          : null,
  );

  /**
   * Until a plan is accepted what is read goes into the survey; afterwards it is held against the plan.
   * @returns whether anything was taken or observed
   */
  async read(files: readonly DroppedFile[]): Promise<boolean> {
    if (files.length === 0) return false;
    this.progress = { done: 0, of: files.length };
    this.failed = '';
    this.stopped = false;
    this.isMeant = false;
    const start = performance.now();
    try {
      const answer = await this.ask(files);
      // For whoever measures how long a bundle takes.
      performance.measure('tenant-evidence', { start });
      this.stopped = answer === null;
      if (answer === null) return false;
      this.result = answer;
      await nameLists(answer.lists);
      return await this.settle();
    } catch (error) {
      this.failed = String(error);
      return false;
    } finally {
      this.progress = null;
    }
  }

  /** Which of the machines the files are of. */
  async choose(which: number): Promise<boolean> {
    const cards = supplies.cards ?? [];
    const chosen = await askReader((reader) => reader.choose(which, this.model.job.machine, cards));
    if (chosen === null) return false;
    this.result = chosen;
    return this.settle();
  }

  /** A report of another machine than the survey's is meant all the same. */
  async takeOther(): Promise<boolean> {
    const again = await askReader((reader) =>
      reader.takeAgain(this.model.job.machine, supplies.cards ?? []),
    );
    if (again === null) return false;
    this.isMeant = true;
    this.result = again;
    return this.settle();
  }

  /** Takes or observes what was read, unless something is to be asked before. */
  private async settle(): Promise<boolean> {
    const { result } = this;
    if (result === null || !this.told || this.question !== null) return false;
    if (this.model.job.plan === null) this.take(result);
    else await this.observe();
    return true;
  }

  private async ask(files: readonly DroppedFile[]): Promise<EvidenceAccepted | null> {
    // It comes another way than the answer does, and may come after it.
    const onFile = proxy((done: number) => {
      if (this.progress !== null) this.progress = { done, of: files.length };
    });
    let { machine } = this.model.job;
    const known = { ...(await nameLists()), functions: machine.functions };
    const cards = supplies.cards ?? [];
    let answer = await askReader((reader) => reader.read(files, known, machine, cards, onFile));
    // What was typed while it read is in the survey already: the reading is taken into that.
    while (answer !== null && machine !== this.model.job.machine) {
      machine = this.model.job.machine;
      answer = await askReader((reader) => reader.takeAgain(machine, cards));
    }
    return answer;
  }

  private take({ machine, devices }: EvidenceAccepted): void {
    this.observed = null;
    this.model.open.run({ name: 'readMachine', machine, devices });
  }

  private async observe(): Promise<void> {
    const { job } = this.model;
    const { observations, proves, open } = (await askReader((reader) =>
      reader.observe(job, now()),
    )) ?? { observations: [], proves: [], open: [] };
    this.observed = observations;
    this.open = open;
    this.proven = proves.filter((step) => !isDone(job, step)).length;
    if (observations.length > 0) this.model.open.run({ name: 'observe', observations, proves });
  }

  /** A measurement as one of a need, on the technician's word. */
  takeAs(result: MeasuredRate, needId: string): void {
    const { job } = this.model;
    const n = this.open.findIndex((each) => each.result === result);
    this.model.open.run({
      name: 'observe',
      observations: [runFrom(job, needId, result, now(), n)],
    });
    this.open = this.open.filter((each) => each.result !== result);
  }

  /** What was read last, taken into the survey after all: on the technician's word. */
  async takeIntoSurvey(): Promise<void> {
    const { machine } = this.model.job;
    const again = await askReader((reader) => reader.takeAgain(machine, supplies.cards ?? []));
    if (again !== null) this.take(again);
  }
}
