/** The job that is open, as screens see it; what happens to it is the keeper's. */
import { SvelteMap } from 'svelte/reactivity';
import type { Command } from '$core/commands';
import type { Job } from '$core/document';
import type { Problem } from '$core/read';
import { JobKeeper, type JobState, type Keeping, type Saving } from './jobKeeper';
import {
  ChangedElsewhere,
  Gone,
  NotKept,
  WrittenByNewer,
  isJob,
  readJob,
  saveJob,
  type StateMark,
} from './jobStore';
import { logWords } from '$words/commands';
import { keeping as safekeeping } from './keeping.svelte';
import { now } from './now';
import { readHistory, type Past } from './past';
import { shop } from './shop.svelte';
import { troubleOf } from './stores';
import { WINDOW_ID, hearWindows, tellWindows } from './windows';

/** Jobs this window holds open, by id; one that could not be saved stays here when its page is left. */
export const held = new SvelteMap<string, OpenJob>();

/** Fetched with the first change, or with what an earlier window left to be undone: most pages need none of it. */
const undoing = () => import('./undoHistory');

/** In the window's own steps each job is whole. */
const neverChangedBack: Keeping['changedBack'] = () => {
  throw new Error('No change of an earlier window was taken up');
};

const nameOf = (past: Past | undefined): string | null =>
  past === undefined ? null : logWords(past.what);

const KEEPING: Omit<Keeping, 'changedBack'> = {
  async read(id) {
    const stored = await readJob(id);
    if (stored === null) return 'gone';
    if (isJob(stored)) return stored;
    return stored.isNewer ? 'newer' : 'unreadable';
  },
  async save(job, madeFrom) {
    shop.takeRow(await saveJob(job, madeFrom));
  },
  async meaning(error): Promise<Saving> {
    if (error instanceof ChangedElsewhere) return 'changedElsewhere';
    if (error instanceof WrittenByNewer) return 'newer';
    if (error instanceof Gone) return 'gone';
    if (error instanceof NotKept) return 'full';
    return troubleOf(error);
  },
  async keepHistory(state) {
    await (await undoing()).keepHistory(state);
  },
};

export class OpenJob {
  private state = $state.raw<JobState>() as JobState;
  private readonly keeper: JobKeeper;
  /** A field of the job in which something was typed that is not in the job yet. */
  isTyping = $state(false);

  /** @param stored the state that is in the store, by its mark; null while the job has never been saved */
  constructor(job: Job, stored: StateMark | null, changedBack: Keeping['changedBack']) {
    const nothing = { said: '', refused: [], alsoOpenIn: [], done: [], undone: [] };
    this.state = { job, saving: 'saved', ...nothing };
    this.keeper = new JobKeeper(
      this.state,
      stored,
      { ...KEEPING, changedBack },
      { me: WINDOW_ID, tell: tellWindows, hear: hearWindows },
      now,
      (state) => (this.state = state),
    );
    held.set(job.id, this);
    this.keeper.open();
    // A window that is closed, or put away and brought back by the back button, says so.
    window.addEventListener('pagehide', this.tellClosed);
    window.addEventListener('pageshow', this.tellOpened);
  }

  /** A job of the store or of this window, with what can be undone of it. */
  static async of(job: Job, stored: StateMark | null): Promise<OpenJob> {
    const history = stored === null ? null : await readHistory(job.id).catch(() => null);
    if (history === null) return new OpenJob(job, stored, neverChangedBack);
    const open = new OpenJob(job, stored, (await undoing()).changedBack);
    open.keeper.takeHistory(history);
    return open;
  }

  get job(): Job {
    return this.state.job;
  }
  get saving(): Saving {
    return this.state.saving;
  }
  get said(): string {
    return this.state.said;
  }
  get refused(): readonly Problem[] {
    return this.state.refused;
  }
  get alsoOpenIn(): readonly string[] {
    return this.state.alsoOpenIn;
  }
  get canUndo(): string | null {
    return nameOf(this.state.done.at(-1));
  }
  get canRedo(): string | null {
    return nameOf(this.state.undone.at(-1));
  }

  run(command: Command): boolean {
    void safekeeping.askForRoom();
    return this.keeper.run(command);
  }
  undo = (): void => this.keeper.undo();
  redo = (): void => this.keeper.redo();
  save = (): Promise<void> => this.keeper.save();
  saveAnew = (): Promise<void> => this.keeper.saveAnew();
  takeStored = (): Promise<void> => this.keeper.takeStored();

  /** Its page is left: closed once it is saved, held in this window while it is not. */
  async leave(): Promise<void> {
    await this.save();
    if (this.saving === 'saved') this.close();
  }

  private close(): void {
    held.delete(this.job.id);
    this.keeper.close();
    window.removeEventListener('pagehide', this.tellClosed);
    window.removeEventListener('pageshow', this.tellOpened);
  }

  private readonly tellOpened = () => this.keeper.tellOpened();
  private readonly tellClosed = () => this.keeper.tellClosed();
}
