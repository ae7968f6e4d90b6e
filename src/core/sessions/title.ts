import { capitalised } from "../base/text";
import type { Session } from "../log/kinds/sessions";

/** A session's own title, else its kind, as a heading. */
export function titleOf({ title, kind }: Pick<Session, "title" | "kind">): string {
  return title || capitalised(kind);
}
