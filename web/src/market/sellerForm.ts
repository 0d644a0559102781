import { homeCurrency, bandFault, decimalMoney, formatMoney, readMoney } from '@outfit/core/market'
import type { SellerTerms } from '../data/marketApi.ts'

/** A seller as it is typed: amounts of money as people write them. */
export interface TypedSeller extends Omit<SellerTerms, 'minimum' | 'handling' | 'arrivesInDays' | 'shippingBands'> {
  minimum: string
  handling: string
  arrivesInDays: string
  bands: { upTo: string; price: string }[]
}

const UNIT = { value: '', count: ' pieces', weight: ' g' } as const

/** What an edge of a band is written in: money for value, else plain numbers. */
const edgeOf = (upTo: number, { shippingBasis, currency }: Pick<SellerTerms, 'shippingBasis' | 'currency'>) =>
  shippingBasis === 'value' ? decimalMoney(upTo, currency) : String(upTo)

export const newSeller = (): TypedSeller => ({
  name: '',
  country: '',
  currency: homeCurrency(),
  minimum: '0',
  handling: '0',
  arrivesInDays: '7',
  rating: null,
  shippingBasis: 'value',
  bands: [{ upTo: '', price: '' }],
  notes: null,
  standing: 'none',
})

/** The terms of a seller without what the server tells besides. */
export function termsIn(seller: SellerTerms): SellerTerms {
  const { name, country, currency, minimum, handling, arrivesInDays, rating } = seller
  const { shippingBasis, shippingBands, notes, standing } = seller
  return {
    ...{ name, country, currency, minimum, handling, arrivesInDays, rating },
    ...{ shippingBasis, shippingBands, notes, standing },
  }
}

export function typed(terms: SellerTerms): TypedSeller {
  const { shippingBands, ...rest } = terms
  return {
    ...rest,
    minimum: decimalMoney(terms.minimum, terms.currency),
    handling: decimalMoney(terms.handling, terms.currency),
    arrivesInDays: String(terms.arrivesInDays),
    bands: shippingBands.map(({ upTo, price }) => ({
      upTo: upTo === null ? '' : edgeOf(upTo, terms),
      price: decimalMoney(price, terms.currency),
    })),
  }
}

/** What was typed as terms; throws a sentence that names the field. */
export function termsOf({ bands, ...seller }: TypedSeller): SellerTerms {
  const { currency, shippingBasis } = seller
  const within = <T>(field: string, read: () => T): T => {
    try {
      return read()
    } catch (error) {
      throw new Error(`${field}: ${(error as Error).message}.`, { cause: error })
    }
  }
  const number = (text: string) => {
    if (!/^\d+([.,]\d+)?$/.test(text.trim())) throw new Error(`"${text}" is no number`)
    return Number(text.trim().replace(',', '.'))
  }
  const whole = (text: string) => {
    if (!/^\d+$/.test(text.trim())) throw new Error(`"${text}" is no whole number`)
    return Number(text)
  }
  if (seller.name.trim() === '') throw new Error('Name: it needs one.')
  const shippingBands = bands.map(({ upTo, price }, i) => ({
    upTo:
      upTo.trim() === ''
        ? null
        : within(`Band ${i + 1}, up to`, () =>
            shippingBasis === 'value'
              ? readMoney(upTo, currency)
              : shippingBasis === 'count'
                ? whole(upTo)
                : number(upTo),
          ),
    price: within(`Band ${i + 1}, price`, () => readMoney(price, currency)),
  }))
  const fault = bandFault(shippingBands)
  if (fault) throw new Error(`Shipping ${fault.message}.`)
  return {
    ...seller,
    name: seller.name.trim(),
    notes: seller.notes?.trim() || null,
    minimum: within('Minimum', () => readMoney(seller.minimum, currency)),
    handling: within('Handling', () => readMoney(seller.handling, currency)),
    arrivesInDays: within('Days', () => whole(seller.arrivesInDays)),
    shippingBands,
  }
}

/** Shipping in words: "to €15.00 €2.90, above €4.20, by value". */
export function shippingInWords(terms: Pick<SellerTerms, 'shippingBasis' | 'shippingBands' | 'currency'>): string {
  const { shippingBasis, shippingBands, currency } = terms
  const money = (amount: number) => (amount === 0 ? 'free' : formatMoney(amount, currency))
  const edge = (upTo: number) =>
    shippingBasis === 'value' ? formatMoney(upTo, currency) : `${upTo}${UNIT[shippingBasis]}`
  if (shippingBands.length === 1 && shippingBands[0]!.upTo === null) return `${money(shippingBands[0]!.price)} always`
  return shippingBands
    .map(({ upTo, price }) => (upTo === null ? `then ${money(price)}` : `${money(price)} up to ${edge(upTo)}`))
    .join(', ')
}

/** A code for a new seller out of its name, not one that is taken. */
export function codeFor(name: string, taken: readonly string[]): string {
  const plain =
    name
      .normalize('NFKD')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'seller'
  for (let n = 1; ; n++) {
    const code = n === 1 ? plain : `${plain}-${n}`
    if (!taken.includes(code)) return code
  }
}
