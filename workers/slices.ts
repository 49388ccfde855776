/** So long the worker hears nothing, ms. */
const SLICE = 12;

const breath = () => new Promise<void>((resolve) => setTimeout(resolve));

/**
 * Does a piece of work that may be left off at each of its steps, and between slices of it lets in what has been asked of
 * the worker meanwhile; null when that made it `stale`.
 */
export async function inSlices<T>(work: Iterator<void, T>, stale: () => boolean): Promise<T | null> {
  let since = performance.now();
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() - since < SLICE) continue;
    await breath();
    if (stale()) return null;
    since = performance.now();
  }
}
