import { formatDay } from '@outfit/core/base'
import { homeMoney } from '@outfit/core/market'
import { type ToldParcel } from '@outfit/core/parcels'

/** The day it is, as everything dated is kept. */
export const today = (): string => new Date().toISOString().slice(0, 10)

export const dayInWords = (date: string): string =>
  formatDay(date.slice(0, 10), { day: 'numeric', month: 'short', year: 'numeric' })

const count = (n: number, one: string) => `${n} ${one}${n === 1 ? '' : 's'}`

/** Where a parcel stands, in a few words. */
export function standInWords({ state, late, orderedOn, expectedOn, arrivedOn, cancelledOn }: ToldParcel): string {
  if (state === 'cancelled') return `given up ${dayInWords(cancelledOn!)}`
  if (state === 'arrived') return `here since ${dayInWords(arrivedOn!)}`
  if (late > 0) return `${count(late, 'day')} late, due ${dayInWords(expectedOn)}`
  return state === 'ordered'
    ? `ordered ${dayInWords(orderedOn)}, due ${dayInWords(expectedOn)}`
    : `on the way, due ${dayInWords(expectedOn)}`
}

/** Whom a parcel holds up, in a sentence; empty where nobody waits. */
export function heldUpInWords({ outfits }: Pick<ToldParcel, 'outfits'>): string {
  if (outfits.length === 0) return ''
  const names = outfits.map(({ name, parts }) => `${name} (${count(parts, 'part')})`)
  const list = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : names[0]
  return `${list} ${outfits.length === 1 ? 'waits' : 'wait'} for it.`
}

/** Late ones first, then what is on the way by the day it is due, then what was, the newest first. */
export function inOrder(parcels: readonly ToldParcel[]): { title: string; parcels: ToldParcel[] }[] {
  const byDue = (a: ToldParcel, b: ToldParcel) => (a.expectedOn < b.expectedOn ? -1 : 1)
  const open = parcels.filter(({ state }) => state === 'ordered' || state === 'on-the-way')
  return [
    { title: 'Late', parcels: open.filter(({ late }) => late > 0).sort(byDue) },
    { title: 'To come', parcels: open.filter(({ late }) => late === 0).sort(byDue) },
    { title: 'Here', parcels: parcels.filter(({ state }) => state === 'arrived') },
    { title: 'Given up', parcels: parcels.filter(({ state }) => state === 'cancelled') },
  ].filter((group) => group.parcels.length > 0)
}

/** How many are to come, how many of them late, and what they cost together. */
export function summaryOf(parcels: readonly ToldParcel[]): string {
  const open = parcels.filter(({ state }) => state === 'ordered' || state === 'on-the-way')
  const late = open.filter((parcel) => parcel.late > 0).length
  const cost = open.reduce((sum, { home }) => sum + home, 0)
  if (open.length === 0) return 'nothing is on its way'
  return `${open.length} to come${late > 0 ? `, ${late} of them late` : ''} · ${homeMoney(cost)} on its way`
}
