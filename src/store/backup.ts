import type { IDBPDatabase } from "idb";
import { type BackupPlace, type LogDatabase, type LogName, headOf } from "./database";

/**
 * A backup file and how it stands: whether the browser still lets it be written, and whether the log has changed since.
 */
export interface BackupStanding {
  folder: string;
  file: string;
  writtenAt: string | null;
  allowed: boolean;
  behind: boolean;
}

/** Handles of folders can be asked for leave; types of the platform do not know it everywhere. */
interface Permitting {
  queryPermission(asked: { mode: "readwrite" }): Promise<PermissionState>;
  requestPermission(asked: { mode: "readwrite" }): Promise<PermissionState>;
}

/** Whether this browser lets a page write into a folder of the trainee's choice. */
export const canBackUp = (): boolean => "showDirectoryPicker" in window;

/** Lets the trainee choose the folder. Null when the choice was broken off. */
export async function chooseFolder(): Promise<FileSystemDirectoryHandle | null> {
  const { showDirectoryPicker } = window as unknown as {
    showDirectoryPicker: (options: { id: string; mode: "readwrite" }) => Promise<FileSystemDirectoryHandle>;
  };
  try {
    return await showDirectoryPicker({ id: "oat-column", mode: "readwrite" });
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") return null;
    throw error;
  }
}

/** The backup file of a log, kept in a folder outside of the browser. */
export class Backup {
  constructor(
    private readonly name: LogName,
    private readonly database: IDBPDatabase<LogDatabase>,
    private readonly archive: (exportedAt: string) => Promise<string | Uint8Array<ArrayBuffer>>,
  ) {}

  /** How it stands; null when no folder was chosen. */
  async standing(): Promise<BackupStanding | null> {
    const place = await this.#place();
    if (place === undefined) return null;
    return {
      folder: place.folder.name,
      file: place.file,
      writtenAt: place.writtenAt,
      allowed: await isAllowed(place),
      behind: place.sequence < (await this.#sequence()),
    };
  }

  /** Keeps the backup in a folder from now on, and writes it there. */
  async keepIn(folder: FileSystemDirectoryHandle): Promise<void> {
    await this.database.put(
      "places",
      {
        folder,
        file: `oat-column-${this.name === "own" ? "" : `${this.name}-`}backup.json`,
        writtenAt: null,
        sequence: -1,
      },
      "backup",
    );
    await this.write();
  }

  /** Asks the browser for leave to write again; only in answer to a press of the trainee's. */
  async allow(): Promise<boolean> {
    const place = await this.#place();
    return (
      place !== undefined &&
      (await (place.folder as unknown as Permitting).requestPermission({ mode: "readwrite" })) === "granted"
    );
  }

  /** Keeps it no longer; the file stays where it is. */
  async leave(): Promise<void> {
    await this.database.delete("places", "backup");
  }

  /**
   * Writes the log into the file, whole: until all of it is there, the file is the one before. Only one of several tabs
   * does it.
   * @returns whether it was written
   * @throws what the browser says
   */
  async write(): Promise<boolean> {
    return navigator.locks.request(`oat-column-backup-${this.name}`, { ifAvailable: true }, async (lock) => {
      const place = await this.#place();
      if (lock === null || place === undefined || !(await isAllowed(place))) return false;
      const sequence = await this.#sequence();
      if (place.sequence === sequence) return false;
      const writtenAt = new Date().toISOString();
      const archive = await this.archive(writtenAt.replace(/\.\d+Z$/, "Z"));
      const file = place.file.replace(/\.\w+$/, typeof archive === "string" ? ".json" : ".zip");
      const writing = await (await place.folder.getFileHandle(file, { create: true })).createWritable();
      await writing.write(archive);
      await writing.close();
      await this.database.put("places", { ...place, file, writtenAt, sequence }, "backup");
      return true;
    });
  }

  #place(): Promise<BackupPlace | undefined> {
    return this.database.get("places", "backup");
  }

  async #sequence(): Promise<number> {
    return headOf(await this.database.get("meta", "standing")).sequence;
  }
}

async function isAllowed({ folder }: BackupPlace): Promise<boolean> {
  return (await (folder as unknown as Permitting).queryPermission({ mode: "readwrite" })) === "granted";
}
