import { fold, groupBy } from '../base/index.ts'
import type { ListedRow } from './readList.ts'

/** Whether all rows that tell a price tell the same. */
const agree = (rows: readonly ListedRow[]): boolean => {
  const told = rows.flatMap(({ price }) => price ?? [])
  return told.every(({ minor, currency }) => minor === told[0]!.minor && currency === told[0]!.currency)
}

/**
 * Rows of a set list whose price is none of their set: where rows of a set say different prices, and in all sets where most
 * that say several do, since they are prices of the parts then. O(rows).
 */
export function pricesOfParts(rows: readonly ListedRow[]): Set<ListedRow> {
  const sets = [...groupBy(rows, ({ set }) => fold(set ?? '')).values()]
  const several = sets.filter((own) => own.filter(({ price }) => price !== null).length > 1)
  const ofSets = several.filter(agree).length * 2 >= several.length
  return new Set(sets.filter((own) => !ofSets || !agree(own)).flat())
}
