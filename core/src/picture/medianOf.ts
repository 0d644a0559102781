/** The middle of some values, of two the higher: one that was really seen. 0 of none. O(n log n). */
export const medianOf = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[values.length >> 1] ?? 0
