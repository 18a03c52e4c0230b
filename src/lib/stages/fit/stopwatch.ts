/** How long a task takes, pauses not counted. */
const MILLISECONDS = 1_000;
/** Whoever takes longer went home meanwhile. */
const LONGEST_SECONDS = 4 * 3_600;

export class Stopwatch {
  #since: number | null = performance.now();
  #before = 0;

  restart(): void {
    this.#before = 0;
    if (this.#since !== null) this.#since = performance.now();
  }

  set isRunning(runs: boolean) {
    if (runs === (this.#since !== null)) return;
    if (this.#since !== null) this.#before += performance.now() - this.#since;
    this.#since = runs ? performance.now() : null;
  }

  /** Whole ones, at least one; null: so many that nobody worked on it all the while. */
  get seconds(): number | null {
    const now = this.#before + (this.#since === null ? 0 : performance.now() - this.#since);
    const seconds = Math.max(1, Math.round(now / MILLISECONDS));
    return seconds > LONGEST_SECONDS ? null : seconds;
  }
}
