import type { Colour, Mould } from '@outfit/core/catalogue'
import {
  newCode,
  type Field,
  type IntakeResult,
  type ListedEntry,
  type ListedRow,
  type ListKind,
  type LookedAt,
  type Unknown,
} from '@outfit/core/intake'
import { formatMoney } from '@outfit/core/market'
import { shippingInWords } from '../market/sellerForm.ts'
import { counted } from '../ui/counted.ts'

export const KIND_WORDS: Readonly<Record<ListKind, string>> = {
  owned: 'What you own',
  prices: 'A price list',
  sets: 'A set list',
  sellers: 'Sellers and their terms',
  colours: 'Colours',
  characters: 'Characters',
}

export const FIELD_NAMES: Readonly<Record<Field, string>> = {
  name: 'the part',
  code: 'its code',
  kind: 'kind of part',
  colour: 'colour',
  count: 'how many',
  bin: 'where it lies',
  price: 'price of one',
  currency: 'currency',
  date: 'date',
  condition: 'new or used',
  seller: 'seller',
  pack: 'sold in packs of',
  set: 'the set it is of',
  figure: 'the figure that wears it',
  year: 'year',
  country: 'country of a seller',
  minimum: 'least a seller takes an order for',
  shipping: 'shipping of a seller',
  free: 'free shipping from',
  handling: 'handling of a seller',
  days: 'days until it comes',
  rating: 'stars, out of five',
  hex: 'colour as a value',
  finish: 'finish',
  remark: 'a remark',
}

const byCode = <T extends { code: string; name: string }>(list: readonly T[], code: string | null, words: string) =>
  list.find((one) => one.code === code)?.name ?? words

/** A row as it was taken, in a sentence; the name of the part is told apart. */
export function rowInWords(row: ListedRow, { colours, bins, sellers, unknown }: LookedAt): string {
  const made = (what: 'bin' | 'seller', code: string) =>
    unknown.find(({ what: other, answer }) => other === what && 'make' in answer && newCode(what, answer.make) === code)
      ?.words ?? code
  return [
    `in ${byCode(colours as Colour[], row.part.colour, row.part.colour)}`,
    counted(row.count, 'piece'),
    row.bin && `bin ${byCode(bins, row.bin, made('bin', row.bin))}`,
    row.price && `${formatMoney(row.price.minor, row.price.currency)} each`,
    row.condition,
    row.date,
    row.seller && `from ${byCode(sellers, row.seller, made('seller', row.seller))}`,
    row.pack > 1 && `in packs of ${row.pack}`,
    row.figure && `worn by ${row.figure}`,
    row.set && `in ${row.set}${row.year === null ? '' : ` of ${row.year}`}`,
    row.remark && `remark: ${row.remark}`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** What an unknown may be taken as, in words; of colours with how near it is. */
export function candidateName(
  what: Unknown['what'],
  code: string,
  { colours, moulds, bins, sellers }: LookedAt,
): string {
  const lists: Record<Unknown['what'], readonly { code: string; name: string }[]> = {
    colour: colours as Colour[],
    part: moulds as Mould[],
    bin: bins,
    seller: sellers,
    condition: [],
  }
  return byCode(lists[what], code, code)
}

/** What came of a set list. */
export const setsInWords = ({ releases, figures, there }: IntakeResult['sets']): string =>
  [
    `${counted(releases.length, 'set')} with ${counted(figures.length, 'figure')} made.`,
    there.length === 0
      ? ''
      : `${there.slice(0, 3).join(', ')}${there.length > 3 ? ` and ${there.length - 3} more` : ''}: there before, left as ${there.length === 1 ? 'it is' : 'they are'}.`,
  ]
    .filter(Boolean)
    .join(' ')

/** One entry of a list that is not of parts. */
export const NOUNS = { sellers: 'seller', colours: 'colour' } as const

/** What came of a list of sellers or colours. */
export const entriesInWords = (kind: 'sellers' | 'colours', { made, changed, same }: IntakeResult['entries']): string =>
  [
    made.length > 0 && `${counted(made.length, NOUNS[kind])} new`,
    changed.length > 0 && `${counted(changed.length, NOUNS[kind])} changed`,
    same > 0 && `${same} as ${same === 1 ? 'it was' : 'they were'}`,
  ]
    .filter(Boolean)
    .join(', ') + '.'

/** An entry as it was taken, in a sentence without its name. */
export function entryInWords(entry: ListedEntry): string {
  if (entry.what === 'colour') {
    const { hex, finish, family, there } = entry
    return [hex, finish !== 'solid' && finish, `among the ${family}`, there && 'in the place of the one you have']
      .filter(Boolean)
      .join(', ')
  }
  const { currency, minimum, handling, arrivesInDays, shipping, rating, notes, country, there } = entry
  const money = (minor: number) => formatMoney(minor, currency)
  return [
    there && 'you have them: what is told here is taken',
    country,
    `sells in ${currency}`,
    minimum && `orders from ${money(minimum)}`,
    shipping
      ? `shipping ${shippingInWords({ shippingBasis: shipping.basis, shippingBands: shipping.bands, currency })}`
      : !there && 'shipping not told',
    handling && `handling ${money(handling)}`,
    arrivesInDays !== null && counted(arrivesInDays, 'day'),
    rating && `${counted(rating, 'star')} of 5`,
    notes && `note: ${notes}`,
  ]
    .filter(Boolean)
    .join(', ')
}

/** What the button does. */
export const actInWords = ({ kind, sum }: Pick<LookedAt, 'kind' | 'sum'>): string =>
  kind === 'prices'
    ? `Take ${counted(sum.rows, 'price')}`
    : kind === 'sets'
      ? `Make ${counted(sum.sets, 'set')}`
      : kind === 'characters'
        ? `Go on with ${counted(sum.rows, 'character')}`
        : kind === 'sellers' || kind === 'colours'
          ? `Take ${counted(sum.rows, NOUNS[kind])}`
          : `Bring ${counted(sum.parts, 'part')} in`
