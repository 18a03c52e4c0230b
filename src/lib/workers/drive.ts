/** Long work in the worker, driven in slices, so that it can tell how far it is and hear that it should stop or end. */

export type Steps<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

/** Long enough to get on, short enough that a stop is heard at once. */
const SLICE_MS = 40;

/** The one question that is worked on: stopped, it answers with what it has; ended, with nothing. */
let running: { stopped: boolean; ended: boolean } | null = null;

/** Null where it was ended, or stopped before there was anything to answer. */
export async function drive<Heard, Result>(
  steps: Steps<Heard, Result>,
  hear?: (heard: Heard) => unknown,
): Promise<Result | null> {
  const mine = { stopped: false, ended: false };
  running = mine;
  let since = performance.now();
  for (let next = steps.next(); ; next = steps.next(mine.stopped)) {
    if (next.done === true) return next.value;
    if (performance.now() - since < SLICE_MS) continue;
    void hear?.(next.value);
    await new Promise((resolve) => setTimeout(resolve));
    if (mine.ended) return null;
    since = performance.now();
  }
}

export function stop(): void {
  if (running !== null) running.stopped = true;
}

export function end(): void {
  if (running !== null) running.ended = true;
}
