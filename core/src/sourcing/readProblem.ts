import { MOST, SHIPPING_BASES } from '../market/index.ts'
import type { SourcingProblem } from './types.ts'

/** One fault of a problem: where, as a path such as `offers[3].price`, and what is wrong there. */
export interface ProblemFault {
  field: string
  message: string
}

/** After so many faults no more are looked for; nobody mends them all before asking again. */
const ENOUGH = 50

/** Thrown by readProblem; its message is one line. */
export class BadProblem extends Error {
  constructor(readonly faults: ProblemFault[]) {
    super(`${faults[0]!.field}: ${faults[0]!.message}${faults.length > 1 ? ` (and ${faults.length - 1} more)` : ''}`)
  }
}

type Fields = Record<string, unknown>

/** Collects faults while reading values by path; every reader returns something usable so that reading can go on. */
function reader() {
  const faults: ProblemFault[] = []
  const fault = (field: string, message: string) => {
    faults.push({ field, message })
    if (faults.length >= ENOUGH) throw new BadProblem(faults)
  }
  const object = (value: unknown, field: string): Fields => {
    if (typeof value === 'object' && value !== null && !Array.isArray(value)) return value as Fields
    fault(field, value === undefined ? 'is missing' : 'must be an object')
    return {}
  }
  const list = <T>(value: unknown, field: string, each: (entry: Fields, field: string) => T, optional = false): T[] => {
    if (value === undefined && optional) return []
    if (Array.isArray(value)) return value.map((entry, i) => each(object(entry, `${field}[${i}]`), `${field}[${i}]`))
    fault(field, value === undefined ? 'is missing' : 'must be a list')
    return []
  }
  const text = (value: unknown, field: string): string => {
    if (typeof value === 'string' && value !== '') return value
    fault(field, value === undefined ? 'is missing' : 'must be a text that is not empty')
    return ''
  }
  const number = (
    value: unknown,
    field: string,
    { least = 0, most = MOST.money as number, whole = true, otherwise = undefined as number | undefined } = {},
  ) => {
    if (value === undefined && otherwise !== undefined) return otherwise
    const bad = typeof value !== 'number' || !Number.isFinite(value) || (whole && !Number.isInteger(value))
    if (bad) fault(field, value === undefined ? 'is missing' : `must be a ${whole ? 'whole ' : ''}number`)
    else if (value < least) fault(field, `must not be ${least > 0 ? `below ${least}` : 'negative'}; it is ${value}`)
    else if (value > most) fault(field, `must not be above ${most}; it is ${value}`)
    else return value
    return least
  }
  const orNull = (value: unknown, field: string, most: number = MOST.money) =>
    value === null || value === undefined ? null : number(value, field, { most })
  return { faults, fault, object, list, text, number, orNull }
}

/**
 * Read an unknown value as a sourcing problem, filling in the defaults of the format. Throws BadProblem with every
 * fault found, or the first fifty: missing fields, negative amounts, references to unknown sellers, duplicate ids, bands out
 * of order.
 */
export function readProblem(value: unknown): SourcingProblem {
  const { faults, fault, object, list, text, number, orNull } = reader()
  const root = object(value, 'problem')
  if (root['format'] !== 'outfit.sourcing-problem') fault('format', 'must be "outfit.sourcing-problem"')
  if (root['version'] !== 1) fault('version', 'must be 1; a newer program is needed for other versions')
  const limits = root['limits'] === undefined ? {} : object(root['limits'], 'limits')
  const stock = (entry: Fields, at: string, least: number, most: number) => ({
    part: text(entry['part'], `${at}.part`),
    qty: number(entry['qty'], `${at}.qty`, { least, most }),
  })
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
    limits: {
      parcels: orNull(limits['parcels'], 'limits.parcels'),
      arriveBy: orNull(limits['arriveBy'], 'limits.arriveBy'),
      budget: orNull(limits['budget'], 'limits.budget', MOST.band),
      seconds: number(limits['seconds'], 'limits.seconds', { whole: false, most: MOST.seconds, otherwise: 5 }),
      gap: number(limits['gap'], 'limits.gap', { whole: false, otherwise: 0.005 }),
    },
  }
  const unique = (entries: readonly { id: string }[], field: string) => {
    const seen = new Set<string>()
    entries.forEach(({ id }, i) => {
      if (id && seen.has(id)) fault(`${field}[${i}].id`, `"${id}" is used twice`)
      seen.add(id)
    })
    return seen
  }
  unique(problem.needs, 'needs')
  unique(problem.offers, 'offers')
  const sellers = unique(problem.sellers, 'sellers')
  problem.offers.forEach((offer, i) => {
    if (offer.seller && !sellers.has(offer.seller)) fault(`offers[${i}].seller`, `there is no seller "${offer.seller}"`)
  })
  if (faults.length) throw new BadProblem(faults)
  return problem
}
