import { fold } from '../base/index.ts'
import { Questions, type Answer, type Unknown } from './asking.ts'
import { columnOf, guessColumns, guessKind, numbersRows, type Column, type ListKind } from './columns.ts'
import { readEntries, type ListedEntry } from './entries.ts'
import { EMPTY_WORDS, TOTAL_WORDS, type Field } from './lexicon.ts'
import { PartFinder, type KnownThings, type ListedPart } from './partFinder.ts'
import {
  beginsWithCount,
  countedIn,
  currencyIn,
  dayFirstIn,
  decimalOf,
  plain,
  readAmount,
  readCondition,
  readCount,
  readDate,
  saysMore,
  type CellStyle,
} from './readCells.ts'
import { MOST } from '../market/index.ts'
import { CONDITIONS } from '../tables/index.ts'
import { charactersAt, textOf } from './characterRows.ts'
import { partedTable } from './crossTable.ts'
import { headingsIn, namesBin } from './headings.ts'
import { headRow, type Sheet, type SheetRow } from './sheet.ts'
import { whoseIn } from './whose.ts'
import { wordList } from './words.ts'
import { pricesOfParts } from './setPrices.ts'

/** What a person said of a list; whatever is left open is guessed. */
export interface Choices {
  kind?: ListKind
  /** Field of each column by its index; null keeps a column as a remark. */
  columns?: Readonly<Record<number, Field | null>>
  /** Whether there is a row of heads. */
  headed?: boolean
  style?: Partial<CellStyle>
  /** What stands in no cell and is the same for every row. */
  same?: { seller?: string; condition?: 'new' | 'used'; date?: string; bin?: string; set?: string }
  /** What one unit of a currency is worth in the home currency, for those the rate table knows nothing of. */
  rates?: Readonly<Record<string, number>>
  /** By the key of an unknown. */
  answers?: Readonly<Record<string, Answer>>
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
  /** Of a set list: the set, the figure of it that wears the part (null for what lies beside), the year it came out; `price` is that of the set. */
  set: string | null
  figure: string | null
  year: number | null
  /** What stands in columns that are nothing else, "head: cell" each. */
  remark: string
}

/** A cell that could not be read, with what is wrong. */
export interface ListFault {
  line: number
  field: Field
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
  /** Cells that cannot be read and are not needed: their rows stay, with what is written there as a remark. */
  aside: ListFault[]
  /** Lines that were left out: because a person said so, because they add others up, or say that there is none of a new part. */
  left: number[]
  /** What those of them say that only head the parts below them. */
  headings: string[]
  /** Rows without a count, which count as one. */
  uncounted: number
  /** Of a price list without a column of sellers: whose prices they are, as said or by the file's name; empty where neither tells. */
  whose: string
  mended: Sheet['mended']
  /** Of lists of sellers and colours: what each row says, in place of `rows`. */
  entries: ListedEntry[]
  /** Of a list of characters: the text `readNames` reads; null for other lists. */
  text: string | null
  /** The first rows as they stand and as they were taken. */
  sample: { line: number; cells: string[]; row: ListedRow | null; entry: ListedEntry | null }[]
}

const SAMPLE = 4
const TOTALS = new Set(wordList(TOTAL_WORDS))
const EMPTY = new Set(wordList(EMPTY_WORDS))
/** Letters of a name, and of the words for a colour, a place or a seller. */
const LONGEST = { name: 120, colour: 80, bin: 80, seller: 80, set: 120, figure: 120 } as const

/** What is told of sellers. */
const TERMS: readonly Field[] = ['country', 'minimum', 'shipping', 'free', 'handling', 'days', 'rating']

/** Fields that say nothing in a list of a kind; their cells are remarks. */
const IDLE: Readonly<Record<ListKind, readonly Field[]>> = {
  owned: ['set', 'figure', 'year', 'seller', 'pack', ...TERMS, 'hex', 'finish'],
  prices: ['set', 'figure', 'year', 'bin', ...TERMS, 'hex', 'finish'],
  sets: ['bin', 'seller', 'pack', 'condition', 'date', ...TERMS, 'hex', 'finish'],
  // These have readings of their own.
  sellers: [],
  colours: [],
  characters: [],
}

/** Columns that hold money. */
const MONEY: readonly Field[] = ['price', 'minimum', 'shipping', 'free', 'handling']
const YEARS = { from: 1900, to: 2100 } as const

/** A list before its rows are read: the columns and the way cells are written. */
function prepared(sheet: Sheet, fileName: string, known: KnownThings, choices: Choices) {
  const characters = charactersAt(sheet.rows)
  const found = characters >= 0 ? characters : headRow(sheet.rows)
  const headed = choices.headed ?? found >= 0
  const at = headed ? Math.max(0, found) : -1
  const heads = headed ? (sheet.rows[at]?.cells ?? []) : null
  const below = sheet.rows.slice(at + 1)
  const { head, body } = (heads && partedTable(heads, below)) ?? { head: heads, body: below }
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
  const decimal = decimalOf(MONEY.flatMap(cellsOf))
  const day = dayFirstIn(cellsOf('date'))
  const currency = currencyIn([
    columns.find(({ field }) => field === 'price')?.head ?? '',
    ...cellsOf('currency'),
    ...MONEY.flatMap(cellsOf),
  ])
  const style: CellStyle = { decimal: decimal.decimal, dayFirst: day.dayFirst, currency, ...choices.style }
  // What stands by itself above the heads says what the list is, and the last of it may say where all of it lies.
  const titles = sheet.rows.slice(0, Math.max(0, at)).map(({ cells }) => {
    const filled = cells.map(plain).filter(Boolean)
    return filled.length === 1 ? filled[0]! : ''
  })
  const title = titles.at(-1) ?? ''
  const open: ReadList['open'] = []
  if (!decimal.sure && choices.style?.decimal === undefined) open.push('decimal')
  if (!day.sure && choices.style?.dayFirst === undefined) open.push('dayFirst')
  const { kind, sure } = choices.kind
    ? { kind: choices.kind, sure: 1 }
    : characters >= 0
      ? { kind: 'characters' as const, sure: 1 }
      : guessKind(columns, [fileName, ...titles].join(' '))
  return { headed, head, body, columns, style, open, kind, sure, title, at: at_ }
}

/**
 * Read a list of a person's own: find its columns, read its cells, and say what each row speaks of. Nothing is dropped: what
 * no column stands for goes to the remarks, and words nobody knows are asked once for all rows that say them.
 * O(rows × (columns + moulds of words that are new)).
 */
export function readList(sheet: Sheet, fileName: string, known: KnownThings, choices: Choices = {}): ReadList {
  const reading = readingList(sheet, fileName, known, choices)
  for (;;) {
    const { done, value } = reading.next()
    if (done) return value
  }
}

/** The same row by row, for who has others waiting: it yields after each row and returns what was read. */
export function* readingList(
  sheet: Sheet,
  fileName: string,
  known: KnownThings,
  choices: Choices = {},
): Generator<void, ReadList> {
  const { headed, head, body, columns, style, open, kind, sure, title, at } = prepared(sheet, fileName, known, choices)
  if (kind === 'characters')
    return {
      ...{
        kind,
        sure,
        columns,
        headed,
        style,
        open: [],
        faults: [],
        left: [],
        headings: [],
        entries: [],
        text: textOf(head, body),
      },
      ...{ unknown: [], rows: [], headings: [], uncounted: 0, aside: [], whose: '', mended: sheet.mended, sample: [] },
    }
  if (kind === 'sellers' || kind === 'colours') {
    const { entries, faults, left, told } = readEntries(kind, { body, columns, style, at }, known)
    return {
      ...{ kind, sure, columns, headed, style, open, faults, left, entries, text: null },
      ...{ unknown: [], rows: [], headings: [], uncounted: 0, aside: [], whose: '', mended: sheet.mended },
      sample: told.slice(0, SAMPLE).map(({ row: { line, cells }, entry }) => ({ line, cells, row: null, entry })),
    }
  }
  const codes = (list: readonly { code: string }[]) => new Set(list.map(({ code }) => code))
  const asking = new Questions(choices.answers ?? {}, {
    colour: codes(known.palette),
    part: codes(known.moulds),
    bin: codes(known.bins),
    seller: codes(known.sellers),
    condition: new Set(CONDITIONS),
  })
  const parts = new PartFinder(known, asking)
  const whose = choices.same?.seller ?? whoseIn(fileName, known.sellers)
  const faults: ListFault[] = []
  const aside: ListFault[] = []
  const left: number[] = []
  let uncounted = 0
  const currencies = new Map(known.sellers.map(({ code, currency }) => [code, currency]))
  // A column that only numbers the rows says nothing.
  const numbered = body.filter(({ cells }) => !cells.some((one) => TOTALS.has(fold(one))))
  const running = ({ index }: Column) =>
    numbersRows(columnOf(body, index)) || numbered.every(({ cells }, i) => cells[index] === String(i + 1))
  const idle = IDLE[kind]
  const isRest = ({ field }: Column) => field === null || field === 'remark' || field === 'code' || idle.includes(field)
  const kept = columns.filter((column) => isRest(column) && !running(column))
  const rest = kept.filter(({ field }) => field !== 'code')
  const conditionOf = (words: string, line: number): 'new' | 'used' | null | 'left' => {
    const said = readCondition(words)
    if (said !== null) return said
    const answer = asking.ask('condition', { words }, line, () => ({
      candidates: [...CONDITIONS],
      answer: { make: 'remark' },
    }))
    if ('leave' in answer) return 'left'
    return CONDITIONS.find((one) => 'take' in answer && answer.take === one) ?? null
  }
  // In a list without counts numbers before the names are some, unless they only number the rows.
  const names = body.map(({ cells }) => plain(cells[at('name') ?? -1] ?? ''))
  const bare = names.some(beginsWithCount) && !numbersRows(names.map((name) => /^\d+/.exec(name)?.[0] ?? ''))
  const headings = headingsIn(body, columns)
  /** What the last heading, or the last cell for the kind of part, said; and the last set with the figure in it. */
  let under = ''
  /** Where what stands below a heading lies. */
  let lies = kind === 'owned' && at('bin') === undefined && namesBin(title) ? title : ''
  let above = { set: '', figure: '' }
  const read = (row: SheetRow): ListedRow | null => {
    const { line, cells } = row
    const cell = (field: Field) => {
      const index = idle.includes(field) ? undefined : at(field)
      return index === undefined ? '' : plain(cells[index] ?? '')
    }
    const before = faults.length
    const fault = (field: ListFault['field'], reason: string) => void faults.push({ line, field, reason })
    const unread: ListFault[] = []
    const keepWords = (field: Field, reason: string) => void unread.push({ line, field, reason })
    const heading = headings.get(line)
    if (heading !== undefined && at('bin') === undefined && namesBin(heading)) lies = heading
    else if (heading !== undefined) under = heading
    if (heading !== undefined || cells.some((one) => TOTALS.has(fold(one))) || EMPTY.has(fold(cell('name')))) {
      left.push(line)
      return null
    }
    const within = at('count') === undefined ? countedIn(cell('name'), bare) : { name: cell('name'), count: '' }
    const { name: own } = within
    if (cell('kind') !== '') under = cell('kind')
    const name = parts.nameOf(own, under)
    if (name === '' && cell('code') === '') {
      fault('name', 'says no part')
      return null
    }
    for (const field of ['name', 'colour', 'bin', 'seller', 'set', 'figure'] as const)
      if (cell(field).length > LONGEST[field]) fault(field, `is longer than ${LONGEST[field]} characters`)
    // Cells that were one for several rows come with their words in the first of them.
    if (cell('set') !== '') above = { set: cell('set'), figure: cell('figure') }
    else if (cell('figure') !== '') above = { ...above, figure: cell('figure') }
    const set = cell('set') || choices.same?.set || above.set
    const figure = cell('figure') || (cell('set') === '' && kind === 'sets' ? above.figure : '')
    if (kind === 'sets' && set === '') fault('set', 'is missing')
    if (faults.length > before) return null
    const part = parts.find({ line, name, code: cell('code'), colour: cell('colour') })
    const bin =
      kind === 'owned'
        ? asking.named('bin', cell('bin') || choices.same?.bin || lies, line, known.bins)
        : { code: null }
    const seller =
      kind === 'prices' ? asking.named('seller', cell('seller') || whose, line, known.sellers) : { code: null }
    if (part === 'left' || bin === 'left' || seller === 'left') {
      left.push(line)
      return null
    }
    const counted = cell('count') || within.count
    const count = counted === '' ? 1 : readCount(counted)
    if (count === null) fault('count', `"${counted}" is no count`)
    else if (count > MOST.qty) fault('count', `${count} is more than anybody has`)
    const money = cell('price')
    const currency = cell('currency')
    const price =
      money === ''
        ? null
        : readAmount(currency && !money.includes(currency) ? `${money} ${currency}` : money, {
            ...style,
            // Who sells is paid in their own money, unless a cell or somebody says otherwise.
            currency: choices.style?.currency ?? currencies.get(seller.code ?? '') ?? style.currency,
          })
    // What was paid is good to know; what is asked has to be.
    if (money !== '' && price === null) (kind === 'prices' ? fault : keepWords)('price', `"${money}" is no amount`)
    else if (price && price.minor > MOST.money) fault('price', `"${money}" is too much`)
    if (kind === 'prices' && money === '') fault('price', 'is missing')
    const on = cell('date')
    const date = on === '' ? (choices.same?.date ?? null) : readDate(on, style.dayFirst)
    if (on !== '' && date === null) keepWords('date', `"${on}" is no date`)
    const state = cell('condition')
    const condition = state === '' ? (choices.same?.condition ?? null) : conditionOf(state, line)
    if (condition === 'left') {
      left.push(line)
      return null
    }
    const packed = cell('pack')
    const pack = packed === '' ? 1 : (readCount(packed.replace(/^\D+/, '')) ?? 0)
    if (pack < 1 || pack > MOST.pack) fault('pack', `"${packed}" is no number of pieces`)
    else if (kind === 'prices' && count !== null && count > 0 && count < pack)
      fault('count', `${count} is less than one pack of ${pack}`)
    const came = cell('year')
    const year = /^\d{4}$/.test(came) ? Number(came) : null
    if (came !== '' && (year === null || year < YEARS.from || year > YEARS.to))
      keepWords('year', `"${came}" is no year`)
    if (faults.length > before || count === null) return null
    // None of something nobody knows is nothing to write down; none of what is known says that it is gone.
    if (count === 0 && part.code === null) {
      left.push(line)
      return null
    }
    // A code of somebody else's is no part of ours, and still worth keeping.
    const coded = kept.filter(({ field }) => field === 'code' && part.code === null)
    // What says neither new nor used says something else worth keeping.
    if (state !== '' && condition === null) unread.push({ line, field: 'condition', reason: '' })
    if (saysMore(counted)) unread.push({ line, field: at('count') === undefined ? 'name' : 'count', reason: '' })
    // A kind that is not said with the name is kept beside it.
    if (name === own && cell('kind') !== '') unread.push({ line, field: 'kind', reason: '' })
    const spoken = columns.filter(({ field }) => unread.some((one) => one.field === field))
    aside.push(...unread.filter(({ reason }) => reason !== ''))
    const remark = [...coded, ...spoken, ...rest]
      .flatMap(({ index, head }) => {
        const text = plain(cells[index] ?? '')
        return text === '' ? [] : [head === '' ? text : `${head}: ${text}`]
      })
      .join('; ')
    if (counted === '') uncounted += 1
    const of = { set: set || null, figure: figure || null, year }
    return { line, part, count, bin: bin.code, price, date, condition, seller: seller.code, pack, ...of, remark }
  }
  const told: { row: SheetRow; read: ListedRow | null }[] = []
  for (const row of body) {
    told.push({ row, read: read(row) })
    yield
  }
  if (kind === 'sets') {
    const ofParts = pricesOfParts(told.flatMap(({ read: one }) => one ?? []))
    const { index = -1, head = '' } = columns.find(({ field }) => field === 'price') ?? {}
    for (const entry of told) {
      const own = entry.read
      if (!own?.price || !ofParts.has(own)) continue
      const words = [head, plain(entry.row.cells[index] ?? '')].filter(Boolean).join(': ')
      entry.read = { ...own, price: null, remark: [words, own.remark].filter(Boolean).join('; ') }
    }
  }
  const rows = told.flatMap(({ read: one }) => one ?? [])
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
    aside,
    left,
    headings: [...headings.values()],
    uncounted,
    whose: kind === 'prices' && at('seller') === undefined ? whose : '',
    mended: sheet.mended,
    entries: [],
    text: null,
    sample: told.slice(0, SAMPLE).map(({ row: { line, cells }, read: row }) => ({ line, cells, row, entry: null })),
  }
}
