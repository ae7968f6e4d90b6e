/** What the browser says of the space it gives the log. */
export interface StorageStanding {
  /** Whether it promised not to clear the log by itself; null when it cannot say. */
  promised: boolean | null;
  usedBytes: number | null;
}

/**
 * Asks the browser to keep the log for good (it may say no, and is asked again another time), and reads how much space
 * it takes.
 */
export async function askStorage(): Promise<StorageStanding> {
  const { storage } = navigator;
  if (storage?.persist === undefined) return { promised: null, usedBytes: null };
  const promised = (await storage.persisted()) || (await storage.persist());
  return { promised, usedBytes: (await storage.estimate()).usage ?? null };
}
