import { MAIN_PIECE, type Colour, type Mould, type Print } from '../catalogue/index.ts'
import { guessPart } from './guessPart.ts'
import type { Reject } from './readTable.ts'
import type { TableRow } from './tables.ts'

/** What a person said of guesses: the mould or colour (by code) to take for all names with these words. */
export interface Corrections {
  moulds: Record<string, string>
  colours: Record<string, string>
}

/** Rows guessed alike, to be looked at and corrected together. */
export interface GuessGroup {
  what: 'mould' | 'colour'
  words: string
  /** What is taken for them; null where nothing could be guessed. */
  code: string | null
  count: number
  examples: { line: number; name: string }[]
}

/** A parts row as a file may leave it: what is empty is guessed from the name. */
export type SparseRow = Pick<TableRow<'parts'>, 'code' | 'name' | 'print' | 'year'> & {
  mould: string | null
  colours: string[]
}

export interface GuessedRow {
  part: TableRow<'parts'>
  /** A print without a recipe, for a part whose name speaks of one; it is drawn from the name, marked as guessed. */
  print: Print | null
}

const EXAMPLES = 3
/** Colours a part takes from its name: more are those of its print. */
const MOST_COLOURS = 3

/** Fills sparse rows from their names and counts what was guessed. */
export class PartGuesser {
  private readonly found = new Map<string, GuessGroup>()
  private readonly mouldCodes: Map<string, string>
  private readonly kinds: Map<string, Mould['kind']>
  private readonly colourCodes: Map<string, string>

  constructor(
    private readonly palette: readonly Colour[],
    private readonly moulds: readonly Mould[],
    private readonly corrections: Corrections = { moulds: {}, colours: {} },
  ) {
    const byNameAndCode = (list: readonly { code: string; name: string }[]) =>
      new Map(
        list.flatMap(({ code, name }) => [[name.toLowerCase(), code] as const, [code.toLowerCase(), code] as const]),
      )
    this.mouldCodes = byNameAndCode(moulds)
    this.colourCodes = byNameAndCode(palette)
    this.kinds = new Map(moulds.map(({ code, kind }) => [code, kind]))
  }

  /** Groups of equal guesses, the largest first. */
  get groups(): GuessGroup[] {
    return [...this.found.values()].sort((a, b) => b.count - a.count || (a.words < b.words ? -1 : 1))
  }

  /** The whole row, or null with what could not be guessed pushed to `rejects`. */
  fill(row: SparseRow, line: number, rejects: Reject[]): GuessedRow | null {
    const guess = guessPart(row.name, this.palette, this.moulds)
    const mould = row.mould
      ? (this.mouldCodes.get(row.mould.toLowerCase()) ?? row.mould)
      : this.group('mould', guess.mouldWords, this.corrections.moulds[guess.mouldWords] ?? guess.mould, row, line)
    const named = row.colours.length > 0 ? row.colours.map((colour) => this.colourOf(colour, row, line)) : []
    const colours =
      row.colours.length > 0
        ? named
        : guess.colours
            .slice(0, MOST_COLOURS)
            .map(({ words, code }) => this.group('colour', words, this.corrections.colours[words] ?? code, row, line))
    if (row.colours.length === 0 && colours.length === 0)
      colours.push(this.group('colour', '', this.corrections.colours[''] ?? null, row, line))
    const before = rejects.length
    if (mould === null) rejects.push({ line, column: 'mould', reason: `mould cannot be guessed from "${row.name}"` })
    if (colours.includes(null))
      rejects.push({
        line,
        column: 'colours',
        reason: `colours cannot be guessed from "${row.colours.join(';') || row.name}"`,
      })
    if (rejects.length > before) return null
    const { traits } = guess
    const kind = this.kinds.get(mould!)
    const print =
      row.print === null && guess.printed && kind
        ? { code: `D-${row.code}`, name: row.name, kind: MAIN_PIECE[kind] ?? kind, front: [], back: [], traits }
        : null
    return {
      part: {
        code: row.code,
        name: row.name,
        mould: mould!,
        colours: colours as string[],
        print: row.print ?? print?.code ?? null,
        year: row.year,
      },
      print,
    }
  }

  /** A colour as a file writes it: one of ours by name or code, or in plain words. */
  private colourOf(text: string, row: SparseRow, line: number): string | null {
    const own = this.colourCodes.get(text.toLowerCase())
    if (own !== undefined) return own
    const words = text.toLowerCase()
    const [guessed] = guessPart(text, this.palette, []).colours
    return this.group('colour', words, this.corrections.colours[words] ?? guessed?.code ?? null, row, line)
  }

  private group(what: GuessGroup['what'], words: string, code: string | null, row: SparseRow, line: number) {
    const key = `${what} ${words}`
    const known = this.found.get(key) ?? { what, words, code, count: 0, examples: [] }
    known.count += 1
    if (known.examples.length < EXAMPLES) known.examples.push({ line, name: row.name })
    // One group can hold different guesses only where the words are none; the first stands for it.
    this.found.set(key, known)
    return code
  }
}
