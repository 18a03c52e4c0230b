/** Long work on the screen's own thread, in slices that leave each frame its time. */

/** Half of a frame at 60 Hz: the other half draws. */
const SLICE_MS = 8;

/**
 * The first slice is done at once: what is short is there before anything is drawn.
 * @param done is told the result, unless it was called off before @returns how to call it off
 */
export function inSlices<Result>(
  steps: Generator<unknown, Result, boolean | undefined>,
  done: (result: Result) => void,
): () => void {
  let later: ReturnType<typeof setTimeout>;
  const slice = () => {
    const until = performance.now() + SLICE_MS;
    for (let next = steps.next(); ; next = steps.next()) {
      if (next.done === true) return done(next.value);
      if (performance.now() >= until) break;
    }
    later = setTimeout(slice);
  };
  slice();
  return () => clearTimeout(later);
}
