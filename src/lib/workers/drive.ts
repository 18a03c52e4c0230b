/** Long work in the worker, driven in slices, so that it can tell how far it is and hear that it should stop. */

export type Steps<Heard, Result> = Generator<Heard, Result, boolean | undefined>;

/** Long enough to get on, short enough that a stop is heard at once. */
const SLICE_MS = 40;

/** One question of each kind is worked on; a newer one takes its place. */
const current = new Map<string, { stopped: boolean }>();

/** Null where a newer question of the kind came before the answer. */
export async function drive<Heard, Result>(
  kind: string,
  steps: Steps<Heard, Result>,
  hear?: (heard: Heard) => unknown,
): Promise<Result | null> {
  const mine = { stopped: false };
  current.set(kind, mine);
  let since = performance.now();
  for (let next = steps.next(); ; next = steps.next(mine.stopped)) {
    if (next.done === true) return next.value;
    if (performance.now() - since < SLICE_MS) continue;
    void hear?.(next.value);
    await new Promise((resolve) => setTimeout(resolve));
    if (current.get(kind) !== mine) return null;
    since = performance.now();
  }
}

/** Ends work of a kind with what it has found by then. */
export function stop(kind: string): void {
  const running = current.get(kind);
  if (running !== undefined) running.stopped = true;
}
