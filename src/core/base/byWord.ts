/**
 * A table that is looked up by words that were typed or stored: it holds what is written in it and nothing else, so that
 * `constructor`, `toString` and `__proto__` are words like any other. Every such table is made by this (a lint rule holds
 * it).
 */
export function byWord<V>(entries: Readonly<Record<string, V>>): Record<string, V> {
  return Object.assign(Object.create(null) as Record<string, V>, entries);
}
