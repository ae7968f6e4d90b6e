import { spawnSync } from "node:child_process";
import { closeSync, mkdtempSync, openSync, rmSync, statfsSync, writeSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A small file system of its own, which can be filled for real. */
export class SmallDisk {
  private constructor(readonly path: string) {}

  /** Null where this user may not mount one. */
  static mount(megabytes: number): SmallDisk | null {
    const path = mkdtempSync(join(tmpdir(), "oat-column-disk-"));
    if (spawnSync("mount", ["-t", "tmpfs", "-o", `size=${megabytes}m`, "tmpfs", path]).status === 0)
      return new SmallDisk(path);
    rmSync(path, { recursive: true });
    return null;
  }

  /** Takes all room but so many bytes. */
  fill(left: number): void {
    const { bavail, bsize } = statfsSync(this.path);
    const file = openSync(join(this.path, "ballast"), "a");
    const block = Buffer.alloc(4096);
    try {
      for (let written = 0; written < bavail * bsize - left; written += block.length) writeSync(file, block);
    } catch {
      // It is full before that: others write as well.
    } finally {
      closeSync(file);
    }
  }

  /** Gives all of it back. */
  clear(): void {
    rmSync(join(this.path, "ballast"), { force: true });
  }

  unmount(): void {
    spawnSync("umount", ["-l", this.path]);
    rmSync(this.path, { recursive: true, force: true });
  }
}
