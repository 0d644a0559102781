import { fold } from '../base/index.ts'
import { isHeaded } from './columns.ts'
import { readCount } from './readCells.ts'
import type { SheetRow } from './sheet.ts'
import { COLOUR_PHRASES, knownIn } from './words.ts'

/** Heads of the columns a table of colours is parted into. */
const PARTED = ['Colour', 'Count']

/**
 * A table with a column for each colour ("Part | Red | Blue", counts below) as rows of one part and colour each; null where it is none.
 * A row that counts nothing stays, as none. O(cells).
 */
export function partedByColour(
  head: readonly string[],
  body: readonly SheetRow[],
): { head: string[]; body: SheetRow[] } | null {
  if (isHeaded(head, ['colour', 'count'])) return null
  const colours = head.flatMap((text, index) => (namesColour(text) ? index : []))
  if (colours.length < 2 || colours.length === head.length) return null
  const cells = body.flatMap((row) => colours.map((index) => (row.cells[index] ?? '').trim()))
  if (cells.some((cell) => cell !== '' && readCount(cell) === null)) return null
  const others = head.flatMap((_, index) => (colours.includes(index) ? [] : index))
  return {
    head: [...others.map((index) => head[index]!), ...PARTED],
    body: body.flatMap(({ line, cells: own }) => {
      const rest = others.map((index) => own[index] ?? '')
      const counted = colours.filter((index) => (own[index] ?? '').trim() !== '')
      if (counted.length === 0) return [{ line, cells: [...rest, '', '0'] }]
      return counted.map((index) => ({ line, cells: [...rest, head[index]!, own[index]!] }))
    }),
  }
}

/** Whether words name a colour and nothing else. */
function namesColour(text: string): boolean {
  const known = knownIn(fold(text), COLOUR_PHRASES)
  return known.length > 0 && known.every(({ meaning, whole }) => meaning !== '' && whole)
}
