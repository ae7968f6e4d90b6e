/** A text that is typed in a field and not yet saved, and what stood in the field before. */
interface Typed {
  was: unknown;
  typed: unknown;
}

/** What is typed in a form and not yet saved, kept for this tab: a reload of the page brings it back. */
const keyOf = (form: string) => `oat-column-typed-${form}`;

function read(form: string): Record<string, Typed> {
  try {
    return JSON.parse(sessionStorage.getItem(keyOf(form)) ?? "{}") as Record<string, Typed>;
  } catch {
    return {};
  }
}

function write(form: string, kept: Record<string, Typed>): void {
  try {
    if (Object.keys(kept).length === 0) sessionStorage.removeItem(keyOf(form));
    else sessionStorage.setItem(keyOf(form), JSON.stringify(kept));
  } catch {
    // Without storage it stands as long as the page does.
  }
}

const same = (a: unknown, b: unknown) => JSON.stringify(a) === JSON.stringify(b);

/**
 * What was typed, field by field. What was typed over something else than stands there now is let go of: the record has
 * been changed since, and an old text must not come before it.
 * @param untouched what the fields hold before anything is typed
 */
export function keptTyping(form: string, untouched: Record<string, unknown>): [field: string, typed: unknown][] {
  const kept = Object.entries(read(form));
  const still = kept.filter(([field, { was }]) => field in untouched && same(was, untouched[field]));
  if (still.length < kept.length) write(form, Object.fromEntries(still));
  return still.map(([field, { typed }]) => [field, typed]);
}

/** Keeps what is typed in a field, unless it says what stood there before. */
export function keepTyping(form: string, field: string, { was, typed }: Typed): void {
  const { [field]: _before, ...others } = read(form);
  write(form, same(was, typed) ? others : { ...others, [field]: { was, typed } });
}

/** Lets go of what was typed in a form: it is saved, or the form is left. */
export function forgetTyping(form: string): void {
  write(form, {});
}
