/** A table is grown when it is this full. */
const FULL = 0.6

/**
 * Counts how often a key was met before, for a million keys in 16 MB: a key that is new leaves 52 bits of hash behind, only
 * one met again is kept whole. Two keys of a million have the same hash once in ten thousand lists; the second then counts as
 * met again.
 */
export class LineCounter {
  private table = new Float64Array(1 << 12)
  private size = 0
  private readonly again = new Map<string, number>()

  /** How often `key` was met before. */
  before(key: string): number {
    if (this.size >= this.table.length * FULL) this.grow()
    if (this.put(hashOf(key))) return 0
    const n = (this.again.get(key) ?? 0) + 1
    this.again.set(key, n)
    return n
  }

  /** Put a hash in; whether it is new. */
  private put(hash: number): boolean {
    const mask = this.table.length - 1
    let at = hash % this.table.length
    while (this.table[at] !== 0) {
      if (this.table[at] === hash) return false
      at = (at + 1) & mask
    }
    this.table[at] = hash
    this.size += 1
    return true
  }

  private grow(): void {
    const former = this.table
    this.table = new Float64Array(former.length * 2)
    this.size = 0
    for (const hash of former) if (hash !== 0) this.put(hash)
  }
}

/** A whole number of 52 bits, never 0: two runs of FNV-1a, mixed. */
function hashOf(key: string): number {
  let [a, b] = [0x811c9dc5, 0x9e3779b9]
  for (let i = 0; i < key.length; i++) {
    const unit = key.charCodeAt(i)
    a = Math.imul(a ^ unit, 0x01000193)
    b = Math.imul(b ^ unit, 0x85ebca6b)
  }
  b ^= b >>> 15
  return (a >>> 0) * 0x100000 + ((b >>> 0) & 0xfffff) + 1
}
