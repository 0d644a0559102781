import type { Piece } from '../anatomy/index.ts'
import type { Donor, Drawer } from './drawer.ts'

/** A bin as the drawer is made of: with `figure`, one in which that released figure stands together. */
export interface Bin {
  code: string
  name: string
  figure: string | null
  /** The outfit that stands built in it. */
  outfit?: string | null
  /** The bin it is a tray of. */
  parent?: string | null
  /** Spot and size in the parts box, in fields of its ruled ground. */
  x?: number | null
  y?: number | null
  w?: number | null
  h?: number | null
  /** Who has what lies in it, for things that were lent. */
  holder?: string | null
}

/**
 * What a bin is: one of loose parts, a figure that stands together, an outfit that stands built, or what somebody else
 * has for a while.
 */
export type BinKind = 'loose' | 'donor' | 'stand' | 'lent'

export function binKind({ figure, outfit, holder }: Pick<Bin, 'figure' | 'outfit' | 'holder'>): BinKind {
  if (holder) return 'lent'
  if (outfit) return 'stand'
  return figure ? 'donor' : 'loose'
}

/** Parts on built outfits: by outfit, the count by part. */
export type Stands = Readonly<Record<string, Readonly<Record<string, number>>>>

/** How many of a part lie in a bin; at least one. */
export interface Lying {
  part: string
  bin: string
  qty: number
}

/**
 * What the drawer has, and the bin most of each loose part lies in, by name. A bin with a figure is a donor of the pieces
 * that figure was released with, as far as they are still there; what else lies with it is loose. `piecesOf` are the pieces
 * of a released figure. What stands on a built outfit is that outfit's own and not loose; what was lent is neither loose nor a
 * donor. O(lying + pieces).
 */
export function contentsOf(
  bins: readonly Bin[],
  lying: readonly Lying[],
  piecesOf: (figure: string) => readonly Piece[],
): { drawer: Drawer; places: Record<string, string>; stands: Stands } {
  const byCode = new Map(bins.map((bin) => [bin.code, bin]))
  const standing = new Map<string, Map<string, number>>()
  const loose: Record<string, number> = {}
  const places: Record<string, string> = {}
  const stands: Record<string, Record<string, number>> = {}
  const most: Record<string, number> = {}
  for (const { part, bin, qty } of lying) {
    const found = byCode.get(bin)
    const kind = found ? binKind(found) : 'loose'
    if (kind === 'lent') continue
    if (kind === 'stand') {
      ;(stands[found!.outfit!] ??= {})[part] = qty
      continue
    }
    if (kind === 'donor') {
      standing.set(bin, (standing.get(bin) ?? new Map<string, number>()).set(part, qty))
      continue
    }
    loose[part] = (loose[part] ?? 0) + qty
    if (qty > (most[part] ?? 0)) [most[part], places[part]] = [qty, found?.name ?? bin]
  }
  const donors = bins.flatMap((bin): Donor[] => {
    const { code, name, figure } = bin
    if (figure === null || binKind(bin) !== 'donor') return []
    const left = standing.get(code) ?? new Map<string, number>()
    const pieces = piecesOf(figure).filter(({ part }) => {
      const qty = left.get(part) ?? 0
      left.set(part, qty - 1)
      return qty > 0
    })
    for (const [part, qty] of left) if (qty > 0) loose[part] = (loose[part] ?? 0) + qty
    return [{ code, name, pieces }]
  })
  return { drawer: { loose, donors }, places, stands }
}
