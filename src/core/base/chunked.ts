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

/** Told how much of a long task is done, from 0 to 1, between its steps. Whoever throws there ends the work. */
export type OnProgress = (share: number) => Promise<void> | void;

/** Does it step by step; between the steps whoever is told may let other work go on. */
export async function runInSteps<T>(steps: ChunkedTask<T>, onProgress: OnProgress): Promise<T> {
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    await onProgress(step.value);
  }
}
