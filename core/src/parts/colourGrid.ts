import type { Colour, Part } from '../catalogue/index.ts'
import { FAMILIES } from '../colour/index.ts'

/** One colour of the grid of a mould and print: the part made in it, or null where none was made. */
export interface GridCell {
  colour: Colour
  part: Part | null
}

/** The grid of a part: the palette by family, with the parts of its mould and print in each main colour. */
export interface GridFamily {
  family: string
  cells: GridCell[]
}

/** How widely a part is found, by the number of releases that carry it. */
export type Commonness = 'no release' | 'one release' | 'few releases' | 'many releases'

/** Up to this many releases are few. */
const FEW = 3

export function commonness(releases: number): Commonness {
  if (releases === 0) return 'no release'
  if (releases === 1) return 'one release'
  return releases <= FEW ? 'few releases' : 'many releases'
}

/** The usual order of families. */
const FAMILY_ORDER: readonly string[] = FAMILIES

/** The families of a palette in their usual order; families of somebody's own come last, as the palette has them. */
export function familiesOf(palette: readonly Pick<Colour, 'family'>[]): string[] {
  const rank = (family: string) => (FAMILY_ORDER.includes(family) ? FAMILY_ORDER.indexOf(family) : FAMILY_ORDER.length)
  return [...new Set(palette.map(({ family }) => family))].sort((a, b) => rank(a) - rank(b))
}

/**
 * In which colours a part's mould was made with the same print. Where a mould was made in one colour by several parts the
 * first by code stands for them; parts in two colours count by their main one. Families come in their usual order.
 */
export function colourGrid(part: Part, sameMould: readonly Part[], palette: readonly Colour[]): GridFamily[] {
  const made = new Map<string, Part>()
  for (const other of [...sameMould].sort((a, b) => (a.code < b.code ? -1 : 1))) {
    const [main] = other.colours
    if (other.mould !== part.mould || other.print !== part.print || main === undefined) continue
    // The part that is looked at stands for its own colour.
    if (!made.has(main) || other.code === part.code) made.set(main, other)
  }
  return familiesOf(palette).map((family) => ({
    family,
    cells: palette
      .filter((colour) => colour.family === family)
      .map((colour) => ({ colour, part: made.get(colour.code) ?? null })),
  }))
}
