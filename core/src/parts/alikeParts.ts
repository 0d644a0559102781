import { colourDifference } from '../colour/index.ts'
import { mainColour, mouldOf, type Catalogue, type Part } from '../catalogue/index.ts'

/** What another shape and another print count for, next to differences of colour as CIEDE2000. */
const OTHER_MOULD = 40
const OTHER_PRINT = 10

/** From here on nobody would take one part for the other. */
const TOO_FAR = 60

/**
 * How far apart two parts of one kind look: 0 for the same shape, colours and print under another code, which no eye tells
 * apart; null for parts of different kinds. Main colours count by CIEDE2000.
 */
export function apartness(a: Part, b: Part, catalogue: Catalogue): number | null {
  if (mouldOf(catalogue, a).kind !== mouldOf(catalogue, b).kind) return null
  const [ours, theirs] = [mainColour(catalogue, a), mainColour(catalogue, b)]
  const colour = ours && theirs ? colourDifference(ours.hex, theirs.hex) : ours === theirs ? 0 : TOO_FAR
  const others = a.colours.slice(1).join() === b.colours.slice(1).join() ? 0 : 1
  return colour + others + (a.mould === b.mould ? 0 : OTHER_MOULD) + (a.print === b.print ? 0 : OTHER_PRINT)
}

/** Parts that could be worn instead of one, the most alike first, then by code. O(parts). */
export function alikeParts(part: Part, among: Iterable<Part>, catalogue: Catalogue): { part: string; apart: number }[] {
  const found: { part: string; apart: number }[] = []
  for (const other of among) {
    if (other.code === part.code || other.components.length > 0) continue
    const apart = apartness(part, other, catalogue)
    if (apart !== null && apart < TOO_FAR) found.push({ part: other.code, apart })
  }
  return found.sort((a, b) => a.apart - b.apart || (a.part < b.part ? -1 : 1))
}
