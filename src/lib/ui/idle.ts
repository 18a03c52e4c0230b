/** Work that may wait until the browser has nothing else to do. Not every browser tells when that is. */

/** @param withinMs it is done no later than this, in milliseconds @returns how to call it off */
export function whenIdle(work: () => void, withinMs: number): () => void {
  if (typeof requestIdleCallback === 'function') {
    const asked = requestIdleCallback(work, { timeout: withinMs });
    return () => cancelIdleCallback(asked);
  }
  const later = setTimeout(work);
  return () => clearTimeout(later);
}

/** A page that is not shown draws no frames: what waits for one waits no longer than this. */
const FRAME_WITHIN_MS = 50;

/** Resolves once the browser has drawn what was changed. */
export function drawn(): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(resolve, FRAME_WITHIN_MS);
    requestAnimationFrame(() => {
      clearTimeout(late);
      setTimeout(resolve);
    });
  });
}
