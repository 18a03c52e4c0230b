/** What is open in the steps of a job: loaded once there is a plan to follow. */
import { openBefore, type OpenCounts } from '$core/procedure';
import type { Job, Stage } from '$core/document';
import type { StageAnswer } from '$core/diagnosis';

class Procedure {
  private parts: typeof import('./procedureParts') | null = null;

  /** Where it cannot be loaded, a row of the list says less, and is made anew another time. */
  async load(): Promise<void> {
    if (this.parts !== null) return;
    try {
      this.parts = await import('./procedureParts');
    } catch {
      // The application's own server is away, and nothing of it is kept: what is saved does not hang on this.
    }
  }

  /** Null while the steps of its plan are not loaded. */
  open(job: Job): OpenCounts | null {
    return job.plan === null ? openBefore(job) : (this.parts?.openItems(job) ?? null);
  }

  /** What a stage says first; null while that is not loaded. */
  answer(job: Job, stage: Stage): StageAnswer | null {
    return this.parts?.stageAnswer(job, stage) ?? null;
  }
}

export const procedure = new Procedure();
