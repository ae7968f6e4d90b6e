import { type EntryChoice, type EntryProblem, type Line, placeOf, rewritten } from "./parsedEntry";
import type { Token } from "./tokens";

/**
 * A line that is read from one token to the next, with what of it is not understood and what is offered in its place.
 */
export abstract class LineCursor {
  readonly problems: EntryProblem[] = [];
  readonly choices: EntryChoice[] = [];

  constructor(readonly line: Line) {}

  /** Reads what begins at a place; the place behind it. */
  protected abstract step(at: number): number;

  read(): this {
    for (let at = 0; at < this.line.tokens.length;) at = this.step(at);
    return this;
  }

  protected token(at: number): Token | undefined {
    return this.line.tokens[at];
  }
  protected said(from: number, to: number): string {
    const { start, end } = placeOf(this.line.tokens, from, to);
    return this.line.text.slice(start, end);
  }

  /** Names a place as not understood; the first such place offers its choices. */
  protected unread(from: number, to: number, message: string, offered: { label: string; text: string }[] = []): number {
    const place = placeOf(this.line.tokens, from, to);
    this.problems.push({ ...place, message });
    if (this.choices.length === 0)
      this.choices.push(
        ...offered.map(({ label, text }) => ({ label, text: rewritten(this.line.text, [{ ...place, text }]) })),
      );
    return to;
  }
}
