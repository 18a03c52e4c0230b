/** What is open in the steps of a job: loaded once there is a plan to follow. */
import { openBefore, type Job, type OpenCounts } from '$core';

class Procedure {
  private openItems = null as ((job: Job) => OpenCounts) | null;

  /** Where it cannot be loaded, a row of the list says less, and is made anew another time. */
  async load(): Promise<void> {
    if (this.openItems !== null) return;
    try {
      ({ openItems: this.openItems } = await import('./procedureParts'));
    } catch {
      // The application's own server is away, and nothing of it is kept: what is saved does not hang on this.
    }
  }

  /** Null while the steps of its plan are not loaded. */
  open(job: Job): OpenCounts | null {
    return job.plan === null ? openBefore(job) : (this.openItems?.(job) ?? null);
  }
}

export const procedure = new Procedure();
