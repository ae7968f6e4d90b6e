/** What is typed in a form and not yet saved, kept for this tab: a reload of the page brings it back. */
const keyOf = (form: string) => `oat-column-typed-${form}`;

/** @returns the fields that were typed in, none where nothing is kept */
export function keptTyping(form: string): Record<string, unknown> {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(form)) ?? "{}") as Record<string, unknown>;
  } catch {
    return {};
  }
}

/** Keeps what is typed; nothing, where no field is left that says otherwise than it did. */
export function keepTyping(form: string, fields: Record<string, unknown>): void {
  try {
    if (Object.keys(fields).length === 0) sessionStorage.removeItem(keyOf(form));
    else sessionStorage.setItem(keyOf(form), JSON.stringify(fields));
  } catch {
    // Without storage it stands as long as the page does.
  }
}
