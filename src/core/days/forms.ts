import * as z from "zod";
import { words } from "../entry/form";

/** The note of a day. */
export function noteForm() {
  return z.object({ text: words, levelMayJump: z.boolean() });
}
