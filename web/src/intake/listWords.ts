import type { Colour, Mould } from '@outfit/core/catalogue'
import { newCode, type Field, type ListedRow, type ListKind, type LookedAt, type Unknown } from '@outfit/core/intake'
import { formatMoney } from '@outfit/core/market'
import { counted } from '../ui/counted.ts'

export const KIND_WORDS: Readonly<Record<ListKind, string>> = { owned: 'What you own', prices: 'A price list' }

export const FIELD_NAMES: Readonly<Record<Field, string>> = {
  name: 'the part',
  code: 'its code',
  colour: 'colour',
  count: 'how many',
  bin: 'where it lies',
  price: 'price of one',
  currency: 'currency',
  date: 'date',
  condition: 'new or used',
  seller: 'seller',
  pack: 'sold in packs of',
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
  }
  return byCode(lists[what], code, code)
}
