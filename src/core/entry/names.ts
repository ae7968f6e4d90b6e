import { ownedBy } from "../memo";
import { folded } from "./reading";

/** A thing of the trainee's that has a name. */
interface Named { id: string; name: string }

export interface NameMatch<T> { found: T | null; length: number; candidates: T[] }

/** A thing with its name as names are compared, and the words of it. */
interface Known<T> { thing: T; name: string; words: string[] }

/** Names are compared many times with the same things: with each line of a sheet, with each letter typed. */
const knownThings = ownedBy((things: readonly Named[]): Known<Named>[] => things.map((thing) => { const name = folded(thing.name); return { thing, name, words: name.split(/[\s,()-]+/) }; }));
const knownByLength = ownedBy((things: readonly Named[]) => [...knownThings(things)].sort((a, b) => b.thing.name.length - a.thing.name.length));

/**
 * The thing whose name the text begins with. The longest full name wins; else the words typed before the first digit are matched
 * against whole words and word beginnings of the names: one match is found, several are candidates to choose from.
 */
export function matchName<T extends Named>(text: string, things: readonly T[]): NameMatch<T> {
  const typed = folded(text);
  const full = (knownByLength(things) as Known<T>[]).find(({ name }) => startsWithWord(typed, name))?.thing;
  if (full) return { found: full, length: full.name.length, candidates: [full] };
  const words = /^[^\d,;:+@]*/.exec(text)![0].trimEnd();
  if (words.trim() === "") return { found: null, length: 0, candidates: [] };
  const candidates = candidatesFor(words, things);
  return { found: candidates.length === 1 ? candidates[0]! : null, length: words.length, candidates };
}

/** Things all of whose typed words begin some word of the name, whole-word matches alone when there are any; plurals in s are read as singulars. */
export function candidatesFor<T extends Named>(typed: string, things: readonly T[]): T[] {
  const words = folded(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return [];
  const matches = (test: (nameWord: string, word: string) => boolean) =>
    (knownThings(things) as Known<T>[]).filter(({ words: nameWords }) => words.every((word) => nameWords.some((nameWord) => test(nameWord, word)))).map(({ thing }) => thing);
  const same = (a: string, b: string) => a === b || a === `${b}s` || b === `${a}s` || a === `${b}es` || b === `${a}es`;
  const whole = matches(same);
  return whole.length > 0 ? whole : matches((nameWord, word) => nameWord.startsWith(word));
}

function startsWithWord(text: string, name: string): boolean {
  return text.startsWith(name) && !/[\p{L}]/u.test(text.charAt(name.length));
}
