/** The same value with the keys of every object in alphabetical order; arrays keep theirs. `__proto__` is a key like any other. */
export function canonical(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(canonical);
  if (value === null || typeof value !== "object") return value;
  const entries = Object.entries(value).filter(([, inner]) => inner !== undefined);
  entries.sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0));
  return Object.fromEntries(entries.map(([key, inner]) => [key, canonical(inner)]));
}

/** Orders records by id, in plain code-unit order, which is the same on every machine. */
export function byId(a: { id: string }, b: { id: string }): number {
  return a.id < b.id ? -1 : a.id > b.id ? 1 : 0;
}

/** Whether two JSON values are equal, whatever the order of their keys. */
export function sameJson(a: unknown, b: unknown): boolean {
  return a === b || JSON.stringify(canonical(a)) === JSON.stringify(canonical(b));
}
