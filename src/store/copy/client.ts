import { messageOf } from "@/core/base/messageOf";
import { type Remote, wrap } from "comlink";
import type { JournalEntry, LogName, StoredPhoto } from "../database";
import type { Restored } from "./restore";
import type { CopyLaidOut, CopyOpening, CopySession } from "./worker";

/** What the store needs of a second copy. */
export interface SecondCopy {
  /** Whether there is room for a change of so many bytes. */
  room(bytes: number): Promise<boolean>;
  /** Keeps what a commit did; null once it is on the disk, else why it is not. */
  keep(
    entry: JournalEntry,
    standing: { node: string; stamp: string },
    photos: readonly StoredPhoto[],
  ): Promise<string | null>;
}

/**
 * For so long a copyist may keep an answer back before the tab goes on without; laying a whole log down takes longer.
 */
const patience = { reserve: 30_000, room: 2_000, keep: 10_000, layDown: 120_000 };

/** After the last commit, in milliseconds: when the copy is brought in order. */
const restAfter = 4_000;

/** A tab's side of its copyist, which lives in a worker of its own, so that nothing that is computed can hold it up. */
export class CopyClient implements SecondCopy {
  readonly #worker: Worker;
  readonly #session: Remote<CopySession>;
  /** How the copy stands, once it was opened. */
  readonly opened: Promise<CopyOpening>;
  #resting: ReturnType<typeof setTimeout> | undefined;
  /** Resolves when the reserve lies, or cannot; the first change waits for it. */
  #reserved: Promise<void> = Promise.resolve();
  /** Why the copy lacks the latest commits, or null when it has them. */
  lacks: string | null = null;

  private constructor(
    private readonly name: LogName,
    open: (session: Remote<CopySession>) => Promise<CopyOpening>,
  ) {
    this.#worker = new Worker(new URL("./worker.ts", import.meta.url), {
      type: "module",
      name: `oat-column-copy-${name}`,
    });
    const failed = new Promise<CopyOpening>((resolve) => {
      this.#worker.onerror = () => resolve({ state: "none", why: "the part that keeps it could not be started" });
    });
    this.#session = wrap<CopySession>(this.#worker);
    const opening = open(this.#session).catch((error: unknown): CopyOpening => ({
      state: "none",
      why: messageOf(error),
    }));
    this.opened = Promise.race([opening, failed]);
  }

  /**
   * Keeps the copy of a log from now on.
   * @param onRestored told what was brought back, where the copy held more than the database
   */
  static beside(name: LogName, onRestored: (restored: Restored) => void): CopyClient {
    const client = new CopyClient(name, async (session) => {
      const opening = await session.open(name);
      if (opening.state !== "ahead") return opening;
      const restored = await session.restore(name);
      if (restored !== null) onRestored(restored);
      return session.open(name);
    });
    client.#reserved = client.opened.then(({ state }) =>
      state === "none" ? undefined : within(patience.reserve, client.#session.fillReserve(), undefined).catch(() => {}),
    );
    void client.opened.then(() => client.#rest());
    return client;
  }

  /** Looks at what was kept, while the log itself is not open. */
  static lookingAt(name: LogName): CopyClient {
    return new CopyClient(name, () => Promise.resolve({ state: "none", why: "" }));
  }

  async room(bytes: number): Promise<boolean> {
    if ((await this.opened).state === "none") return true;
    await this.#reserved;
    return within(patience.room, this.#session.room(bytes), true);
  }

  async keep(
    entry: JournalEntry,
    standing: { node: string; stamp: string },
    photos: readonly StoredPhoto[],
  ): Promise<string | null> {
    // Where no copy can be kept, Files says so; it is no fault of this commit.
    if ((await this.opened).state === "none") return null;
    const told = await within(
      entry.replaced === true ? patience.layDown : patience.keep,
      this.#session.keep(entry, standing, photos),
      "it did not answer",
    );
    this.lacks = told;
    this.#rest();
    return told;
  }

  bytes(): Promise<number> {
    return this.#session.bytes();
  }

  laidOut(): Promise<CopyLaidOut | null> {
    return this.#session.laidOut(this.name);
  }

  restore(): Promise<Restored | null> {
    return this.#session.restore(this.name);
  }

  /**
   * The same for a database that cannot be read, which is given up; "stuck" when the browser can do neither that nor
   * make a new one.
   */
  restoreAnew(): Promise<Restored | "stuck" | null> {
    return this.#session.restoreAnew(this.name);
  }

  /**
   * Brings the log back, and all others, where the browser's storage is beyond opening and deleting: all that it keeps
   * for these pages is emptied first.
   */
  restoreAll(): Promise<Restored | null> {
    return this.#session.restoreAll(this.name);
  }

  archive(exportedAt: string): Promise<string | Uint8Array<ArrayBuffer> | null> {
    return this.#session.archive(this.name, exportedAt);
  }

  end(): void {
    clearTimeout(this.#resting);
    this.#worker.terminate();
  }

  #rest(): void {
    clearTimeout(this.#resting);
    this.#resting = setTimeout(
      () =>
        void this.#session
          .rest()
          .then((told) => {
            this.lacks = told;
          })
          .catch(() => {}),
      restAfter,
    );
  }
}

/** An answer, or what is taken for it when it does not come in time. */
async function within<T>(ms: number, asked: Promise<T>, otherwise: T): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<T>((resolve) => {
    timer = setTimeout(() => resolve(otherwise), ms);
  });
  try {
    return await Promise.race([asked, late]);
  } finally {
    clearTimeout(timer);
  }
}
