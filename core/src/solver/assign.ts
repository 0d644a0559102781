/**
 * The assignment of rows to columns of greatest sum, each column taken at most `caps[column]` times; null when some row
 * finds none. `worth[row][column]` is -Infinity where they may not meet. Shortest augmenting paths with potentials
 * (Jonker and Volgenant 1987), a column standing for as many places as its cap. O(rows² × columns).
 */
export function assign(
  worth: readonly Float64Array[],
  caps: readonly number[],
): { columns: number[]; sum: number } | null {
  const rows = worth.length
  const columns = caps.length
  /** Rows in each column's places. */
  const held: number[][] = caps.map(() => [])
  const columnOf = new Array<number>(rows).fill(-1)
  const u = new Float64Array(rows)
  const v = new Float64Array(columns)
  for (let start = 0; start < rows; start++) {
    const least = new Float64Array(columns).fill(Infinity)
    const from = new Int32Array(columns).fill(-1)
    const done = new Uint8Array(columns)
    const reached: { row: number; at: number }[] = [{ row: start, at: 0 }]
    // Every row whose column's places are all taken is a way on.
    let distance = 0
    let end = -1
    const relax = (row: number, base: number) => {
      const own = worth[row]!
      for (let c = 0; c < columns; c++) {
        if (done[c] || caps[c] === 0 || own[c] === -Infinity) continue
        const reduced = base - own[c]! - u[row]! - v[c]!
        if (reduced < least[c]! - 1e-9) {
          least[c] = reduced
          from[c] = row
        }
      }
    }
    relax(start, 0)
    for (;;) {
      let next = -1
      for (let c = 0; c < columns; c++)
        if (!done[c] && least[c]! < Infinity && (next < 0 || least[c]! < least[next]!)) next = c
      if (next < 0) return null
      distance = least[next]!
      done[next] = 1
      if (held[next]!.length < caps[next]!) {
        end = next
        break
      }
      for (const row of held[next]!) {
        reached.push({ row, at: distance })
        relax(row, distance)
      }
    }
    for (const { row, at } of reached) u[row]! += distance - at
    for (let c = 0; c < columns; c++) if (done[c] && c !== end) v[c]! -= distance - least[c]!
    // Along the way back everybody moves over by one.
    for (let c = end; ;) {
      const row = from[c]!
      const before = columnOf[row]!
      if (before >= 0) held[before] = held[before]!.filter((other) => other !== row)
      columnOf[row] = c
      held[c]!.push(row)
      if (row === start) break
      c = before
    }
  }
  return { columns: columnOf, sum: columnOf.reduce((sum, c, row) => sum + worth[row]![c]!, 0) }
}
