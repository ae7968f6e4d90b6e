import { byWord } from "../base/byWord";
import { perOwner } from "../base/memo";
import { folded } from "../base/text";
import { type Token, tokensOf } from "./tokens";

/** A thing of the trainee's that has a name, and perhaps others. */
export interface Named {
  id: string;
  name: string;
  aliases?: readonly string[] | null;
}

/** Words that stand for others in names, as they are written. */
const shortFor: Readonly<Record<string, string>> = byWord({
  db: "dumbbell",
  bb: "barbell",
  kb: "kettlebell",
  flye: "fly",
});

/** A word of a name as names are compared: one, not many; written out. */
function plain(word: string): string {
  const bare = word.replace(/'s?$/, "");
  const one = /ies$/.test(bare)
    ? `${bare.slice(0, -3)}y`
    : /(?:ss|ch|sh|x)es$/.test(bare)
      ? bare.slice(0, -2)
      : /[^s]s$/.test(bare) && bare.length > 2
        ? bare.slice(0, -1)
        : bare;
  return shortFor[one] ?? one;
}

/** Whether a token may be part of a name: a word, a number, or what joins two of them. */
function partOf(token: Token, next: Token | undefined): "word" | "joint" | null {
  if (token.kind === "word" || token.kind === "number") return "word";
  if (next === undefined) return null;
  return /^[&,]$/.test(token.text) || (/^[-./'+]$/.test(token.text) && token.glued && next.glued) ? "joint" : null;
}

/** The words of a name as they are compared. */
function wordsOf(tokens: readonly Token[]): string[] {
  return tokens.flatMap((token) =>
    token.kind === "word" || token.kind === "number" ? [plain(token.text)] : token.text === "&" ? ["and"] : [],
  );
}

interface Known<T> {
  /**
   * What each spelling stands for, all of its words run together: `chinup`. A thing's own name comes before another's
   * short name.
   */
  byKey: ReadonlyMap<string, readonly T[]>;
  names: readonly { thing: T; words: readonly string[]; key: string }[];
  longest: number;
}

/** Names are compared many times with the same things: with each line of a sheet, with each letter typed. */
const knownThings = perOwner((things: readonly Named[]): Known<Named> => {
  const names = things
    .flatMap((thing) =>
      [thing.name, ...(thing.aliases ?? [])].map((name, rank) => {
        const words = wordsOf(tokensOf(name));
        return { thing, words, key: words.join(""), rank: Math.min(rank, 1) };
      }),
    )
    .filter(({ key }) => key !== "");
  const byKey = new Map<string, Named[]>();
  for (const wanted of [0, 1]) {
    const before = new Set(byKey.keys());
    for (const { thing, key, rank } of names)
      if (rank === wanted && !before.has(key)) byKey.set(key, [...new Set([...(byKey.get(key) ?? []), thing])]);
  }
  return { byKey, names, longest: names.reduce((most, { words }) => Math.max(most, words.length), 0) };
});

/** A name found among tokens: from one place up to another, and the things that bear it. */
export interface NameAt<T> {
  from: number;
  to: number;
  things: readonly T[];
}

/**
 * Names that stand in the tokens in full (or short, as the thing has it), the longest first from the left; none
 * overlaps another.
 */
export function namesIn<T extends Named>(tokens: readonly Token[], things: readonly T[]): NameAt<T>[] {
  const known = knownThings(things) as unknown as Known<T>;
  const found: NameAt<T>[] = [];
  for (let from = 0; from < tokens.length;) {
    const name = nameAt(tokens, from, known);
    if (name) found.push(name);
    from = name?.to ?? from + 1;
  }
  return found;
}

/** The name that stands at a place, the longest; null when none does. */
export function nameStandingAt<T extends Named>(
  tokens: readonly Token[],
  at: number,
  things: readonly T[],
): NameAt<T> | null {
  return tokens[at] === undefined ? null : nameAt(tokens, at, knownThings(things) as unknown as Known<T>);
}

function nameAt<T>(tokens: readonly Token[], from: number, { byKey, longest }: Known<T>): NameAt<T> | null {
  if (tokens[from]!.kind !== "word") return null;
  let best: NameAt<T> | null = null;
  let key = "";
  for (let to = from, words = 0; to < tokens.length && words < longest + 4; to++) {
    const token = tokens[to]!;
    const part = partOf(token, tokens[to + 1]);
    if (part === null) break;
    if (part === "joint" && token.text !== "&") continue;
    key += part === "joint" ? "and" : plain(token.text);
    words += 1;
    const here = byKey.get(key);
    if (here) best = { from, to: to + 1, things: here };
  }
  // `Milk, 1.5 %`: the mark is of the name.
  if (best !== null && tokens[best.to]?.text === "%" && best.things.some((thing) => /%$/.test((thing as Named).name)))
    best = { ...best, to: best.to + 1 };
  return best;
}

/** Things all of whose typed words begin some word of the name, whole-word matches alone when there are any. */
export function candidatesFor<T extends Named>(typed: string, things: readonly T[]): T[] {
  const words = wordsOf(tokensOf(typed));
  if (words.length === 0) return [];
  const { names } = knownThings(things) as unknown as Known<T>;
  const matching = (test: (nameWord: string, word: string) => boolean) => [
    ...new Set(
      names
        .filter((name) => words.every((word) => name.words.some((nameWord) => test(nameWord, word))))
        .map(({ thing }) => thing),
    ),
  ];
  const whole = matching((nameWord, word) => nameWord === word);
  return whole.length > 0 ? whole : matching((nameWord, word) => nameWord.startsWith(word));
}

/** Whether a thing's name, or a short one, begins with what was typed: `front sq`. */
export function begins(typed: string, thing: Named): boolean {
  const key = wordsOf(tokensOf(typed)).join("");
  return [thing.name, ...(thing.aliases ?? [])].some((name) => wordsOf(tokensOf(name)).join("").startsWith(key));
}

/**
 * What may be meant by a name that is nobody's: things near in spelling, the nearest first, then those that share its
 * words.
 */
export function nearTo<T extends Named>(typed: string, things: readonly T[]): T[] {
  const words = wordsOf(tokensOf(typed));
  const key = words.join("");
  if (key.length < 3) return [];
  const { names } = knownThings(things) as unknown as Known<T>;
  const ranked = names.flatMap((name) => {
    const away = distance(key, name.key, slips(key.length));
    if (away !== null) return [{ thing: name.thing, away }];
    return words.every((word) =>
      name.words.some(
        (nameWord) =>
          nameWord.startsWith(word) || (word.length > 3 && distance(word, nameWord, slips(word.length)) !== null),
      ),
    )
      ? [{ thing: name.thing, away: 10 }]
      : [];
  });
  return [
    ...new Set([...candidatesFor(typed, things), ...ranked.sort((a, b) => a.away - b.away).map(({ thing }) => thing)]),
  ];
}

/** How many slips of the finger are forgiven in a word of a length. */
function slips(length: number): number {
  return length < 4 ? 0 : length < 8 ? 1 : length < 13 ? 2 : 3;
}

/**
 * How well a name answers what was typed in a list: 0 where it holds it as it is, 1 where it holds each word of it but for a
 * slip of the finger, null where it does not.
 */
export function answers(typed: string, name: string): 0 | 1 | null {
  const [wanted, held] = [folded(typed.trim()), folded(name)];
  if (held.includes(wanted)) return 0;
  const words = held.split(/[^\p{L}\p{N}]+/u);
  const isHeld = (word: string) =>
    held.includes(word) || words.some((one) => distance(word, one, slips(word.length)) !== null);
  return wanted.split(/\s+/).every(isHeld) ? 1 : null;
}

/** Whether a word is one of some, but for a slip of the finger: the word meant, else null. */
export function slipOf(word: string, meant: Iterable<string>): string | null {
  for (const one of meant) if (word !== one && distance(word, one, slips(word.length)) !== null) return one;
  return null;
}

/**
 * Insertions, deletions, replacements and swaps of neighbours between two words (the restricted distance of Damerau
 * 1964), or null when there are more than `most`.
 */
export function distance(a: string, b: string, most: number): number | null {
  if (Math.abs(a.length - b.length) > most) return null;
  let [beforeLast, last]: [number[], number[]] = [[], Array.from({ length: b.length + 1 }, (_, index) => index)];
  for (let i = 1; i <= a.length; i++) {
    const row = [i];
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1] ? 0 : 1;
      row[j] = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + same);
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1])
        row[j] = Math.min(row[j]!, beforeLast[j - 2]! + 1);
    }
    if (Math.min(...row) > most) return null;
    [beforeLast, last] = [last, row];
  }
  return last[b.length]! <= most ? last[b.length]! : null;
}

/** Whether two names are written alike: but for case, accents, hyphens and plurals. */
export function sameName(a: string, b: string): boolean {
  return folded(a) === folded(b) || wordsOf(tokensOf(a)).join("") === wordsOf(tokensOf(b)).join("");
}
