/** What one thinks of a seller: buys there gladly, never, or neither. */
export const STANDINGS = ['none', 'favoured', 'blocked'] as const
export type Standing = (typeof STANDINGS)[number]

/** Up to which amount a shipping band goes (null: any), and its price. */
export interface ShippingBand {
  upTo: number | null
  price: number
}

/** What is wrong with a list of shipping bands, with the index of the band; null where nothing is. */
export function bandFault(bands: readonly ShippingBand[]): { index: number; message: string } | null {
  if (bands.length === 0) return { index: 0, message: 'needs at least one band' }
  for (let i = 1; i < bands.length; i++) {
    const [before, { upTo }] = [bands[i - 1]!.upTo, bands[i]!]
    if (before === null) return { index: i, message: 'has a band after "any", which holds everything' }
    if (upTo === before) return { index: i, message: `has two bands up to ${upTo}` }
    if (upTo !== null && upTo < before)
      return { index: i, message: `has a band up to ${upTo} that overlaps the one up to ${before} before it` }
  }
  return null
}

/** What a band of shipping goes by: goods in money, units, or grams. */
export const SHIPPING_BASES = ['value', 'count', 'weight'] as const
