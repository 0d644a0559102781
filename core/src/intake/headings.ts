import { fold } from '../base/index.ts'
import type { Column } from './columns.ts'
import { countedIn, plain } from './readCells.ts'
import type { SheetRow } from './sheet.ts'
import { BIN_WORDS } from './lexicon.ts'
import { COLOUR_PHRASES, knownIn, wordList } from './words.ts'

const BINS = new Set(wordList(BIN_WORDS))

/** Whether a heading says where what stands below it lies: "Bin B2", "Kiste 3". */
export const namesBin = (heading: string): boolean => BINS.has(fold(heading).split(' ')[0]!)

/** Share of the rows that tell more than a name, from which on a name by itself is a heading. */
const MOSTLY = 2 / 3

/**
 * The same in a list of mere lines: between names with counts those without that stand below an empty line or at the very top, and
 * have a name with a count below them.
 */
function headingsOfLines(body: readonly SheetRow[]): Map<number, string> {
  const names = body.map(({ cells }) => plain(cells[0]!))
  const counted = names.map((name) => countedIn(name, true).count !== '')
  if (counted.filter(Boolean).length < 2 || counted.filter((one) => !one).length > counted.length / 2) return new Map()
  return new Map(
    body.flatMap(({ line }, i): [number, string][] =>
      !counted[i] && counted[i + 1] && (i === 0 || line > body[i - 1]!.line + 1) ? [[line, names[i]!]] : [],
    ),
  )
}

/**
 * Rows that only name what stands below them, such as "Hats" between parts that each have a count and a colour: by their lines, what
 * they say. A name that tells its colour is a part.
 */
export function headingsIn(body: readonly SheetRow[], columns: readonly Column[]): Map<number, string> {
  const name = columns.find(({ field }) => field === 'name')?.index ?? -1
  const others = columns.filter(({ field }) => field === 'count' || field === 'colour' || field === 'price')
  // "Hats:" heads what stands below it whatever else there is.
  const headed = body.flatMap(({ line, cells }, i): [number, string][] => {
    const [text = '', ...more] = cells.map(plain).filter(Boolean)
    return more.length === 0 && /:$/.test(text) && i + 1 < body.length ? [[line, text.slice(0, -1).trim()]] : []
  })
  if (headed.length > 0 || name < 0) return new Map(headed)
  if (others.length === 0 && body.every(({ cells }) => cells.length === 1)) return headingsOfLines(body)
  if (others.length < 2) return new Map()
  const filled = ({ cells }: SheetRow) => cells.flatMap((cell, index) => (cell.trim() === '' ? [] : index))
  const bare = body.map((row) => {
    const [only, ...more] = filled(row)
    return only !== undefined && more.length === 0 && (only === name || only === 0) ? plain(row.cells[only]!) : null
  })
  if (bare.filter((text) => text === null).length < body.length * MOSTLY) return new Map()
  return new Map(
    bare.flatMap((text, i): [number, string][] => {
      // What heads nothing is a part of which no more is known.
      if (text === null || i + 1 === body.length || bare[i + 1] !== null) return []
      const tellsColour = knownIn(fold(text), COLOUR_PHRASES).some(({ meaning }) => meaning !== '')
      return tellsColour ? [] : [[body[i]!.line, text]]
    }),
  )
}
