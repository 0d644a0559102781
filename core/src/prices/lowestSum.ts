import { costToFinish, type SoldWhole } from './costToFinish.ts'

/**
 * What parts cost at lowest prices, one for each time they are listed, some of them in wholes where that is less; null where
 * one of them is not sold at all.
 */
export function lowestSum(
  parts: readonly string[],
  lowest: Readonly<Record<string, number | null | undefined>>,
  wholes: readonly SoldWhole[] = [],
): number | null {
  const { money, unsold } = costToFinish(parts, (part) => lowest[part], wholes)
  return unsold > 0 ? null : money
}
