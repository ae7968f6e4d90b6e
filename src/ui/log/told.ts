import { counted, printNumber } from "@/core/base/units/number";
import { stepText } from "@/core/log/patch";
import type { Restored } from "@/store/copy/restore";
import type { Committed } from "@/store/store";
import { instantText } from "../dates";

/** What is said of a commit: that it is saved, in which places, and what another tab had done meanwhile. */
export function savedText(label: string, { clashes, revived, copyLacks }: Committed): string {
  const saved =
    copyLacks === null
      ? `Saved: ${label}`
      : `Saved in the browser's database alone: ${label}. The second copy does not hold it: ${copyLacks}. It is tried again with the next change`;
  const [clash] = clashes;
  if (clash === undefined)
    return revived ? `${saved}. Another tab had removed it; your change has brought it back` : saved;
  const more =
    clashes.length > 1 ? `, and so in ${clashes.length - 1} more ${clashes.length > 2 ? "fields" : "field"}` : "";
  if (clash.kept === "theirs")
    return `${saved}. Another tab has changed ${fieldText(clash.path)} meanwhile, so it was not removed${more}`;
  if (clash.blind) return `${saved}. It stood at ${printed(clash.theirs)} in ${fieldText(clash.path)} before${more}`;
  if (clash.theirs === undefined)
    return `${saved}. Another tab had removed ${fieldText(clash.path)}; your change has brought it back${more}`;
  return `${saved}. Another tab had changed ${fieldText(clash.path)} to ${printed(clash.theirs)}; yours, ${printed(clash.ours)}, is kept${more}`;
}

/** What is said of an undo or a redo; what another tab has changed since was left. */
export function travelText(what: "Undone" | "Done again", { label, clashes }: Committed): string {
  const [clash] = clashes;
  return clash === undefined
    ? `${what}: ${label}`
    : `${what}: ${label}, but for ${fieldText(clash.path)}, which has been changed since and is left as it is`;
}

/** What is said of a log that the browser had lost. */
export function restoredText({ records, photos, stamp, missing }: Restored): string {
  const pictures = photos === 0 ? "" : ` and ${photos} ${photos === 1 ? "photograph" : "photographs"}`;
  const when = stamp === "" ? "" : `, up to the change of ${instantText(stamp.slice(0, 24))}`;
  const whole =
    missing === 0
      ? "Nothing that was said to be saved is missing"
      : `${missing} ${missing === 1 ? "change before that is" : "changes before that are"} missing`;
  return `The browser had lost its storage of this log. ${counted(records, "record")}${pictures} were brought back from the second copy${when}. ${whole}.`;
}

/** What is said when some of what is stored cannot be read. */
export function unreadText(count: number): string {
  return `${count === 1 ? "One thing" : `${printNumber(count, 0)} things`} in the stored log cannot be read and ${count === 1 ? "is" : "are"} kept aside; no figure counts ${count === 1 ? "it" : "them"}. Files says what can be done, and Check the log which.`;
}

function fieldText(path: Committed["clashes"][number]["path"]): string {
  const words = path.map(stepText).filter((word) => word !== "");
  return words.length === 0 ? "it" : `"${words.at(-1)}"`;
}

function printed(value: unknown): string {
  return value === undefined || value === null
    ? "nothing"
    : typeof value === "object"
      ? "something else"
      : `"${String(value)}"`;
}

/** Where what was brought back by hand is noted for the page that follows. */
export const broughtBackKey = "oat-column-brought-back";
