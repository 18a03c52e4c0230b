/**
 * The job that is open: applies commands, saves after each, undoes and redoes, and keeps in step with other
 * windows. What is on the screen is never lost: while it cannot be saved, `saving` says why.
 */
import { SvelteMap } from 'svelte/reactivity';
import { apply, restore, type Command, type Job } from '$core';
import { COMMAND_WORDS } from '../wording/commands';
import { now } from './now';
import { ChangedElsewhere, readJob, saveJob, troubleOf, type StorageTrouble } from './storage';
import { WINDOW_ID, hearWindows, tellWindows } from './windows';

export type Saving = 'saved' | 'saving' | StorageTrouble | 'changedElsewhere';

interface Past {
  readonly job: Job;
  /** What was done to it, in words. */
  readonly what: string;
}

const MOST_UNDO = 100;

/** Jobs this window holds open, by id; one that could not be saved stays here when its page is left. */
export const held = new SvelteMap<string, OpenJob>();

export class OpenJob {
  job = $state.raw<Job>() as Job;
  saving = $state<Saving>('saved');
  /** The last thing worth saying: what was undone, that another window changed the job. */
  said = $state('');
  /** Other windows that have this job open. */
  alsoOpenIn = $state.raw<readonly string[]>([]);
  private done = $state.raw<readonly Past[]>([]);
  private undone = $state.raw<readonly Past[]>([]);
  /** Revision that is in the store; null while the job has never been saved. */
  private stored: number | null;
  private running: Promise<void> | null = null;
  private readonly stopHearing: () => void;

  constructor(job: Job, stored: number | null) {
    this.job = job;
    this.stored = stored;
    held.set(job.id, this);
    this.stopHearing = hearWindows((message) => void this.hear(message));
    this.tellOpened();
    // A window that is closed, or put away and brought back by the back button, says so.
    window.addEventListener('pagehide', this.tellClosed);
    window.addEventListener('pageshow', this.tellOpened);
  }

  /** Its page is left: closed once it is saved, held in this window while it is not. */
  async leave(): Promise<void> {
    await this.save();
    if (this.saving === 'saved') this.close();
  }

  private close(): void {
    held.delete(this.job.id);
    this.tellClosed();
    this.stopHearing();
    window.removeEventListener('pagehide', this.tellClosed);
    window.removeEventListener('pageshow', this.tellOpened);
  }

  get canUndo(): string | null {
    return this.done.at(-1)?.what ?? null;
  }

  get canRedo(): string | null {
    return this.undone.at(-1)?.what ?? null;
  }

  run(command: Command): void {
    const what = COMMAND_WORDS[command.name];
    this.done = [...this.done, { job: this.job, what }].slice(-MOST_UNDO);
    this.undone = [];
    this.said = '';
    this.take(apply(this.job, command, this.stamp()));
  }

  undo(): void {
    const past = this.done.at(-1);
    if (past === undefined) return;
    this.done = this.done.slice(0, -1);
    this.undone = [...this.undone, { job: this.job, what: past.what }];
    this.said = `Undone: ${past.what}`;
    this.take(restore(this.job, past.job, 'undo', past.what, this.stamp()));
  }

  redo(): void {
    const next = this.undone.at(-1);
    if (next === undefined) return;
    this.undone = this.undone.slice(0, -1);
    this.done = [...this.done, { job: this.job, what: next.what }];
    this.said = `Done again: ${next.what}`;
    this.take(restore(this.job, next.job, 'redo', next.what, this.stamp()));
  }

  /** Saves what is on the screen; called after every change and when the technician asks to try again. */
  save(): Promise<void> {
    this.running ??= this.saveAll().finally(() => (this.running = null));
    return this.running;
  }

  private async saveAll(): Promise<void> {
    try {
      while (this.stored !== this.job.revision) {
        const saved = this.job;
        this.saving = 'saving';
        await saveJob(saved, this.stored);
        this.stored = saved.revision;
        tellWindows({ kind: 'saved', jobId: saved.id, revision: saved.revision });
      }
      this.saving = 'saved';
    } catch (error) {
      this.saving = error instanceof ChangedElsewhere ? 'changedElsewhere' : troubleOf(error);
    }
  }

  /** Shows what another window saved. Changes made here since are given up; keep a copy first. */
  async takeStored(): Promise<void> {
    const stored = await readJob(this.job.id);
    if (stored === null || 'record' in stored) {
      this.said =
        'The other window deleted this job: what is here can be exported or kept as a copy.';
      return;
    }
    this.job = stored;
    this.stored = stored.revision;
    this.done = [];
    this.undone = [];
    this.saving = 'saved';
    this.said = 'Changed in another window; this one is up to date again.';
  }

  private readonly tellOpened = () => tellWindows({ kind: 'opened', jobId: this.job.id });
  private readonly tellClosed = () => tellWindows({ kind: 'closed', jobId: this.job.id });

  private take(job: Job): void {
    this.job = job;
    void this.save();
  }

  private stamp() {
    return { at: now(), who: this.job.technician };
  }

  private async hear(message: Parameters<Parameters<typeof hearWindows>[0]>[0]): Promise<void> {
    if (message.kind === 'listChanged' || message.jobId !== this.job.id) return;
    const others = this.alsoOpenIn.filter((id) => id !== message.from);
    if (message.kind === 'closed') {
      this.alsoOpenIn = others;
      return;
    }
    this.alsoOpenIn = [...others, message.from];
    if (message.kind === 'opened') tellWindows({ kind: 'alsoOpen', jobId: this.job.id });
    const clean = this.stored === this.job.revision && this.running === null;
    if (message.kind === 'saved' && message.from !== WINDOW_ID && clean) await this.takeStored();
  }
}
