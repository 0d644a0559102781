import type { Reject, TableRow } from '@outfit/core/tables'

type Fault = Omit<Reject, 'line'>

export const unknownCode = (column: string, code: string): Fault => ({
  column,
  reason: `${column} "${code}" is not known`,
})

/** Packs there are too few of to sell one, and money the seller does not take; a seller nobody knows takes any. */
export function offerFaults(
  { seller, currency, stock, multiple }: TableRow<'offers'>,
  sellsIn: string | undefined,
): Fault[] {
  return [
    ...(stock > 0 && stock < multiple
      ? [{ column: 'stock', reason: `stock ${stock} is below the pack size ${multiple}` }]
      : []),
    ...(sellsIn !== undefined && sellsIn !== currency
      ? [{ column: 'currency', reason: `${seller} sells in ${sellsIn}, not in ${currency}` }]
      : []),
  ]
}
