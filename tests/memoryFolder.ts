import type { CopyFolder, SyncFile } from "@/store/copy/folder";

/**
 * A disk of so many bytes: writing beyond them writes what fits, and says so with a number that makes no sense, as
 * Chromium does.
 */
export class MemoryDisk {
  used = 0;
  constructor(public size = Infinity) {}

  /** How many of so many bytes more there is room for. */
  grant(bytes: number): number {
    const granted = Math.max(0, Math.min(bytes, this.size - this.used));
    this.used += granted;
    return granted;
  }
}

class MemoryFile {
  held = false;
  #store = new Uint8Array(0);
  #size = 0;

  get bytes(): Uint8Array<ArrayBuffer> {
    return this.#store.subarray(0, this.#size);
  }

  resize(size: number): void {
    if (size > this.#store.byteLength) {
      const larger = new Uint8Array(2 * size);
      larger.set(this.bytes);
      this.#store = larger;
    } else if (size < this.#size) this.#store.fill(0, size, this.#size);
    this.#size = size;
  }
}

/** A stand-in for a folder of the origin's private file system, on a disk that can be full. */
export class MemoryFolder implements CopyFolder {
  readonly inside = new Map<string, MemoryFile>();
  readonly below = new Map<string, MemoryFolder>();

  constructor(readonly disk = new MemoryDisk()) {}

  open(name: string, mustExist = false): Promise<SyncFile | null> {
    if (mustExist && !this.inside.has(name)) return Promise.resolve(null);
    const file = this.inside.get(name) ?? new MemoryFile();
    this.inside.set(name, file);
    if (file.held) return Promise.resolve(null);
    file.held = true;
    return Promise.resolve(this.#handle(file));
  }

  read(name: string): Promise<Blob | null> {
    const file = this.inside.get(name);
    return Promise.resolve(file === undefined ? null : new Blob([file.bytes.slice()]));
  }

  files(): Promise<string[]> {
    return Promise.resolve([...this.inside.keys()].sort());
  }

  folders(): Promise<string[]> {
    return Promise.resolve([...this.below.keys()].sort());
  }

  folder(name: string): Promise<CopyFolder> {
    const folder = this.below.get(name) ?? new MemoryFolder(this.disk);
    this.below.set(name, folder);
    return Promise.resolve(folder);
  }

  remove(name: string): Promise<void> {
    this.disk.used -= this.inside.get(name)?.bytes.byteLength ?? 0;
    this.inside.delete(name);
    this.below.delete(name);
    return Promise.resolve();
  }

  /** Lets go of every file, as when the browser is killed. */
  letGo(): void {
    for (const file of this.inside.values()) file.held = false;
    for (const folder of this.below.values()) folder.letGo();
  }

  /** Every file below, by its path. */
  all(path = ""): [string, { bytes: Uint8Array }][] {
    return [
      ...[...this.inside].map(([name, file]) => [`${path}${name}`, file] as [string, MemoryFile]),
      ...[...this.below].flatMap(([name, folder]) => folder.all(`${path}${name}/`)),
    ];
  }

  #handle(file: MemoryFile): SyncFile {
    return {
      read: (into, { at }) => {
        const some = file.bytes.subarray(at, at + into.byteLength);
        into.set(some);
        return some.byteLength;
      },
      write: (bytes, { at }) => {
        const more = Math.max(0, at + bytes.byteLength - file.bytes.byteLength);
        const granted = this.disk.grant(more);
        if (more > 0) file.resize(file.bytes.byteLength + granted);
        if (at <= file.bytes.byteLength) file.bytes.set(bytes.subarray(0, file.bytes.byteLength - at), at);
        return granted < more ? 4_294_967_288 : bytes.byteLength;
      },
      flush: () => {},
      getSize: () => file.bytes.byteLength,
      truncate: (size) => {
        this.disk.used += size - file.bytes.byteLength;
        file.resize(size);
      },
      close: () => {
        file.held = false;
      },
    };
  }
}
