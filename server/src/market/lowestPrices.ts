import type { DataSource } from 'typeorm'
import { groupBy } from '@outfit/core/base'
import { OFFER_KINDS } from '@outfit/core/tables'
import { convert, homeCurrency, type Rate } from '@outfit/core/market'
import { breathing } from '../base/breathe.ts'
import type { Changes } from '../base/changes.ts'
import type { OfferEntity } from '../schema/market.ts'

/** Offers one can buy of. */
export const FOR_SALE = `o.stock >= o.multiple AND o.seller NOT IN (SELECT code FROM seller WHERE standing = 'blocked')`

/** The lowest price of a thing in a condition and currency, and how many offer it so. */
export interface Lowest {
  condition: OfferEntity['condition']
  currency: string
  price: number
  offers: number
}

/** The same as the database tells it. */
interface LowestOf extends Lowest {
  kind: OfferEntity['kind']
  code: string
}

/** By what prices are converted to the home currency. */
interface Conversion {
  rates: Rate[]
  date: string
}

/** Prices of one state of the market; what has not changed since the state before is the same object as there. */
interface Prices {
  /** How each thing is for sale, by "kind code". */
  ways: ReadonlyMap<string, readonly Lowest[]>
  /** Lowest price of each thing in the home currency, by "kind code", and of parts by their codes. */
  cheapest: ReadonlyMap<string, number>
  parts: ReadonlyMap<string, number>
  /** What prices were converted by. */
  by: string
}

const LOWEST = 'SELECT o.kind, o.code, o.condition, o.currency, MIN(o.price) AS price, COUNT(*) AS offers'
const EACH = 'GROUP BY o.kind, o.code, o.condition, o.currency'
/** Offers read between two signs of life. */
const SLICE = 8_000
/** Offers of which a market is large. */
const LARGE = 100_000
/** Of more things than so many all are read. */
const MOST_CHANGED = 20_000
/** Things asked for at once. */
const AT_ONCE = 300

const PART = 'part '
/** A thing by its "kind code". */
export function thingOf(key: string): { kind: OfferEntity['kind']; code: string } {
  const at = key.indexOf(' ')
  return { kind: key.slice(0, at) as OfferEntity['kind'], code: key.slice(at + 1) }
}

const keyOf = ({ kind, code }: { kind: string; code: string }) => `${kind} ${code}`

/**
 * Ways by "kind code". A large market has two hundred thousand of them, so that none holds what its key says, nor words of
 * its own for what all of them say.
 */
function waysOf(found: readonly LowestOf[]): Map<string, Lowest[]> {
  const words = new Map<string, string>()
  const word = (own: string) => words.get(own) ?? (words.set(own, own), own)
  const ways = new Map<string, Lowest[]>()
  for (const [key, own] of groupBy(found, keyOf))
    ways.set(
      key,
      own.map(({ condition, currency, price, offers }) => ({
        condition: condition === 'new' ? 'new' : 'used',
        currency: word(currency),
        price,
        offers,
      })),
    )
  return ways
}

/**
 * The lowest price of each thing for sale. All offers are read once, slice by slice; after a list of which it is known what
 * it changed, only those things are.
 */
export class LowestPrices {
  private kept: { at: number; prices: Promise<Prices> } | null = null

  constructor(
    private readonly database: DataSource,
    private readonly changes: Changes,
    private readonly conversion: () => Promise<Conversion>,
  ) {
    // A large market takes more than a second, which nobody need wait for.
    changes.onTold((aspects) => {
      if (aspects.includes('market')) this.readAhead().catch(() => undefined)
    })
  }

  /** Read a large market as soon as it changed, before anybody asks. */
  async readAhead(): Promise<void> {
    const [{ last }] = (await this.database.query('SELECT MAX(id) AS last FROM offer')) as [{ last: number | null }]
    if ((last ?? 0) > LARGE) await this.now()
  }

  /** The prices of the market as it stands. */
  now(): Promise<Prices> {
    const at = this.changes.ofMarket
    if (this.kept?.at === at) return this.kept.prices
    const before = this.kept
    const things = before && this.changes.offersSince(before.at)
    const mine = {
      at,
      prices: before && things && things.size <= MOST_CHANGED ? this.after(before.prices, things) : this.read(),
    }
    this.kept = mine
    // A failure is not kept.
    mine.prices.catch(() => this.kept === mine && (this.kept = null))
    return mine.prices
  }

  private async read(): Promise<Prices> {
    const conversion = await this.conversion()
    const ways = new Map<string, Lowest[]>()
    const breath = breathing()
    for (const kind of OFFER_KINDS)
      for (let [from, upTo]: [string, string | null] = ['', '']; upTo !== null; from = upTo ?? '') {
        const [last] = (await this.database.query(
          'SELECT code FROM offer WHERE kind = ? AND code > ? ORDER BY code LIMIT 1 OFFSET ?',
          [kind, from, SLICE],
        )) as { code: string }[]
        upTo = last?.code ?? null
        const within = upTo === null ? '' : 'AND o.code <= ?'
        const found = (await this.database.query(
          `${LOWEST} FROM offer o WHERE o.kind = ? AND o.code > ? ${within} AND ${FOR_SALE} ${EACH}`,
          [kind, from, ...(upTo === null ? [] : [upTo])],
        )) as LowestOf[]
        for (const [key, own] of waysOf(found)) ways.set(key, own)
        await breath()
      }
    return converted(ways, conversion)
  }

  /** What was before, but for some things. */
  private async after(before: Promise<Prices>, things: ReadonlySet<string>): Promise<Prices> {
    const [last, conversion] = await Promise.all([before.catch(() => null), this.conversion()])
    if (!last) return this.read()
    const breath = breathing()
    const ways = new Map(last.ways)
    for (const key of things) ways.delete(key)
    await breath()
    for (const [key, own] of waysOf(await this.ofThings([...things]))) ways.set(key, own)
    if (last.by !== signOf(conversion)) {
      const { cheapest, parts, by } = await converted(ways, conversion)
      return { ways, cheapest: asBefore(last.cheapest, cheapest), parts: asBefore(last.parts, parts), by }
    }
    const inHome = homeOf(conversion)
    const cheapest = new Map(last.cheapest)
    await breath()
    const parts = new Map(last.parts)
    await breath()
    let [others, otherParts] = [false, false]
    for (const key of things) {
      const price = inHome(ways.get(key))
      if (price === last.cheapest.get(key)) continue
      others = true
      put(cheapest, key, price)
      if (!key.startsWith(PART)) continue
      otherParts = true
      put(parts, key.slice(PART.length), price)
    }
    return {
      ways,
      cheapest: others ? cheapest : last.cheapest,
      parts: otherParts ? parts : last.parts,
      by: last.by,
    }
  }

  /** How some things ("kind code") are for sale. */
  private async ofThings(things: readonly string[]): Promise<LowestOf[]> {
    const breath = breathing()
    const found: LowestOf[] = []
    for (let from = 0; from < things.length; from += AT_ONCE) {
      const some = things.slice(from, from + AT_ONCE).map(thingOf)
      found.push(
        ...((await this.database.query(
          `${LOWEST} FROM json_each(?) t
           CROSS JOIN offer o ON o.kind = t.value ->> 'kind' AND o.code = t.value ->> 'code' WHERE ${FOR_SALE} ${EACH}`,
          [JSON.stringify(some)],
        )) as LowestOf[]),
      )
      await breath()
    }
    return found
  }
}

function put(map: Map<string, number>, key: string, price: number | undefined): void {
  if (price === undefined) map.delete(key)
  else map.set(key, price)
}

/** The prices before, where they are the same: what was worked out from them holds on. */
function asBefore(before: ReadonlyMap<string, number>, now: ReadonlyMap<string, number>): ReadonlyMap<string, number> {
  if (before.size !== now.size) return now
  for (const [key, price] of now) if (before.get(key) !== price) return now
  return before
}

const signOf = ({ rates, date }: Conversion) => JSON.stringify([homeCurrency(), date, rates])

/** The lowest of some prices in the home currency; undefined of none. */
const homeOf =
  ({ rates, date }: Conversion) =>
  (ways: readonly Lowest[] = []): number | undefined =>
    ways.length === 0
      ? undefined
      : Math.min(...ways.map(({ price, currency }) => convert(price, currency, homeCurrency(), date, rates)))

async function converted(ways: ReadonlyMap<string, readonly Lowest[]>, conversion: Conversion): Promise<Prices> {
  const inHome = homeOf(conversion)
  const [cheapest, parts] = [new Map<string, number>(), new Map<string, number>()]
  const breath = breathing()
  for (const [key, own] of ways) {
    if (cheapest.size % AT_ONCE === 0) await breath()
    const price = inHome(own)!
    cheapest.set(key, price)
    if (key.startsWith(PART)) parts.set(key.slice(PART.length), price)
  }
  return { ways, cheapest, parts, by: signOf(conversion) }
}
