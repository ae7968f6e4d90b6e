import { archiveSchema } from "@/core/log/kinds/all";
import * as z from "zod";

/** The archive as JSON Schema (draft 2020-12), generated from the schemas that check it, for other programs. */
export function archiveJsonSchema(): string {
  return `${JSON.stringify(z.toJSONSchema(archiveSchema, { io: "input", reused: "ref" }), null, 1)}\n`;
}
