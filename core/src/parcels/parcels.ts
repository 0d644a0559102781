import { daysBetween } from '../base/index.ts'

/** Where an order to a seller stands. */
export type ParcelState = 'ordered' | 'on-the-way' | 'arrived' | 'cancelled'

/** Dates of a parcel, ISO 8601; null for what has not happened. */
export interface ParcelDates {
  orderedOn: string
  sentOn: string | null
  expectedOn: string
  arrivedOn: string | null
  cancelledOn: string | null
}

export function parcelState({ sentOn, arrivedOn, cancelledOn }: ParcelDates): ParcelState {
  if (cancelledOn) return 'cancelled'
  if (arrivedOn) return 'arrived'
  return sentOn ? 'on-the-way' : 'ordered'
}

/** Days by which a parcel is overdue; 0 for one that is here, given up, or not due yet. */
export function lateBy(parcel: ParcelDates, today: string): number {
  const state = parcelState(parcel)
  return state === 'arrived' || state === 'cancelled' ? 0 : Math.max(0, daysBetween(parcel.expectedOn, today))
}

/** What came of a line: units ordered, and of those fit for use, damaged, or something else instead. null before. */
export interface LineOutcome {
  qty: number
  arrived: number | null
  damaged: number
  wrong: number
}

/** Units that did not come at all; none before the parcel was checked in. */
export const shortOf = ({ qty, arrived, damaged, wrong }: LineOutcome): number =>
  arrived === null ? 0 : Math.max(0, qty - arrived - damaged - wrong)

/** Units that did not come fit for use, and are needed still; none before the parcel was checked in. */
export const lackingOf = ({ qty, arrived }: Pick<LineOutcome, 'qty' | 'arrived'>): number =>
  arrived === null ? 0 : Math.max(0, qty - arrived)

/** What the goods of some lines cost. */
export const goodsOf = (lines: readonly { qty: number; price: number }[]): number =>
  lines.reduce((sum, { qty, price }) => sum + qty * price, 0)

/** What was not as ordered, in words: "1 short, 2 damaged"; empty where all is well. */
export function outcomeInWords(line: LineOutcome): string {
  if (line.arrived === null) return ''
  const extra = Math.max(0, line.arrived + line.damaged + line.wrong - line.qty)
  return [
    [shortOf(line), 'short'],
    [line.damaged, 'damaged'],
    [line.wrong, 'wrong'],
    [extra, 'more than ordered'],
  ]
    .filter(([n]) => (n as number) > 0)
    .map(([n, what]) => `${n} ${what}`)
    .join(', ')
}

/** Money spent up to and on a day. */
export interface Spent {
  date: string
  spent: number
  total: number
}

/** Spending over time, a step for each day something was ordered, in order. O(n log n). */
export function spendingOf(parcels: readonly { orderedOn: string; cost: number }[]): Spent[] {
  const days = new Map<string, number>()
  for (const { orderedOn, cost } of parcels) days.set(orderedOn, (days.get(orderedOn) ?? 0) + cost)
  let total = 0
  return [...days]
    .sort(([a], [b]) => (a < b ? -1 : 1))
    .map(([date, spent]) => ({ date, spent, total: (total += spent) }))
}

/** A parcel as it is told. Money is in minor units of `currency`, `home` in those of the home currency. */
export interface ToldParcel extends ParcelDates {
  id: string
  seller: { code: string; name: string }
  roster: { id: string; name: string } | null
  state: ParcelState
  /** Days overdue. */
  late: number
  currency: string
  goods: number
  shipping: number
  handling: number
  home: number
  note: string
  number: string
  /** Outfits that wait for something in it, and for how many of its parts. */
  outfits: { id: string; name: string; parts: number }[]
  lines: ToldLine[]
}

export interface ToldLine extends LineOutcome {
  line: number
  kind: 'part' | 'figure' | 'release'
  code: string
  name: string
  condition: 'new' | 'used'
  price: number
}
