/** Rows by what they are of, in the order in which they first come. */
export function grouped<Row, Key>(rows: readonly Row[], keyOf: (row: Row) => Key): ReadonlyMap<Key, readonly Row[]> {
  const groups = new Map<Key, Row[]>();
  for (const row of rows) {
    const key = keyOf(row);
    const own = groups.get(key);
    if (own) own.push(row);
    else groups.set(key, [row]);
  }
  return groups;
}
