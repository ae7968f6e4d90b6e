import { folded } from "../base/text";
import { candidatesFor } from "../entry/names";
import type { EntryChoice, Line } from "../entry/parsedEntry";

/** Names of the trainee's own that the last words typed may become. */
export function completionsFor({ text, tokens, context }: Line): EntryChoice[] {
  const body = tokens.length === 0 ? "" : text.slice(tokens[0]!.start).trimEnd();
  const prefix = tokens.length === 0 ? text : text.slice(0, tokens[0]!.start);
  const tail = lastWords(body);
  if (tail.length < 2) return [];
  const before = body.slice(0, body.length - tail.length);
  const whole = before === "";
  // Behind other words only what follows an amount, or a mark between two things, is the beginning of a name.
  if (!whole && !/(?:[,;:]\s*|\d\s*(?:g|ml|kg)?\s)$/.test(before.slice(-40))) return [];
  const things = [...(whole ? context.exercises : []), ...(whole ? [] : [...context.foods, ...context.recipes])];
  return candidatesFor(tail.trim(), things)
    .filter(({ name }) => folded(name) !== folded(tail.trim()))
    .slice(0, 6)
    .map(({ name }) => ({ label: name, text: `${prefix}${before}${name}${whole ? " " : ""}` }));
}

/**
 * The letters, spaces and hyphens at the end of a text, from the first letter on, without the unit of an amount that
 * stands before them.
 */
function lastWords(text: string): string {
  let from = text.length;
  while (from > 0 && /[\p{L}\s-]/u.test(text[from - 1]!)) from -= 1;
  const run = text.slice(from).replace(/^[\s-]+/, "");
  const unit = from > 0 && /\d/.test(text[from - 1]!) ? /^(?:g|ml|kg)\s+(?=\p{L})/iu.exec(run) : null;
  return unit === null ? run : run.slice(unit[0].length);
}
