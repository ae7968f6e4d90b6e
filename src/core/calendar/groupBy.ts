/** Elements by key, keys in the order of their first element. */
export function groupBy<T, K>(elements: Iterable<T>, keyOf: (element: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const element of elements) {
    const key = keyOf(element);
    const group = groups.get(key);
    if (group === undefined) groups.set(key, [element]);
    else group.push(element);
  }
  return groups;
}
