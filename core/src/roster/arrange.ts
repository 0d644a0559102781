/** An outfit put before another (null: behind the last) of a faction. */
export interface Move {
  outfit: string
  faction: string
  before: string | null
}

interface Standing {
  id: string
  faction: string
}

/** Outfits in the order of the shelf: factions as they first appear, each together. */
export function inShelfOrder<O extends Standing>(outfits: readonly O[]): O[] {
  return [...new Set(outfits.map(({ faction }) => faction))].flatMap((faction) =>
    outfits.filter((outfit) => outfit.faction === faction),
  )
}

/**
 * Outfits after some moves, one after the other, in the order of the shelf. Moves of outfits there are not are passed
 * over, and an outfit to stand before that is gone from the faction means its end, so that moves made in two windows can
 * both be kept. O(moves × outfits).
 */
export function arrange<O extends Standing>(outfits: readonly O[], moves: readonly Move[]): O[] {
  let list = inShelfOrder(outfits)
  for (const { outfit: id, faction, before } of moves) {
    const moved = list.find((outfit) => outfit.id === id)
    if (!moved) continue
    const others = list.filter((outfit) => outfit !== moved)
    const at = others.findIndex((outfit) => outfit.id === before && outfit.faction === faction)
    const last = others.findLastIndex((outfit) => outfit.faction === faction)
    others.splice(at >= 0 ? at : last >= 0 ? last + 1 : others.length, 0, { ...moved, faction })
    list = inShelfOrder(others)
  }
  return list
}

/** The moves that take outfits from one arrangement to another, so that a change can be taken back. */
export function movesTo(goal: readonly Standing[]): Move[] {
  return goal
    .map(({ id, faction }, i) => ({
      outfit: id,
      faction,
      before: goal.slice(i + 1).find((next) => next.faction === faction)?.id ?? null,
    }))
    .reverse()
}

/**
 * The moves that take some others back, from the arrangement before them: of the outfits that moved alone, so that what
 * else changed meanwhile stays as it is.
 */
export function movesBack(before: readonly Standing[], moves: readonly Move[]): Move[] {
  const moved = new Set(moves.map(({ outfit }) => outfit))
  return movesTo(before).filter(({ outfit }) => moved.has(outfit))
}

/** One step of an outfit along the shelf by keys: past its neighbour, or into the next faction at either end. */
export function stepAlong(outfits: readonly Standing[], id: string, by: -1 | 1): Move | null {
  const list = inShelfOrder(outfits)
  const at = list.findIndex((outfit) => outfit.id === id)
  const neighbour = list[at + by]
  if (at < 0 || !neighbour) return null
  const { faction } = list[at]!
  if (neighbour.faction !== faction)
    // Into the next faction in front, into the one before at its end.
    return { outfit: id, faction: neighbour.faction, before: by > 0 ? neighbour.id : null }
  const next = by < 0 ? neighbour : list[at + 2]
  return { outfit: id, faction, before: next?.faction === faction ? next.id : null }
}
