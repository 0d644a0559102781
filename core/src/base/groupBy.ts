/** Rows by a key, in the order they come. O(n). */
export function groupBy<K, V>(rows: Iterable<V>, key: (row: V) => K): Map<K, V[]> {
  const groups = new Map<K, V[]>()
  for (const row of rows) {
    const group = groups.get(key(row))
    if (group) group.push(row)
    else groups.set(key(row), [row])
  }
  return groups
}
