import { MOST, SHIPPING_BASES } from '../market/index.ts'
import { fieldReader, type Fields } from './fieldReader.ts'
import type { Limits, SourcingProblem } from './types.ts'

type Reader = ReturnType<typeof fieldReader>

/** What a problem says of what there is: `owned`, `sellers`, `offers` and `resale`, each with its defaults. */
export function readSupply(
  { fault, object, list, text, number, unique }: Reader,
  root: Fields,
): Pick<SourcingProblem, 'owned' | 'sellers' | 'offers' | 'resale'> {
  const stock = (entry: Fields, at: string, least: number, most: number) => ({
    part: text(entry['part'], `${at}.part`),
    qty: number(entry['qty'], `${at}.qty`, { least, most }),
  })
  const supply = {
    owned: list(root['owned'], 'owned', (entry, at) => stock(entry, at, 0, MOST.qty), true),
    sellers: list(root['sellers'], 'sellers', (seller, at) => {
      const shipping = object(seller['shipping'], `${at}.shipping`)
      const basis = shipping['basis'] as SourcingProblem['sellers'][number]['shipping']['basis']
      if (!SHIPPING_BASES.includes(basis)) fault(`${at}.shipping.basis`, `must be one of ${SHIPPING_BASES.join(', ')}`)
      const bands = list(shipping['bands'], `${at}.shipping.bands`, (band, here) => ({
        upTo:
          band['upTo'] === null
            ? null
            : number(band['upTo'], `${here}.upTo`, { whole: basis !== 'weight', most: MOST.band }),
        price: number(band['price'], `${here}.price`),
      }))
      if (bands.length === 0) fault(`${at}.shipping.bands`, 'needs at least one band')
      bands.forEach((band, i) => {
        const before = bands[i - 1]
        if (before && (before.upTo === null || (band.upTo !== null && band.upTo <= before.upTo)))
          fault(`${at}.shipping.bands[${i}].upTo`, 'must be above the band before it')
      })
      return {
        id: text(seller['id'], `${at}.id`),
        name: typeof seller['name'] === 'string' ? seller['name'] : String(seller['id'] ?? ''),
        minimum: number(seller['minimum'], `${at}.minimum`, { otherwise: 0 }),
        handling: number(seller['handling'], `${at}.handling`, { otherwise: 0 }),
        arrivesInDays: number(seller['arrivesInDays'], `${at}.arrivesInDays`, {
          otherwise: 0,
          whole: false,
          most: MOST.days,
        }),
        shipping: { basis, bands },
      }
    }),
    offers: list(root['offers'], 'offers', (offer, at) => ({
      id: text(offer['id'], `${at}.id`),
      seller: text(offer['seller'], `${at}.seller`),
      price: number(offer['price'], `${at}.price`),
      qty: number(offer['qty'], `${at}.qty`, { most: MOST.qty }),
      multiple: number(offer['multiple'], `${at}.multiple`, { least: 1, most: MOST.pack, otherwise: 1 }),
      weight: number(offer['weight'], `${at}.weight`, { whole: false, most: MOST.weight, otherwise: 0 }),
      yields: list(offer['yields'], `${at}.yields`, (entry, here) => stock(entry, here, 1, MOST.pack)),
    })),
    resale: list(
      root['resale'],
      'resale',
      (entry, at) => ({
        part: text(entry['part'], `${at}.part`),
        price: number(entry['price'], `${at}.price`),
      }),
      true,
    ),
  }
  unique(supply.offers, 'offers')
  const sellers = unique(supply.sellers, 'sellers')
  supply.offers.forEach((offer, i) => {
    if (offer.seller && !sellers.has(offer.seller)) fault(`offers[${i}].seller`, `there is no seller "${offer.seller}"`)
  })
  return supply
}

/** What a problem says of its limits; `seconds` is what is taken where it says nothing. */
export function readLimits({ object, number, orNull }: Reader, root: Fields, seconds: number): Limits {
  const limits = root['limits'] === undefined ? {} : object(root['limits'], 'limits')
  return {
    parcels: orNull(limits['parcels'], 'limits.parcels'),
    arriveBy: orNull(limits['arriveBy'], 'limits.arriveBy'),
    budget: orNull(limits['budget'], 'limits.budget', MOST.band),
    seconds: number(limits['seconds'], 'limits.seconds', { whole: false, most: MOST.seconds, otherwise: seconds }),
    gap: number(limits['gap'], 'limits.gap', { whole: false, otherwise: 0.005 }),
  }
}

/**
 * Read an unknown value as a sourcing problem, filling in the defaults of the format. Throws BadProblem with every
 * fault found, or the first fifty: missing fields, negative amounts, references to unknown sellers, duplicate ids, bands out
 * of order.
 */
export function readProblem(value: unknown): SourcingProblem {
  const reader = fieldReader()
  const { fault, object, list, text, number, unique, done } = reader
  const root = object(value, 'problem')
  if (root['format'] !== 'outfit.sourcing-problem') fault('format', 'must be "outfit.sourcing-problem"')
  if (root['version'] !== 1) fault('version', 'must be 1; a newer program is needed for other versions')
  const problem: SourcingProblem = {
    format: 'outfit.sourcing-problem',
    version: 1,
    currency: text(root['currency'], 'currency'),
    needs: list(root['needs'], 'needs', (need, at) => ({
      id: text(need['id'], `${at}.id`),
      qty: number(need['qty'], `${at}.qty`, { most: MOST.qty }),
      accept: list(need['accept'], `${at}.accept`, (accept, here) => ({
        part: text(accept['part'], `${here}.part`),
        penalty: number(accept['penalty'], `${here}.penalty`, { otherwise: 0 }),
      })),
    })),
    ...readSupply(reader, root),
    limits: readLimits(reader, root, 5),
  }
  unique(problem.needs, 'needs')
  done()
  return problem
}
