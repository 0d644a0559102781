import { contentsOf, type Bin, type Stands } from './contents.ts'
import type { Piece } from '../anatomy/index.ts'
import type { Donor, Drawer } from './drawer.ts'

/** What the drawer has, as `contentsOf` tells it, and how many of each part there are wherever they lie. */
export interface Contents extends ReturnType<typeof contentsOf> {
  onHand: ReadonlyMap<string, number>
}

/**
 * The contents of a drawer that follow what is moved: a drawer of a hundred thousand entries is read once, and after that
 * only the parts and bins a movement touches are worked out again. What was told before stays as it was.
 */
export class RunningContents {
  /** How many lie in each bin, by part and bin; nothing is kept at 0. */
  private readonly byPart = new Map<string, Map<string, number>>()
  private readonly touched = new Set<string>()
  private told: { bins: readonly Bin[]; contents: Contents } | null = null

  /** `piecesOf` are the pieces of a released figure; a catalogue in which they change needs contents of its own. */
  constructor(private readonly piecesOf: (figure: string) => readonly Piece[]) {}

  /** `change` more of a part lie in a bin, or less below 0. */
  move(part: string, bin: string, change: number): void {
    const there = this.byPart.get(part) ?? new Map<string, number>()
    const qty = (there.get(bin) ?? 0) + change
    if (qty === 0) there.delete(bin)
    else there.set(bin, qty)
    if (there.size === 0) this.byPart.delete(part)
    else this.byPart.set(part, there)
    this.touched.add(part)
  }

  /** What there is with the bins as they are now. O(parts + bins + what was touched), or O(everything) where bins changed. */
  read(bins: readonly Bin[]): Contents {
    const before = this.told
    const contents = before && sameBins(before.bins, bins) ? this.after(before.contents, bins) : this.anew(bins)
    this.touched.clear()
    this.told = { bins, contents }
    return contents
  }

  private anew(bins: readonly Bin[]): Contents {
    const lying = [...this.byPart.keys()].sort().flatMap((part) => this.lyingOf(part))
    const onHand = new Map([...this.byPart].map(([part, there]): [string, number] => [part, sumOf(there)]))
    return { ...contentsOf(bins, lying, this.piecesOf), onHand }
  }

  private after(before: Contents, bins: readonly Bin[]): Contents {
    if (this.touched.size === 0) return before
    const byCode = new Map(bins.map((bin) => [bin.code, bin]))
    // Each part lies, stands and comes off figures for itself, so that the contents of the touched ones are all that differs.
    const now = contentsOf(
      bins,
      [...this.touched].sort().flatMap((part) => this.lyingOf(part)),
      (figure) => this.piecesOf(figure).filter(({ part }) => this.touched.has(part)),
    )
    const loose = { ...before.drawer.loose }
    const places = { ...before.places }
    const onHand = new Map(before.onHand)
    for (const part of this.touched) {
      put(loose, part, now.drawer.loose[part])
      put(places, part, now.places[part])
      const there = this.byPart.get(part)
      if (there) onHand.set(part, sumOf(there))
      else onHand.delete(part)
    }
    const stands: Record<string, Readonly<Record<string, number>>> = { ...before.stands }
    for (const outfit of new Set([...Object.keys(before.stands), ...Object.keys(now.stands)])) {
      const had = Object.entries(before.stands[outfit] ?? {}).filter(([part]) => !this.touched.has(part))
      const all = [...had, ...Object.entries(now.stands[outfit] ?? {})]
      put(stands, outfit, all.length > 0 ? Object.fromEntries(all) : undefined)
    }
    const donors = before.drawer.donors.map((donor, at): Donor => {
      const again = now.drawer.donors[at]!.pieces
      const had = donor.pieces.filter(({ part }) => this.touched.has(part))
      if (
        again.length === had.length &&
        again.every((piece, i) => piece.part === had[i]!.part && piece.slot === had[i]!.slot)
      )
        return donor
      // In the order of the figure, as all of its pieces are.
      const { figure } = byCode.get(donor.code)!
      const left = new Map<string, number>()
      for (const { part } of [...donor.pieces.filter(({ part }) => !this.touched.has(part)), ...again])
        left.set(part, (left.get(part) ?? 0) + 1)
      const pieces = this.piecesOf(figure!).filter(({ part }) => {
        const qty = left.get(part) ?? 0
        left.set(part, qty - 1)
        return qty > 0
      })
      return { ...donor, pieces }
    })
    const drawer: Drawer = { loose, donors }
    return { drawer, places, stands: stands as Stands, onHand }
  }

  private lyingOf(part: string) {
    const there = this.byPart.get(part) ?? new Map<string, number>()
    return [...there].sort(([a], [b]) => (a < b ? -1 : 1)).map(([bin, qty]) => ({ part, bin, qty }))
  }
}

const sumOf = (there: ReadonlyMap<string, number>): number => [...there.values()].reduce((sum, qty) => sum + qty, 0)

function put<V>(record: Record<string, V>, key: string, value: V | undefined): void {
  if (value === undefined) delete record[key]
  else record[key] = value
}

/** Whether two lists of bins mean the same to what lies in them; where they stand in the parts box does not matter. */
const sameBins = (before: readonly Bin[], now: readonly Bin[]): boolean =>
  before.length === now.length &&
  before.every((one, at) => {
    const other = now[at]!
    return (
      one.code === other.code &&
      one.name === other.name &&
      one.figure === other.figure &&
      (one.outfit ?? null) === (other.outfit ?? null) &&
      (one.holder ?? null) === (other.holder ?? null)
    )
  })
