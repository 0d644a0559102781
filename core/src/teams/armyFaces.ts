/** A head an army could wear. */
export interface ArmyHead {
  part: string
  /** What it shows from the front; heads that show the same are alike, whatever their code. */
  face: string
  /** Owned ones nobody needs. */
  spare: number
  /** Lowest single price, minor units; null where nobody sells it. */
  price: number | null
}

/** A head chosen for one member. */
export interface ArmyFace {
  part: string
  from: 'spare' | 'buy'
  price: number
}

/**
 * Heads for so many members with at most `alike` of one face: owned ones first, then the cheapest; `taken` are faces worn
 * already. null where there are too few. Since members differ in nothing else, taking the cheapest unit that is still
 * allowed is the least there is (a partition matroid). O(units log units).
 */
export function armyFaces(
  members: number,
  alike: number,
  heads: readonly ArmyHead[],
  taken: readonly string[] = [],
): ArmyFace[] | null {
  const worn = new Map<string, number>()
  for (const face of taken) worn.set(face, (worn.get(face) ?? 0) + 1)
  const units = heads.flatMap(({ part, face, spare, price }) => [
    ...Array.from({ length: Math.min(spare, alike) }, (): ArmyFace & { face: string } => ({
      part,
      face,
      from: 'spare',
      price: 0,
    })),
    ...(price === null
      ? []
      : Array.from({ length: alike }, (): ArmyFace & { face: string } => ({ part, face, from: 'buy', price }))),
  ])
  units.sort(
    (a, b) => a.price - b.price || (a.from === b.from ? 0 : a.from === 'spare' ? -1 : 1) || (a.part < b.part ? -1 : 1),
  )
  const chosen: ArmyFace[] = []
  for (const { face, ...unit } of units) {
    if (chosen.length === members) break
    if ((worn.get(face) ?? 0) >= alike) continue
    worn.set(face, (worn.get(face) ?? 0) + 1)
    chosen.push(unit)
  }
  return chosen.length === members ? chosen : null
}

/** How many heads there are at most under the same rule. */
export function mostFaces(alike: number, heads: readonly ArmyHead[], taken: readonly string[] = []): number {
  const room = new Map<string, number>()
  for (const { face, spare, price } of heads) room.set(face, (room.get(face) ?? 0) + (price === null ? spare : alike))
  for (const face of taken) room.set(face, Math.min(room.get(face) ?? 0, alike - 1))
  return [...room.values()].reduce((sum, count) => sum + Math.min(alike, count), 0)
}
