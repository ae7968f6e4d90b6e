import type { CopyFolder, SyncFile } from "./folder";

interface SyncHandles {
  createSyncAccessHandle(): Promise<SyncFile>;
}

/** A folder in the origin's private file system. Files can be opened for writing in a dedicated worker alone. */
export class OriginFolder implements CopyFolder {
  private constructor(private readonly handle: FileSystemDirectoryHandle) {}

  /** The folder of all second copies; null where the browser has no such file system. */
  static async root(create = true): Promise<OriginFolder | null> {
    const { storage } = navigator;
    if (storage?.getDirectory === undefined) return null;
    return new OriginFolder(await (await storage.getDirectory()).getDirectoryHandle("second-copy", { create }));
  }

  /** Whether a second copy of something lies here, found out without making anything. */
  static async holds(name: string): Promise<boolean> {
    try {
      const copies = await (await navigator.storage.getDirectory()).getDirectoryHandle("second-copy");
      for await (const _ of (await copies.getDirectoryHandle(name)).values()) return true;
    } catch {
      // No such file system, or nothing in it.
    }
    return false;
  }

  async open(name: string, mustExist = false): Promise<SyncFile | null> {
    try {
      const file = await this.handle.getFileHandle(name, { create: !mustExist });
      return await (file as unknown as SyncHandles).createSyncAccessHandle();
    } catch (error) {
      if (isNamed(error, "NoModificationAllowedError") || (mustExist && isNamed(error, "NotFoundError"))) return null;
      throw error;
    }
  }

  async read(name: string): Promise<Blob | null> {
    try {
      return await (await this.handle.getFileHandle(name)).getFile();
    } catch (error) {
      if (isNamed(error, "NotFoundError")) return null;
      throw error;
    }
  }

  files(): Promise<string[]> {
    return this.#names("file");
  }

  folders(): Promise<string[]> {
    return this.#names("directory");
  }

  async folder(name: string): Promise<CopyFolder> {
    return new OriginFolder(await this.handle.getDirectoryHandle(name, { create: true }));
  }

  async remove(name: string): Promise<void> {
    try {
      await this.handle.removeEntry(name, { recursive: true });
    } catch (error) {
      if (!isNamed(error, "NotFoundError")) throw error;
    }
  }

  async #names(kind: FileSystemHandle["kind"]): Promise<string[]> {
    const names: string[] = [];
    for await (const entry of this.handle.values()) if (entry.kind === kind) names.push(entry.name);
    return names.sort();
  }
}

function isNamed(error: unknown, name: string): boolean {
  return error instanceof DOMException && error.name === name;
}
