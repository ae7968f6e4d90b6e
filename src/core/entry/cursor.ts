import { type EntryChoice, type EntryProblem, type Line, type Place, placeOf, rewritten } from "./parsedEntry";
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
  said(from: number, to: number): string {
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

  /**
   * Asks about the line as a whole, once it has been read.
   * @param place what of it each choice is written instead of; the whole line where it is null
   */
  ask(message: string, place: Place | null = null, offered: { label: string; instead: string }[] = []): void {
    const { text, tokens } = this.line;
    const whole = tokens.length === 0 ? { start: 0, end: text.length } : placeOf(tokens, 0, tokens.length);
    this.problems.push({ ...whole, message });
    this.choices.push(
      ...offered.map(({ label, instead }) => ({
        label,
        text: rewritten(text, [{ ...(place ?? whole), text: instead }]),
      })),
    );
  }
}
