/** Work that is done step by step, so that whoever drives it can tell how far it is, do other things, or stop: to its end. */
export function outcome<Result>(steps: Generator<unknown, Result, boolean | undefined>): Result {
  for (;;) {
    const next = steps.next();
    if (next.done === true) return next.value;
  }
}
