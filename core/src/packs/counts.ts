import type { PackChoices } from './choices.ts'

/** A figure of a series, as packs know it. */
export interface Packed {
  id: string
  name: string
}

/** Two things that were asked for and cannot both be. */
export interface Conflict {
  between: [string, string]
  words: string
}

const times = (count: number) => (count === 1 ? 'once' : count === 2 ? 'twice' : `${count} times`)

/**
 * In how many packs each figure is: shares that are whole and sum to the packs. Equal ones differ by one at most; weighted
 * ones go by the largest remainder (Hamilton's method); a chase figure is in as many as was said. `order` says who gets one
 * more where all are alike. O(figures log figures).
 */
export function countsOf(
  { packs, spread, weights, chase }: Pick<PackChoices, 'packs' | 'spread' | 'weights' | 'chase'>,
  figures: readonly Packed[],
  order: readonly number[] = figures.map((_, i) => i),
): { counts: Map<string, number>; conflicts: Conflict[] } {
  const conflicts: Conflict[] = []
  const counts = new Map(figures.map(({ id }) => [id, 0]))
  const refuse = (one: string, other: string, words: string) => conflicts.push({ between: [one, other], words })
  if (packs < 1)
    refuse('0 packs', `${figures.length} figures`, 'There are no packs to put anything in. Say how many there are.')
  if (figures.length === 0)
    refuse('no figures', `${packs} packs`, 'Nobody of the series is dressed, so there is nothing to pack.')
  if (conflicts.length > 0) return { counts, conflicts }
  const rare = spread === 'chase' ? chase.filter(({ outfit, count }) => counts.has(outfit) && count >= 0) : []
  const taken = rare.reduce((sum, { count }) => sum + count, 0)
  const shared = figures.filter(({ id }) => !rare.some(({ outfit }) => outfit === id))
  if (taken > packs) {
    refuse(
      `${taken} packs with chase figures`,
      `${packs} packs`,
      `Chase figures are to be in ${taken} packs, and there are ${packs}. Make them rarer, or pack more.`,
    )
    return { counts, conflicts }
  }
  if (shared.length === 0 && taken < packs) {
    refuse(
      `${taken} packs with chase figures`,
      `${packs} packs`,
      `Every figure is a chase figure, together in ${taken} packs; nobody is left for the other ${packs - taken}.`,
    )
    return { counts, conflicts }
  }
  for (const { outfit, count } of rare) counts.set(outfit, count)
  const weightOf = (id: string) =>
    spread === 'weighted' ? (weights.find(({ outfit }) => outfit === id)?.weight ?? 1) : 1
  const whole = shared.reduce((sum, { id }) => sum + weightOf(id), 0)
  if (shared.length > 0 && whole <= 0) {
    refuse(
      'every weight 0',
      `${packs} packs`,
      'Every figure has the weight 0, so none may be packed. Give one of them a weight.',
    )
    return { counts, conflicts }
  }
  const place = new Map(order.map((at, i) => [figures[at]?.id ?? '', i]))
  const left = packs - taken
  const quotas = shared.map(({ id }) => ({ id, quota: (left * weightOf(id)) / whole }))
  for (const { id, quota } of quotas) counts.set(id, Math.floor(quota + 1e-9))
  let rest = left - quotas.reduce((sum, { quota }) => sum + Math.floor(quota + 1e-9), 0)
  const byRest = [...quotas].sort(
    (a, b) => frac(b.quota) - frac(a.quota) || (place.get(a.id) ?? 0) - (place.get(b.id) ?? 0),
  )
  for (const { id } of byRest) {
    if (rest <= 0) break
    counts.set(id, counts.get(id)! + 1)
    rest--
  }
  return { counts, conflicts }
}

/** What is left of a number beyond its whole, to nine digits, so that sums of thirds do not decide. */
const frac = (value: number) => Math.round((value + 1e-9 - Math.floor(value + 1e-9)) * 1e9) / 1e9

/** "Ines comes 3 times". */
export const comesInWords = (name: string, count: number): string =>
  count === 0 ? `${name} comes in no pack` : `${name} comes ${times(count)}`
