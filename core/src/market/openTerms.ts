import type { ShippingBand } from './bands.ts'

/** Noted with a seller of whom only prices are known. */
export const OPEN_TERMS = 'Minimum and shipping are not known yet: say them here.'

/**
 * Whether nobody has said yet what shipping of a seller costs, so that it is reckoned as nothing: it is noted so, and nothing
 * else stands there.
 */
export const hasOpenTerms = (seller: {
  notes: string | null
  minimum: number
  handling: number
  shippingBands: readonly ShippingBand[]
}): boolean =>
  seller.notes?.includes(OPEN_TERMS) === true &&
  seller.minimum === 0 &&
  seller.handling === 0 &&
  seller.shippingBands.every(({ price }) => price === 0)
