import { folded } from "../base/text";

/**
 * A part of a line that is read as one: a number, a time of a clock, a word, or a mark. Nothing of a line but blanks is
 * left out, so that whoever reads it can be held to account for each of them.
 */
export interface Token {
  kind: "number" | "clock" | "word" | "mark";
  /** As compared: lower case without accents; `x` for a cross, `-` for any dash, a minus sign included. */
  text: string;
  start: number;
  end: number;
  /** Whether nothing stands between it and what comes before. */
  glued: boolean;
  /** The number, or the seconds of a clock; NaN for words and marks. */
  value: number;
  /** How many decimals a number was written with. */
  decimals: number;
  /** `60,70` may be sixty point seventy, or two numbers: the two. Null where there is one reading. */
  pair: readonly [number, number] | null;
}

const patterns = [
  ["clock", /\d{1,3}:\d{2}(?::\d{2})?(?:[.,]\d+(?![\d]*:\d))?(?![\d:])/y],
  ["number", /\d+(?:\.\d+)?/y],
  ["word", /\p{L}[\p{L}\p{M}]*(?:['’]\p{L}+)*/uy],
  ["mark", /\S/uy],
] as const;

/** The line's parts in order. */
export function tokensOf(line: string): Token[] {
  const tokens: Token[] = [];
  let at = 0;
  while (at < line.length) {
    if (/\s/.test(line[at]!)) {
      at += 1;
      continue;
    }
    const [kind, text] = matched(line, at);
    const end = at + text.length;
    const token: Token = {
      kind,
      text: plain(kind, text),
      start: at,
      end,
      glued: tokens.at(-1)?.end === at,
      value: valueOf(kind, text),
      decimals: kind === "number" ? (text.split(".")[1]?.length ?? 0) : 0,
      pair: null,
    };
    tokens.push(...parted(token, tokens.at(-1)));
    at = end;
  }
  return paired(tokens);
}

function matched(line: string, at: number): [Token["kind"], string] {
  for (const [kind, pattern] of patterns) {
    pattern.lastIndex = at;
    const found = pattern.exec(line);
    if (found) return [kind, found[0]];
  }
  throw new RangeError(`nothing stands at ${at}`);
}

function plain(kind: Token["kind"], text: string): string {
  if (kind === "word") return folded(text).replaceAll("’", "'");
  if (/[×*✕]/.test(text)) return "x";
  if (/[–—−‒]/.test(text)) return "-";
  return text;
}

function valueOf(kind: Token["kind"], text: string): number {
  if (kind === "number") return Number(text);
  if (text === "½") return 0.5;
  if (kind !== "clock") return NaN;
  const [hours, minutes, seconds] = [...Array<string>(2).fill("0"), ...text.replace(",", ".").split(":")]
    .slice(-3)
    .map(Number) as [number, number, number];
  return seconds < 60 && (minutes < 60 || hours === 0) ? hours * 3600 + minutes * 60 + seconds : NaN;
}

/** A word that hangs on a number and begins with the cross (`3xbw`) is a cross and a word; `½` is a number. */
function parted(token: Token, before: Token | undefined): Token[] {
  if (token.kind === "mark" && token.text === "½") return [{ ...token, kind: "number", decimals: 1 }];
  const unit = /^(kgs?|lbs?)x$/.exec(token.text)?.[1];
  if (token.kind === "word" && unit !== undefined) {
    const cut = token.start + unit.length;
    return [
      { ...token, text: unit, end: cut },
      { ...token, kind: "mark", text: "x", start: cut, glued: true },
    ];
  }
  if (token.kind !== "word" || token.text[0] !== "x") return [token];
  const behind =
    token.glued &&
    before !== undefined &&
    (before.kind !== "word" || before.text === "kg" || /^lbs?$/.test(before.text));
  if (token.text === "x") return [{ ...token, kind: "mark" }];
  return behind
    ? [
        { ...token, kind: "mark", text: "x", end: token.start + 1 },
        { ...token, text: token.text.slice(1), start: token.start + 1, glued: true },
      ]
    : [token];
}

/** Two numbers with a comma between and nothing else are one token with both readings; three and more are a list. */
function paired(tokens: readonly Token[]): Token[] {
  const result: Token[] = [];
  const isComma = (at: number) =>
    tokens[at]?.text === "," && tokens[at].glued && tokens[at + 1]?.kind === "number" && tokens[at + 1]!.glued;
  for (let at = 0; at < tokens.length; at++) {
    const [token, next] = [tokens[at]!, tokens[at + 2]];
    const alone =
      token.kind === "number" &&
      isComma(at + 1) &&
      !isComma(at + 3) &&
      !(token.glued && tokens[at - 1]?.text === "," && tokens[at - 2]?.kind === "number" && tokens[at - 1]!.glued);
    if (!alone || next === undefined || token.decimals > 0 || next.decimals > 0) {
      result.push(token);
      continue;
    }
    result.push({
      ...token,
      text: `${token.text}.${next.text}`,
      end: next.end,
      value: Number(`${token.text}.${next.text}`),
      decimals: next.end - next.start,
      pair: [token.value, next.value],
    });
    at += 2;
  }
  return result;
}
