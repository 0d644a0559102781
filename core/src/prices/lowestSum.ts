/** What parts cost at lowest single prices, one for each time they are listed; null where one of them is not sold singly. */
export function lowestSum(
  parts: readonly string[],
  lowest: Readonly<Record<string, number | null | undefined>>,
): number | null {
  return parts.reduce<number | null>((sum, part) => {
    const each = lowest[part] ?? null
    return sum === null || each === null ? null : sum + each
  }, 0)
}
