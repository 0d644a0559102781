import type { Colour, Mould, Part } from '../catalogue/index.ts'
import { nearestColours } from '../colour/index.ts'
import { guessColumns, guessKind, type Column, type ListKind } from './columns.ts'
import { TOTAL_WORDS, type Field } from './lexicon.ts'
import { FAR_COLOUR, matchColour, matchPart, type ColourMatch, type PartMatch } from './match.ts'
import {
  currencyIn,
  dayFirstIn,
  decimalOf,
  readAmount,
  readCondition,
  readCount,
  readDate,
  type CellStyle,
} from './readCells.ts'
import { headRow, type Sheet, type SheetRow } from './sheet.ts'
import { alikeness, fold, wordList } from './words.ts'

/** What is known already, that words of a list may mean. */
export interface KnownThings {
  palette: readonly Colour[]
  moulds: readonly Mould[]
  parts: readonly Part[]
  bins: readonly { code: string; name: string }[]
  sellers: readonly { code: string; name: string; currency: string }[]
}

/**
 * What is to be done with words that are not known: take them as something there is, make it new (a colour as #RRGGBB, a
 * part by how it is worn, a bin or seller under a name), or leave their rows out.
 */
export type Answer = { take: string } | { make: string } | { leave: true }

/** What a person said of a list; whatever is left open is guessed. */
export interface Choices {
  kind?: ListKind
  /** Field of each column by its index; null keeps a column as a remark. */
  columns?: Readonly<Record<number, Field | null>>
  /** Whether there is a row of heads. */
  headed?: boolean
  style?: Partial<CellStyle>
  /** What stands in no cell and is the same for every row. */
  same?: { seller?: string; condition?: 'new' | 'used'; date?: string; bin?: string }
  /** By the key of an unknown. */
  answers?: Readonly<Record<string, Answer>>
}

/** Words to be settled once for all rows that say them. */
export interface Unknown {
  /** What they are asked and remembered by, such as "colour lawinenweiss". */
  key: string
  what: 'colour' | 'part' | 'bin' | 'seller'
  /** As they stand in the first row. */
  words: string
  rows: number
  lines: number[]
  /** What they may mean, the likeliest first: codes of colours, moulds, bins or sellers. */
  candidates: string[]
  /** What is done unless something else is said; of colours that are made new, "make" is their sRGB. */
  answer: Answer
  /** The words that are compared: without the colour, for parts. */
  shape: string
  /** Of colours: what the words say it is, as sRGB; null where they say none. */
  hex: string | null
  /** Whether a person said so. */
  settled: boolean
  /** Not to be asked, only told: all that is new, such as bins of a first list. */
  plain: boolean
}

/** A part a row speaks of: one there is, or one to be made of a mould, a colour and the words of the row. */
export interface ListedPart {
  /** null for a part to be made. */
  code: string | null
  name: string
  mould: string
  colour: string
  printed: boolean
}

/** A row as it was understood. Prices are of one unit. */
export interface ListedRow {
  line: number
  part: ListedPart
  count: number
  bin: string | null
  price: { minor: number; currency: string } | null
  date: string | null
  condition: 'new' | 'used' | null
  seller: string | null
  pack: number
  /** What stands in columns that are nothing else, "head: cell" each. */
  remark: string
}

/** A cell that could not be read, with what is wrong. */
export interface ListFault {
  line: number
  field: Field | 'row'
  reason: string
}

export interface ReadList {
  kind: ListKind
  /** How sure the kind is, 0 to 1. */
  sure: number
  columns: Column[]
  /** Whether the first row read is one of heads. */
  headed: boolean
  style: CellStyle
  /** Which of the style could not be told from the cells and was guessed. */
  open: ('decimal' | 'dayFirst')[]
  unknown: Unknown[]
  rows: ListedRow[]
  faults: ListFault[]
  /** Lines that were left out because a person said so. */
  left: number[]
  /** Rows without a count, which count as one. */
  uncounted: number
  mended: Sheet['mended']
  /** The first rows as they stand and as they were taken. */
  sample: { line: number; cells: string[]; row: ListedRow | null }[]
}

const SAMPLE = 4
const TOTALS = new Set(wordList(TOTAL_WORDS))
const EXAMPLES = 3
const LONGEST_NAME = 120
const MOST_COUNT = 1_000_000
/** Different names whose likest moulds are looked for; in a list with more, the others have the first guess alone. */
const MOST_RANKED = 3000

/** Colours nearer than this to what was said are told as nearly the same. */
export const NEARLY = 6

/** A list before its rows are read: the columns and the way cells are written. */
function prepared(sheet: Sheet, fileName: string, known: KnownThings, choices: Choices) {
  const found = headRow(sheet.rows)
  const headed = choices.headed ?? found >= 0
  const at = headed ? Math.max(0, found) : -1
  const head = headed ? (sheet.rows[at]?.cells ?? []) : null
  const body = sheet.rows.slice(at + 1)
  const names = new Set(known.palette.flatMap(({ code, name }) => [fold(code), fold(name)]))
  const guessed = guessColumns(head, body, (text) => names.has(fold(text)))
  const columns = guessed.map((column) => {
    const said = choices.columns?.[column.index]
    return said === undefined ? column : { ...column, field: said, sure: 1 }
  })
  const at_ = (field: Field) => columns.find((column) => column.field === field)?.index
  const cellsOf = (field: Field) => {
    const index = at_(field)
    return index === undefined ? [] : body.map(({ cells }) => cells[index] ?? '')
  }
  const decimal = decimalOf(cellsOf('price'))
  const day = dayFirstIn(cellsOf('date'))
  const currency = currencyIn([
    columns.find(({ field }) => field === 'price')?.head ?? '',
    ...cellsOf('currency'),
    ...cellsOf('price'),
  ])
  const style: CellStyle = { decimal: decimal.decimal, dayFirst: day.dayFirst, currency, ...choices.style }
  const open: ReadList['open'] = []
  if (!decimal.sure && choices.style?.decimal === undefined) open.push('decimal')
  if (!day.sure && choices.style?.dayFirst === undefined) open.push('dayFirst')
  const { kind, sure } = choices.kind ? { kind: choices.kind, sure: 1 } : guessKind(columns, fileName)
  return { headed, body, columns, style, open, kind, sure, at: at_ }
}

/**
 * Read a list of a person's own: find its columns, read its cells, and say what each row speaks of. Nothing is dropped: what
 * no column stands for goes to the remarks, and words nobody knows are asked once for all rows that say them.
 * O(rows × (columns + moulds of words that are new)).
 */
export function readList(sheet: Sheet, fileName: string, known: KnownThings, choices: Choices = {}): ReadList {
  const { headed, body, columns, style, open, kind, sure, at } = prepared(sheet, fileName, known, choices)
  const codes = (list: readonly { code: string }[]) => new Set(list.map(({ code }) => code))
  const asking = new Asking(choices.answers ?? {}, {
    colour: codes(known.palette),
    part: codes(known.moulds),
    bin: codes(known.bins),
    seller: codes(known.sellers),
  })
  const parts = new PartFinder(known, asking)
  const faults: ListFault[] = []
  const left: number[] = []
  let uncounted = 0
  const rest = columns.filter(({ field }) => field === null || field === 'remark')
  const read = (row: SheetRow): ListedRow | null => {
    const { line, cells } = row
    const cell = (field: Field) => {
      const index = at(field)
      return index === undefined ? '' : (cells[index] ?? '').trim()
    }
    const before = faults.length
    const fault = (field: ListFault['field'], reason: string) => void faults.push({ line, field, reason })
    if (cells.some((one) => TOTALS.has(fold(one)))) {
      left.push(line)
      return null
    }
    const within = at('count') === undefined ? countedIn(cell('name')) : { name: cell('name'), count: '' }
    const { name } = within
    if (name === '' && cell('code') === '') {
      fault('name', 'says no part')
      return null
    }
    if (name.length > LONGEST_NAME) fault('name', `is longer than ${LONGEST_NAME} characters`)
    const part = parts.find({ line, name, code: cell('code'), colour: cell('colour') })
    const bin =
      kind === 'owned' ? asking.named('bin', cell('bin') || choices.same?.bin || '', line, known.bins) : { code: null }
    const seller =
      kind === 'prices'
        ? asking.named('seller', cell('seller') || choices.same?.seller || '', line, known.sellers)
        : { code: null }
    if (part === 'left' || bin === 'left' || seller === 'left') {
      left.push(line)
      return null
    }
    const counted = cell('count') || within.count
    const count = counted === '' ? 1 : readCount(counted)
    if (counted === '') uncounted += 1
    if (count === null || count > MOST_COUNT) fault('count', `"${counted}" is no count`)
    const money = cell('price')
    const currency = cell('currency')
    const price =
      money === '' ? null : readAmount(currency && !money.includes(currency) ? `${money} ${currency}` : money, style)
    if (money !== '' && price === null) fault('price', `"${money}" is no amount`)
    if (kind === 'prices' && money === '') fault('price', 'is missing')
    const on = cell('date')
    const date = on === '' ? (choices.same?.date ?? null) : readDate(on, style.dayFirst)
    if (on !== '' && date === null) fault('date', `"${on}" is no date`)
    const state = cell('condition')
    const condition = state === '' ? (choices.same?.condition ?? null) : readCondition(state)
    if (state !== '' && condition === null) fault('condition', `"${state}" says neither new nor used`)
    const packed = cell('pack')
    const pack = packed === '' ? 1 : (readCount(packed.replace(/^\D+/, '')) ?? 0)
    if (pack < 1) fault('pack', `"${packed}" is no number of pieces`)
    if (faults.length > before || part === null || count === null) return null
    const remark = rest
      .flatMap(({ index, head }) => {
        const text = (cells[index] ?? '').trim()
        return text === '' ? [] : [head === '' ? text : `${head}: ${text}`]
      })
      .join('; ')
    return { line, part, count, bin: bin.code, price, date, condition, seller: seller.code, pack, remark }
  }
  const told = body.map((row) => ({ row, read: read(row) }))
  const rows = told.flatMap(({ read: one }) => (one && one.count > 0 ? [one] : []))
  return {
    kind,
    sure,
    columns,
    headed,
    style,
    open,
    unknown: asking.all(),
    rows,
    faults: faults.sort((a, b) => a.line - b.line),
    left,
    uncounted,
    mended: sheet.mended,
    sample: told.slice(0, SAMPLE).map(({ row: { line, cells }, read: row }) => ({ line, cells, row })),
  }
}

/** A count that stands with the name, as in "2x red torso" or "torso (3 pcs)", apart from it. */
function countedIn(name: string): { name: string; count: string } {
  const [, before, after] = /^(\d{1,4}\s*[x×]|[x×]\s*\d{1,4})\s+(\S.*)$/i.exec(name) ?? []
  if (before !== undefined && after !== undefined) return { name: after, count: before }
  const [, words, behind] = /^(\S.*?)\s*\(?\b([x×]\s*\d{1,4}|\d{1,4}\s*(?:x|×|pcs|stk\.?|szt\.?))\)?$/i.exec(name) ?? []
  return words !== undefined && behind !== undefined ? { name: words, count: behind } : { name, count: '' }
}

/** Words that are not known, each asked once. */
class Asking {
  private readonly found = new Map<string, Unknown>()

  constructor(
    private readonly answers: Readonly<Record<string, Answer>>,
    private readonly known: Readonly<Record<Unknown['what'], ReadonlySet<string>>>,
  ) {}

  /** What somebody said of it; not what names a thing that is gone since. */
  private said(what: Unknown['what'], key: string): Answer | undefined {
    const said = this.answers[key]
    return said && 'take' in said && !this.known[what].has(said.take) ? undefined : said
  }

  /** What is to be done with some words; `make` says what comes of them unless somebody says otherwise. */
  ask(
    what: Unknown['what'],
    { words, shape = fold(words) }: { words: string; shape?: string },
    line: number,
    make: () => { candidates: string[]; answer: Answer; plain?: boolean; hex?: string | null },
  ): Answer {
    const key = `${what} ${shape}`
    const known = this.found.get(key)
    if (known) {
      known.rows += 1
      if (known.lines.length < EXAMPLES) known.lines.push(line)
      return known.answer
    }
    const { candidates, answer, plain = false, hex = null } = make()
    const said = this.said(what, key)
    const asked = {
      key,
      what,
      words,
      shape,
      rows: 1,
      lines: [line],
      candidates,
      answer: said ?? answer,
      hex,
      settled: said !== undefined,
      plain,
    }
    this.found.set(key, asked)
    return asked.answer
  }

  /** A bin or seller by its name or code; "left" where its rows are left out. One there is not is made. */
  named(
    what: 'bin' | 'seller',
    words: string,
    line: number,
    known: readonly { code: string; name: string }[],
  ): { code: string | null } | 'left' {
    if (words === '') return { code: null }
    const folded = fold(words)
    const exact = known.find(({ code, name }) => fold(name) === folded || fold(code) === folded)
    if (exact) return { code: exact.code }
    const answer = this.ask(what, { words }, line, () => ({
      candidates: known
        .map(({ code, name }) => ({ code, like: alikeness(fold(name), folded) }))
        .filter(({ like }) => like > 0.4)
        .sort((a, b) => b.like - a.like)
        .slice(0, EXAMPLES)
        .map(({ code }) => code),
      answer: { make: words },
      plain: true,
    }))
    if ('leave' in answer) return 'left'
    return { code: 'take' in answer ? answer.take : newCode(what, answer.make) }
  }

  /** All that was asked: what needs a look first, then by how many rows say it. */
  all(): Unknown[] {
    return [...this.found.values()].sort(
      (a, b) =>
        Number(a.plain) - Number(b.plain) ||
        (a.plain ? 0 : b.rows - a.rows) ||
        a.key.localeCompare(b.key, 'en', { numeric: true }),
    )
  }
}

/** The code of a bin, seller or colour that is made from words. Equal words give equal codes. */
export const newCode = (what: 'bin' | 'seller' | 'colour' | 'mould', words: string): string =>
  `${{ bin: 'B', seller: 's', colour: 'c', mould: 'M-own' }[what]}-${(fold(words) || 'none').replaceAll(/[ #]+/g, '-').slice(0, 60)}`

/** Kinds a shape of its own may be of, each drawn as some plain thing until it is drawn in the catalogue. */
export const OWN_KINDS = ['held', 'headgear', 'neck', 'waist', 'beside'] as const
export type OwnKind = (typeof OWN_KINDS)[number]
const DRAWN_AS: Readonly<Record<OwnKind, { silhouette: string; connections: Mould['connections'] }>> = {
  held: { silhouette: 'chart-roll', connections: ['grip'] },
  headgear: { silhouette: 'crop', connections: ['crown'] },
  neck: { silhouette: 'long-scarf', connections: ['neck'] },
  waist: { silhouette: 'belt', connections: ['waist'] },
  beside: { silhouette: 'crate', connections: [] },
}

/** A mould made from words, for a shape nothing is known of but how it is worn. */
export const newMould = (shape: string, words: string, kind: OwnKind): Mould => ({
  code: newCode('mould', shape),
  name: words,
  kind,
  ...DRAWN_AS[kind],
  neckThickness: 0,
  height: 0,
  mass: 0.5,
  covers: [],
  traits: {},
})

/** The moulds that are to be made of words that are not known. */
export const madeMoulds = (unknown: readonly Unknown[]): Mould[] =>
  unknown.flatMap(({ what, shape, words, answer }) =>
    what === 'part' && 'make' in answer ? [newMould(shape, words, answer.make as OwnKind)] : [],
  )

/** A colour made from words: it belongs to the family of the palette colour nearest to it. O(palette). */
export function newColour(words: string, hex: string, palette: readonly Colour[]): Colour {
  const [nearest] = nearestColours(
    hex,
    palette.filter(({ finish, family }) => finish === 'solid' && family !== 'skin'),
  )
  return {
    code: newCode('colour', words),
    name: words === '' ? 'Colour not said' : words,
    hex: hex.toUpperCase(),
    finish: 'solid',
    family: nearest?.colour.family ?? 'grey',
  }
}

interface PartWords {
  line: number
  name: string
  code: string
  colour: string
}

/** Finds the parts rows speak of. Rows that say the same are looked up once. */
class PartFinder {
  private readonly byCode: Map<string, Part>
  private readonly byName: Map<string, Part[]>
  /** Parts without a print, by mould and colour. */
  private readonly plain = new Map<string, Part>()
  private readonly matched = new Map<string, PartMatch>()
  private readonly colours = new Map<string, ColourMatch>()

  constructor(
    private readonly known: KnownThings,
    private readonly asking: Asking,
  ) {
    this.byCode = new Map(known.parts.map((part) => [fold(part.code), part]))
    this.byName = new Map()
    for (const part of known.parts) {
      const look = `${part.mould} ${part.colours[0]}`
      if (part.print === null && !this.plain.has(look)) this.plain.set(look, part)
      const name = fold(part.name)
      this.byName.set(name, [...(this.byName.get(name) ?? []), part])
    }
  }

  /** The part, or "left" where its rows are left out. */
  find(row: PartWords): ListedPart | 'left' | null {
    const coded = row.code === '' ? undefined : this.byCode.get(fold(row.code))
    if (coded) return asListed(coded)
    const name = row.name === '' ? row.code : row.name
    const match = this.match(name)
    const words = row.colour !== '' ? row.colour : (match.colourWords ?? '')
    const colour = words === '' ? null : this.colour(words, row.line)
    if (colour === 'left') return 'left'
    // The same name in the same colour is the same part; without a colour, a name that only one part has.
    const alike = this.byName.get(fold(name)) ?? []
    const same =
      colour === null ? (alike.length === 1 ? alike[0] : undefined) : alike.find(({ colours }) => colours[0] === colour)
    if (same) return asListed(same)
    const mould = this.mould(name, match, row.line)
    if (mould === 'left') return 'left'
    const inColour = colour ?? this.colour('', row.line)
    if (inColour === 'left') return 'left'
    const plain = match.printed ? undefined : this.plain.get(`${mould} ${inColour}`)
    if (plain) return asListed(plain)
    return { code: null, name, mould, colour: inColour, printed: match.printed }
  }

  private match(name: string): PartMatch {
    const key = fold(name)
    const found =
      this.matched.get(key) ??
      matchPart(name, this.known.palette, this.known.moulds, { ranked: this.matched.size < MOST_RANKED })
    this.matched.set(key, found)
    return found
  }

  private colour(words: string, line: number): string | 'left' {
    const match = this.colours.get(words) ?? matchColour(words, this.known.palette)
    this.colours.set(words, match)
    if (match.sure) return match.code!
    const answer = this.asking.ask('colour', { words }, line, () => {
      const { code, candidates, hex } = match
      const nearEnough = code !== null && (candidates[0]?.deltaE ?? 0) <= FAR_COLOUR
      return {
        candidates: candidates.map((one) => one.code),
        answer: nearEnough ? { take: code } : { make: hex ?? '#8A8D91' },
        hex,
      }
    })
    if ('leave' in answer) return 'left'
    return 'take' in answer ? answer.take : newCode('colour', words)
  }

  private mould(name: string, match: PartMatch, line: number): string | 'left' {
    if (match.sure) return match.mould!
    // Words for the colour say nothing of the shape, so that one answer goes for all colours of it.
    const shape =
      fold(name)
        .replace(match.colourWords ?? '\u0000', '')
        .trim() || fold(name)
    const answer = this.asking.ask('part', { words: name, shape }, line, () => ({
      candidates: match.candidates,
      answer: match.mould !== null ? { take: match.mould } : { make: 'held' },
    }))
    if ('leave' in answer) return 'left'
    return 'take' in answer ? answer.take : newCode('mould', shape)
  }
}

const asListed = ({ code, name, mould, colours, print }: Part): ListedPart => ({
  code,
  name,
  mould,
  colour: colours[0]!,
  printed: print !== null,
})
