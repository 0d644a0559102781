import type { Mould, PartKind, Slot } from './types.ts'

/** What each kind of assembly is put together from. */
const PIECES: Partial<Record<PartKind, readonly (readonly [Slot, PartKind])[]>> = {
  'dressed-torso': [
    ['torso', 'torso'],
    ['armRight', 'arm-right'],
    ['armLeft', 'arm-left'],
    ['handRight', 'hand'],
    ['handLeft', 'hand'],
  ],
  'leg-pair': [
    ['hips', 'hips'],
    ['legRight', 'leg-right'],
    ['legLeft', 'leg-left'],
  ],
}

/** The places an assembly of each kind fills; the first is where it is put on. */
export const ASSEMBLY_SLOTS: Partial<Record<PartKind, readonly Slot[]>> = Object.fromEntries(
  Object.entries(PIECES).map(([kind, pieces]) => [kind, pieces.map(([slot]) => slot)]),
)

/**
 * The moulds an assembly's mould is put together from, slot by slot: of each kind the one that shares most traits with
 * it, so that a pair of middle legs gets middle legs; of equals the plain shape of its kind, then the first. Empty for a
 * mould that is one piece.
 */
export function plainPieces(assembly: Mould, moulds: readonly Mould[]): { slot: Slot; mould: Mould }[] {
  // A plain shape is called as its kind is, side apart: "arm" of "arm-left".
  const fit = ({ traits, kind, silhouette }: Mould) =>
    Object.entries(traits).filter(([key, value]) => assembly.traits[key] === value).length +
    (kind.startsWith(silhouette) ? 0.5 : 0)
  return (PIECES[assembly.kind] ?? []).flatMap(([slot, kind]) => {
    const fitting = moulds.filter((mould) => mould.kind === kind)
    const [first] = fitting
    if (!first) return []
    return [{ slot, mould: fitting.reduce((best, mould) => (fit(mould) > fit(best) ? mould : best), first) }]
  })
}
