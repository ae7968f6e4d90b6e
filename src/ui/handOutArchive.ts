import type { LogName } from "@/store/database";
import { download } from "./download";
import { noteLeaving } from "./log/leftAt";

/**
 * Hands an archive to the browser to keep, and notes that a copy has left.
 * @param stem what the file is called, before its date
 * @param make writes the archive, given the instant that it bears; JSON text, a zip, or null when there is nothing
 * @param date the date in the file's name, that of the instant where none is given
 * @returns whether there was something
 */
export async function handOutArchive(
  name: LogName,
  stem: string,
  make: (exportedAt: string) => Promise<string | Uint8Array<ArrayBuffer> | null>,
  date?: string,
): Promise<boolean> {
  const exportedAt = new Date().toISOString().replace(/\.\d+Z$/, "Z");
  const archive = await make(exportedAt);
  if (archive === null) return false;
  const [ending, type] = typeof archive === "string" ? ["json", "application/json"] : ["zip", "application/zip"];
  download(`${stem}-${date ?? exportedAt.slice(0, 10)}.${ending}`, archive, type);
  noteLeaving(name, "archive");
  return true;
}
