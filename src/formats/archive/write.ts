import { byId, canonical } from "@/core/log/canonical";
import { recordKinds } from "@/core/log/kinds/all";
import type { Log } from "@/core/log/log";
import { currentVersion } from "@/core/log/migrations";
import type { Document } from "@/formats/archive/read";
import { strToU8, zipSync } from "fflate";

/** The whole log as an archive document in canonical order: two exports of one log differ in `exportedAt` alone. */
export function archiveOf(log: Log, exportedAt: string): Document {
  const collections = recordKinds.map(
    (kind) => [kind, [...log.records[kind].values()].sort(byId).map(canonical)] as const,
  );
  const removed = [...log.removed.entries()]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([, tombstone]) => canonical(tombstone));
  // What cannot be read as a record goes out as well, apart from the records, which an import checks.
  const unread =
    log.unread.length === 0
      ? {}
      : { unread: [...(Array.isArray(log.extra.unread) ? (log.extra.unread as unknown[]) : []), ...log.unread] };
  const extra = Object.entries(canonical({ ...log.extra, ...unread }) as Document);
  return Object.fromEntries<unknown>([
    ["format", "oat-column"],
    ["version", currentVersion],
    ["exportedAt", exportedAt],
    ...collections,
    ["removed", removed],
    ...extra,
  ]);
}

/** The archive as text: one record a line, so that two exports can be compared with ordinary tools. */
export function writeArchive(log: Log, exportedAt: string): string {
  const fields = Object.entries(archiveOf(log, exportedAt)).map(([key, value]) => {
    const lines =
      Array.isArray(value) && value.length > 0
        ? `[\n${value.map((element) => `    ${JSON.stringify(element)}`).join(",\n")}\n  ]`
        : JSON.stringify(value);
    return `  ${JSON.stringify(key)}: ${lines}`;
  });
  return `{\n${fields.join(",\n")}\n}\n`;
}

/** The archive with its photographs, as a zip. The same log and pictures give the same bytes. */
export function packArchive(
  log: Log,
  exportedAt: string,
  photos: ReadonlyMap<string, Uint8Array>,
): Uint8Array<ArrayBuffer> {
  const mtime = new Date(exportedAt);
  // Pictures are compressed already.
  const pictures = [...photos].map(([file, bytes]) => [`photos/${file}`, [bytes, { level: 0, mtime }]] as const);
  return zipSync(
    Object.fromEntries([["oat-column.json", [strToU8(writeArchive(log, exportedAt)), { mtime }]], ...pictures]),
  ) as Uint8Array<ArrayBuffer>;
}
