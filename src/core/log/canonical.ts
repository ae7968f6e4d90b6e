import { compare } from "../base/text";

/**
 * The same value with the keys of every object in alphabetical order; arrays keep theirs. `__proto__` is a key like any
 * other.
 */
export function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (value === null || typeof value !== "object") return value;
  const entries = Object.entries(value).filter(([, inner]) => inner !== undefined);
  entries.sort(([a], [b]) => compare(a, b));
  return Object.fromEntries(entries.map(([key, inner]) => [key, canonical(inner)]));
}

/** Orders records by id, in plain code-unit order, which is the same on every machine. */
export function byId(a: { id: string }, b: { id: string }): number {
  return compare(a.id, b.id);
}

/**
 * Whether two JSON values are equal, whatever the order of their keys; an absent key and one that is undefined are the
 * same.
 */
export function sameJson(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return (
      Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((one, index) => sameJson(one, b[index]))
    );
  const [x, y] = [a as Record<string, unknown>, b as Record<string, unknown>];
  const said = (object: Record<string, unknown>) => Object.keys(object).filter((key) => object[key] !== undefined);
  const keys = said(x);
  return keys.length === said(y).length && keys.every((key) => Object.hasOwn(y, key) && sameJson(x[key], y[key]));
}
