import { PART_ORDERS, type PartOrder } from '@outfit/core/parts'
import { SHELF_KEYS, type ShelfKey } from '@outfit/core/catalogue'
import type { FindRequest } from '../data/api.ts'

/** What the finder is asked, as it stands in the address. */
export type Question = Omit<FindRequest, 'offset' | 'limit'>

/** What each order is called. */
export const ORDER_LABELS: Record<PartOrder, string> = {
  common: 'most common first',
  owned: 'owned first',
  price: 'cheapest first',
  newest: 'newest first',
  code: 'by code',
}

const whole = (text: string | null) => (text && /^\d+$/.test(text) ? Number(text) : undefined)

/** Read the question out of an address; what makes no sense is left out. */
export function readQuestion(search: URLSearchParams): Question {
  const list = (key: string) => search.get(key)?.split(',').filter(Boolean) ?? []
  const shelves = list('on').filter((key): key is ShelfKey => SHELF_KEYS.includes(key as ShelfKey))
  const families = list('colour')
  const order = PART_ORDERS.find((key) => key === search.get('order'))
  const numbers = {
    yearFrom: whole(search.get('from')),
    yearTo: whole(search.get('to')),
    priceTo: whole(search.get('price')),
  }
  return {
    ...(search.get('find') ? { text: search.get('find')! } : {}),
    ...(shelves.length ? { shelves } : {}),
    ...(families.length ? { families } : {}),
    ...Object.fromEntries(Object.entries(numbers).filter(([, value]) => value !== undefined)),
    ...(search.get('owned') === 'yes' ? { owned: true } : {}),
    ...(search.get('made') === 'yes' ? { inProduction: true } : {}),
    ...(order ? { order } : {}),
  }
}

/** Everything that narrows a question taken out of it; the order stays. */
export const withoutFacets = (now: Question): Partial<Question> =>
  Object.fromEntries(Object.keys(now).flatMap((key) => (key === 'order' ? [] : [[key, undefined]])))

/** The address of a question. */
export function writeQuestion(question: Question): URLSearchParams {
  const search = new URLSearchParams()
  const set = (key: string, value: string | number | undefined) => {
    if (value !== undefined && value !== '') search.set(key, String(value))
  }
  set('find', question.text)
  set('on', question.shelves?.join(','))
  set('colour', question.families?.join(','))
  set('from', question.yearFrom)
  set('to', question.yearTo)
  set('price', question.priceTo)
  set('owned', question.owned ? 'yes' : undefined)
  set('made', question.inProduction ? 'yes' : undefined)
  set('order', question.order === 'common' ? undefined : question.order)
  return search
}

/** A list with an entry put in, or taken out where it was in. */
export const toggled = <T>(list: readonly T[] | undefined, entry: T): T[] =>
  list?.includes(entry) ? list.filter((other) => other !== entry) : [...(list ?? []), entry]

/** Whether anything narrows the search. */
export const isNarrowed = ({ order: _order, ...rest }: Question) => Object.keys(rest).length > 0
