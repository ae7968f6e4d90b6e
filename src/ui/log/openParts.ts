import { writeArchiveFile } from "@/compute/archives";
import { ComputeClient } from "@/compute/client";
import type { Backup } from "@/store/backup";
import type { CopyClient } from "@/store/copy/client";
import type { Restored } from "@/store/copy/restore";
import type { LogName } from "@/store/database";
import type { Store } from "@/store/store";
import type { FoundLog } from "./findLog";

/** A log in this tab: what reads it, what writes it, and what keeps it a second time. */
export interface Opened {
  name: LogName;
  years: number;
  discarded: string | null;
  store: Promise<Store>;
  compute: ComputeClient;
  copy: () => Promise<CopyClient>;
  backup: () => Promise<Backup>;
}

/**
 * Puts a log that was found together. What was saved earlier is shown at once; what writes and what computes come after
 * it, and the copy is looked at when there is something to keep.
 * @param onShare told how much of the log has been read
 * @param onRestored told what came back from the second copy
 */
export function openParts(
  { name, years, discarded, database, saved }: FoundLog,
  onShare: (share: number) => void,
  onRestored: (restored: Restored) => void,
): Opened {
  const drawn =
    saved.size === 0
      ? Promise.resolve()
      : new Promise<void>((done) => {
          requestIdleCallback(() => done(), { timeout: 600 });
        });
  const copy = once(() => import("@/store/copy/client").then(({ CopyClient }) => CopyClient.beside(name, onRestored)));
  const room = async (bytes: number) => (await copy()).room(bytes);
  return {
    name,
    years,
    discarded,
    compute: new ComputeClient(name, saved, onShare, room, drawn),
    copy,
    store: drawn
      .then(() => import("@/store/store"))
      .then(
        ({ Store }) => new Store(name, database, { room, keep: async (...entry) => (await copy()).keep(...entry) }),
      ),
    backup: once(() =>
      import("@/store/backup").then(
        ({ Backup }) => new Backup(name, database, (exportedAt) => writeArchiveFile(name, exportedAt)),
      ),
    ),
  };
}

/** Makes something the first time it is asked for. */
function once<T>(make: () => Promise<T>): () => Promise<T> {
  let made: Promise<T> | null = null;
  return () => (made ??= make());
}
