import { seeded } from '../base/index.ts'
import type { BonusBuild, PackChoices } from './choices.ts'
import { dealPieces, type PieceCount } from './bonus.ts'
import { comesInWords, countsOf, type Conflict, type Packed } from './counts.ts'

/** What is in a pack. */
export interface Pack {
  /** From 1. */
  pack: number
  /** Id of the outfit. */
  figure: string
  /** Ids of bonus items. */
  items: string[]
  /** Pieces of the bonus build. */
  pieces: PieceCount[]
  /** The secret mark: which dots of its row are filled, as a number. */
  code: number
}

export interface PackPlan {
  packs: Pack[]
  /** Dots of a mark. */
  bits: number
  seed: number
}

export interface Collation {
  plan: PackPlan | null
  conflicts: Conflict[]
  /** What is as asked, but worth knowing. */
  notices: string[]
}

/**
 * Blind packs of a series: which figure and which bonus items are in which pack, in an order nobody can foretell. What was
 * asked for holds exactly; where it cannot, no plan is made and the two things that fight are named. As the order of packs
 * is free, counting decides: a plan exists if and only if no count is broken. The same seed gives the same packs.
 * O(packs log packs).
 */
export function collate(choices: PackChoices, figures: readonly Packed[], build: BonusBuild | null = null): Collation {
  const random = seeded(choices.seed)
  const { counts, conflicts } = countsOf(
    choices,
    figures,
    shuffled(
      figures.map((_, i) => i),
      random,
    ),
  )
  const nameOf = (id: string) => figures.find((figure) => figure.id === id)?.name ?? 'somebody who is not in the series'
  const found = [...conflicts, ...(conflicts.length === 0 ? conflictsOfItems(choices, counts, nameOf) : [])]
  if (found.length > 0) return { plan: null, conflicts: found, notices: [] }

  const loads = figures.flatMap(({ id }) =>
    Array.from({ length: counts.get(id) ?? 0 }, () => ({ figure: id, items: [] as string[] })),
  )
  const mixed = shuffled(loads, random)
  // Those that are tied first; each kind into the emptiest packs it may lie in, no pack twice before all have one.
  for (const item of [...choices.items].sort(
    (one, other) => Number(one.tiedTo === null) - Number(other.tiedTo === null),
  )) {
    const open = mixed.filter(({ figure }) => item.tiedTo === null || figure === item.tiedTo)
    const emptiest = open.sort((one, other) => one.items.length - other.items.length)
    for (let i = 0; i < item.count; i++) emptiest[i % emptiest.length]!.items.push(item.id)
  }

  const withBonus = shuffled(
    mixed.filter(({ items }) => items.length > 0),
    random,
  )
  const without = shuffled(
    mixed.filter(({ items }) => items.length === 0),
    random,
  )
  const places = new Set(placesOf(choices.packs, withBonus.length, choices.every, random))
  const ordered = Array.from({ length: choices.packs }, (_, i) => (places.has(i) ? withBonus : without).pop()!)
  const { codes, bits } = codesFor(choices.packs, random)
  const pieces = build
    ? dealPieces(
        build,
        figures,
        ordered.map(({ figure }) => figure),
      )
    : []
  const packs = ordered.map(({ figure, items }, i): Pack => ({
    pack: i + 1,
    figure,
    items: items.sort(),
    pieces: pieces[i] ?? [],
    code: codes[i]!,
  }))
  return { plan: { packs, bits, seed: choices.seed }, conflicts: [], notices: noticesOf(choices, figures, counts) }
}

/** What was asked of bonus items and cannot be. */
function conflictsOfItems(
  { packs, items, atMostOne, every }: PackChoices,
  counts: ReadonlyMap<string, number>,
  nameOf: (id: string) => string,
): Conflict[] {
  const conflicts: Conflict[] = []
  const refuse = (one: string, other: string, words: string) => conflicts.push({ between: [one, other], words })
  const asked = items
    .filter(({ count }) => count > 0)
    .map((item) => ({ ...item, name: item.name.trim() || 'a bonus item' }))
  const total = asked.reduce((sum, { count }) => sum + count, 0)
  const tied = new Map<string, { count: number; names: string[] }>()
  for (const { tiedTo, count, name } of asked) {
    if (tiedTo === null) continue
    const one = tied.get(tiedTo) ?? { count: 0, names: [] }
    tied.set(tiedTo, { count: one.count + count, names: [...one.names, name] })
  }
  for (const [figure, { count, names }] of tied) {
    const copies = counts.get(figure) ?? 0
    if (copies === 0 || (atMostOne && count > copies))
      refuse(
        `${count} × ${names.join(', ')} with ${nameOf(figure)}`,
        comesInWords(nameOf(figure), copies),
        `${count} × ${names.join(', ')} ${count === 1 ? 'is' : 'are'} to come with ${nameOf(figure)}, ${atMostOne ? 'at most one a pack, ' : ''}and ${comesInWords(nameOf(figure), copies)}.`,
      )
  }
  if (atMostOne && total > packs)
    refuse(
      `${total} bonus items, at most one a pack`,
      `${packs} packs`,
      `${total} bonus items are to be spread, at most one a pack, and there are ${packs} packs.`,
    )
  if (every !== null && every > 0 && conflicts.length === 0) {
    const needed = Math.floor(packs / every)
    const bound = [...tied].reduce((sum, [figure, { count }]) => sum + Math.min(count, counts.get(figure) ?? 0), 0)
    const free = total - [...tied.values()].reduce((sum, { count }) => sum + count, 0)
    const holding = bound + Math.min(free, packs - bound)
    if (holding < needed)
      refuse(
        `one in every ${every} packs`,
        `${total} bonus ${total === 1 ? 'item' : 'items'}`,
        `Of every ${every} packs in a row one is to hold a bonus item; of ${packs} packs ${needed} must hold one, and ${holding} can.`,
      )
  }
  return conflicts
}

function noticesOf(
  { packs, spread }: PackChoices,
  figures: readonly Packed[],
  counts: ReadonlyMap<string, number>,
): string[] {
  const notices: string[] = []
  const missing = figures.filter(({ id }) => counts.get(id) === 0)
  if (missing.length > 0)
    notices.push(
      missing.length === 1
        ? `${missing[0]!.name} is in no pack.`
        : `${missing.length} figures are in no pack: ${missing.map(({ name }) => name).join(', ')}.`,
    )
  const most = Math.max(...counts.values())
  const least = Math.min(...counts.values())
  if (spread === 'equal' && most !== least) {
    const more = [...counts.values()].filter((count) => count === most).length
    notices.push(
      `${packs} packs are no multiple of ${figures.length} figures: ${more} of them come once more than the others.`,
    )
  }
  return notices
}

/** A list in an order of chance (Fisher and Yates). */
function shuffled<T>(list: readonly T[], random: () => number): T[] {
  const mixed = [...list]
  for (let i = mixed.length - 1; i > 0; i--) {
    const j = Math.floor(random() * (i + 1))
    ;[mixed[i], mixed[j]] = [mixed[j]!, mixed[i]!]
  }
  return mixed
}

/**
 * Which packs, from 0, hold a bonus item: so many, and of every `every` in a row at least one, otherwise by chance. Those
 * that keep the promise are laid first, as far apart as they may be, and each is then moved as far as its neighbours let it.
 */
function placesOf(packs: number, count: number, every: number | null, random: () => number): number[] {
  const all = Array.from({ length: packs }, (_, i) => i)
  if (every === null || every < 1) return shuffled(all, random).slice(0, count)
  const anchors = Array.from({ length: Math.floor(packs / every) }, (_, i) => (i + 1) * every - 1)
  const taken = new Set(anchors)
  for (const place of shuffled(
    all.filter((i) => !taken.has(i)),
    random,
  )) {
    if (taken.size >= count) break
    taken.add(place)
  }
  const places = [...taken].sort((a, b) => a - b)
  for (const i of shuffled(
    places.map((_, at) => at),
    random,
  )) {
    const before = places[i - 1] ?? -1
    const after = places[i + 1] ?? packs
    const lowest = Math.max(before + 1, after - every)
    const highest = Math.min(after - 1, before + every)
    if (highest >= lowest) places[i] = lowest + Math.floor(random() * (highest - lowest + 1))
  }
  return places
}

/** A code for each pack, all different, in no order; twice as many there are as packs, so that few can be guessed. */
function codesFor(packs: number, random: () => number): { codes: number[]; bits: number } {
  const bits = Math.max(5, Math.ceil(Math.log2(packs + 1)) + 1)
  // None and all dots are no mark anybody would trust.
  const all = Array.from({ length: 2 ** bits - 2 }, (_, i) => i + 1)
  return { codes: shuffled(all, random).slice(0, packs), bits }
}
