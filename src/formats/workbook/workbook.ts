import type { DateOrder } from "@/core/ledger/paste";
import { strFromU8 } from "fflate";
import { endings } from "../endings";
import { endsIn, type Format } from "../format";
import { readSheet, type Role, type Sheet } from "./sheet";

/** What the trainee has settled of a workbook: what its columns hold, and the order of its dates. */
export interface WorkbookWanted {
  roles: Role[] | null;
  order: DateOrder | null;
}

/** An old workbook of weights: pasted, or a file of separated values. */
export const workbook: Format<{ sheet: Sheet }, WorkbookWanted> = {
  title: "a spreadsheet",
  recognise: ({ name }) => endsIn(name, endings.workbook),
  *read({ content }, wanted) {
    const sheet = readSheet(typeof content === "string" ? content : strFromU8(content), wanted);
    if ("reason" in sheet) return { ok: false, problems: [{ path: "(sheet)", message: sheet.reason }] };
    return { ok: true, sheet };
  },
  write: null,
};
