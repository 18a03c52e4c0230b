/**
 * A job that is open in a window: applies commands, saves after each, undoes and redoes, and keeps in step with other
 * windows. What is on the screen is never lost: while it cannot be saved, `saving` says why. It knows the store and
 * the other windows only by what it is given, so that its meetings with them can be played through.
 */
import { apply, restore, type Command } from '$core/commands';
import { problemsOf, type Problem } from '$core/read';
import { stateMark, type Job } from '$core/document';
import { logWords } from '$words/commands';
import type { Change, History, Past, Steps } from './past';
import type { StorageTrouble } from '$words/keeping';
import type { WindowMessage, WindowNews } from './windows';
import { jobKeeper as texts } from '$words/state';

export type Saving = 'saved' | 'saving' | StorageTrouble | 'changedElsewhere' | 'gone' | 'newer';

export interface JobState extends Steps {
  readonly saving: Saving;
  /** The last thing worth saying: what was undone, that another window changed the job. */
  readonly said: string;
  /** Why the last command was not taken: the job could not have been kept with it. */
  readonly refused: readonly Problem[];
  /** Other windows that have this job open. */
  readonly alsoOpenIn: readonly string[];
}

/** Where it is kept, and what its failures mean. */
export interface Keeping {
  /** The stored job, or why there is none. */
  readonly read: (id: string) => Promise<Job | 'gone' | 'newer' | 'unreadable'>;
  readonly save: (job: Job, madeFrom: string | null) => Promise<void>;
  readonly meaning: (error: unknown) => Promise<Saving>;
  /** Keeps what can be undone and redone, for the job as it was just saved. */
  readonly keepHistory: (state: Steps) => Promise<void>;
  readonly changedBack: (job: Job, change: Change) => Job;
}

export interface Others {
  readonly me: string;
  readonly tell: (news: WindowNews) => void;
  readonly hear: (hear: (message: WindowMessage) => void) => () => void;
}

const MOST_UNDO = 100;

export class JobKeeper {
  /** Saving and taking over what is stored come one after the other, never into each other. */
  private turn: Promise<void> = Promise.resolve();
  private saves: Promise<void> | null = null;
  private stopHearing: () => void = () => undefined;

  /** @param stored the state that is in the store, by its mark; null while the job has never been saved */
  constructor(
    private state: JobState,
    private stored: string | null,
    private readonly keeping: Keeping,
    private readonly others: Others,
    private readonly now: () => string,
    private readonly onchange: (state: JobState) => void,
  ) {}

  open(): void {
    this.stopHearing = this.others.hear((message) => void this.hear(message));
    this.tellOpened();
  }

  close(): void {
    this.tellClosed();
    this.stopHearing();
  }

  tellOpened(): void {
    this.others.tell({ kind: 'opened', jobId: this.state.job.id });
  }

  tellClosed(): void {
    this.others.tell({ kind: 'closed', jobId: this.state.job.id });
  }

  /** False where the job could not have been kept with it: then nothing has changed. */
  run(command: Command): boolean {
    const { job, done } = this.state;
    const changed = apply(job, command, this.stamp());
    const refused = problemsOf(changed);
    if (refused.length > 0) {
      this.put({ refused });
      return false;
    }
    const past: Past = { what: command.name, job, change: null };
    this.put({
      job: changed,
      done: [...done, past].slice(-MOST_UNDO),
      undone: [],
      said: '',
      refused: [],
      ...this.unsaved(),
    });
    void this.save();
    return true;
  }

  undo(): void {
    const { done, undone } = this.state;
    const past = done.at(-1);
    if (past === undefined) return;
    this.goTo(past, 'undo', { done: done.slice(0, -1), undone: [...undone, this.here(past)] });
  }

  redo(): void {
    const { done, undone } = this.state;
    const next = undone.at(-1);
    if (next === undefined) return;
    this.goTo(next, 'redo', { done: [...done, this.here(next)], undone: undone.slice(0, -1) });
  }

  private here = ({ what }: Past): Past => ({ what, job: this.state.job, change: null });

  private goTo(to: Past, how: 'undo' | 'redo', history: Pick<JobState, 'done' | 'undone'>): void {
    const { job } = this.state;
    const target = to.job ?? (to.change && this.keeping.changedBack(job, to.change));
    if (target === null) return;
    const said = `${how === 'undo' ? texts.undone : texts.doneAgain}: ${logWords(to.what)}`;
    const back = restore(job, target, how, to.what, this.stamp());
    const refused = problemsOf(back);
    if (refused.length > 0) {
      this.put({ refused });
      return;
    }
    this.put({ job: back, ...history, said, refused: [], ...this.unsaved() });
    void this.save();
  }

  /** Takes up what could be undone before the window was loaded anew. */
  takeHistory(history: History): void {
    const { job } = this.state;
    const isOfIt = history.of === stateMark(job) && history.format === job.format;
    const since =
      history.format === job.format
        ? texts.anotherWindowHasChangedThis
        : texts.anEarlierVersionOfTenant;
    if (isOfIt) this.put({ done: history.done, undone: history.undone });
    else if (history.done.length > 0) this.put({ said: texts.undoBeginsAnew(since) });
  }

  /** Saves what is on the screen; called after every change and when the technician asks to try again. */
  save(): Promise<void> {
    this.saves ??= this.inTurn(() => this.saveAll()).finally(() => (this.saves = null));
    return this.saves;
  }

  private inTurn(work: () => Promise<void>): Promise<void> {
    const mine = this.turn.then(work);
    this.turn = mine.catch(() => undefined);
    return mine;
  }

  /** Saves it although it is gone from the store, on the technician's word. */
  saveAnew(): Promise<void> {
    if (this.state.saving === 'gone') this.stored = null;
    return this.save();
  }

  private async saveAll(): Promise<void> {
    try {
      do {
        while (this.stored !== stateMark(this.state.job)) {
          const { job } = this.state;
          this.put({ saving: 'saving' });
          await this.keeping.save(job, this.stored);
          this.stored = stateMark(job);
          this.others.tell({ kind: 'saved', jobId: job.id, revision: job.revision });
        }
        await this.keeping.keepHistory(this.state).catch(() => undefined);
        // What was changed while that was kept is saved as well.
      } while (this.stored !== stateMark(this.state.job));
      // What can be undone is kept by then too: nothing is lost to a reload.
      this.put({ saving: 'saved' });
    } catch (error) {
      this.put({ saving: await this.keeping.meaning(error) });
    }
  }

  /** Shows what another window saved. Changes made here since are given up; keep a copy first. */
  takeStored(): Promise<void> {
    return this.inTurn(() => this.takeWhatIsStored());
  }

  private async takeWhatIsStored(): Promise<void> {
    const { job } = this.state;
    let stored;
    try {
      stored = await this.keeping.read(job.id);
    } catch (error) {
      this.put({ saving: await this.keeping.meaning(error) });
      return;
    }
    // Changed here while it was read: that change is not given up, and its saving says how the two stand.
    if (this.state.job !== job) return;
    if (typeof stored === 'string') {
      this.put({ saving: stored === 'newer' ? 'newer' : 'gone' });
      return;
    }
    this.stored = stateMark(stored);
    this.put({
      job: stored,
      done: [],
      undone: [],
      saving: 'saved',
      said: texts.changedInAnotherWindowThis,
    });
  }

  private async hear(message: WindowMessage): Promise<void> {
    const { job, alsoOpenIn } = this.state;
    if (message.kind === 'listChanged' || message.jobId !== job.id) return;
    const others = alsoOpenIn.filter((id) => id !== message.from);
    if (message.kind === 'closed') {
      this.put({ alsoOpenIn: others });
      return;
    }
    this.put({ alsoOpenIn: [...others, message.from] });
    if (message.kind === 'opened') this.others.tell({ kind: 'alsoOpen', jobId: job.id });
    const isClean = this.stored === stateMark(job) && this.saves === null;
    if (message.kind === 'saved' && message.from !== this.others.me && isClean)
      await this.takeStored();
  }

  /** From the moment it is changed it is not called saved. */
  private unsaved(): Pick<JobState, 'saving'> {
    const { saving } = this.state;
    return { saving: saving === 'saved' ? 'saving' : saving };
  }

  private stamp() {
    return { at: this.now(), who: this.state.job.technician };
  }

  private put(changed: Partial<JobState>): void {
    this.state = { ...this.state, ...changed };
    this.onchange(this.state);
  }
}
