/**
 * Long work in steps that each take a moment, giving the share that is done: for one who wants to hear of it and may
 * turn away.
 */
export type ChunkedTask<T> = Generator<number, T>;

/** Does all of it at once. */
export function runToEnd<T>(steps: ChunkedTask<T>): T {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}
