import { strToU8 } from "fflate";
import { endings } from "../endings";
import { endsIn, type Format, type Given } from "../format";
import { type ArchiveContent, readingArchive } from "./read";
import { packArchive, writeArchive } from "./write";

/** The log's own open format: one JSON document, or a zip of it with its photographs. */
export const archive: Format<ArchiveContent> = {
  title: "an Oat Column archive",
  recognise: ({ name, content }) => endsIn(name, endings.archive) || startsLikeOne(content),
  read: ({ content }) => readingArchive(typeof content === "string" ? strToU8(content) : content),
  write: (log, exportedAt, photos) =>
    log.records.photos.size === 0 ? writeArchive(log, exportedAt) : packArchive(log, exportedAt, photos),
};

/** Whether something begins as a zip or as a JSON object does. */
function startsLikeOne(content: Given["content"]): boolean {
  if (typeof content === "string") return content.trimStart().startsWith("{");
  return (content[0] === 0x50 && content[1] === 0x4b) || content[0] === 0x7b;
}
