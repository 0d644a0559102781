import { ACT_KINDS, type ActKind } from '../drawer/index.ts'
import type { WorkspaceSettings } from '../settings/index.ts'

/** What happened to rows of a table: how many of each, and what they are called, the first ones by name. */
export interface TableChange {
  table: string
  made: number
  changed: number
  gone: number
  /** Names of what the rows belong to, each once: the outfit of what is worn. */
  names: readonly string[]
  /** Columns of the first row that say more, as they are after it (as they were, for one that is gone). */
  first: Readonly<Record<string, unknown>>
}

type Verb = 'made' | 'changed' | 'gone'

interface Telling {
  table: string
  /** Which of it is told by these words; all of it where nothing is said. */
  when?: Verb
  words: (names: string, change: TableChange, verb: Verb) => string
}

const VERBS: Readonly<Record<Verb, string>> = { made: 'Made', changed: 'Changed', gone: 'Removed' }

const plain = (table: string, one: string, many: string): Telling => ({
  table,
  words: (names, { made, changed, gone }, verb) => {
    const count = made + changed + gone
    return `${VERBS[verb]} ${count === 1 ? one : `${count} ${many}`}${names === '' ? '' : count === 1 ? ` ${names}` : `: ${names}`}`
  },
})

const said = (table: string, words: string, when?: Verb): Telling => ({
  table,
  ...(when ? { when } : {}),
  words: (names) => (names === '' ? words : `${words} ${names}`),
})

const text = (value: unknown): string => (typeof value === 'string' ? value : '')

/** What settings are called. */
const SETTINGS: Readonly<Record<keyof WorkspaceSettings, string>> = {
  home: 'the home currency',
  look: 'light or dark',
  locale: 'how numbers and days are written',
  length: 'what lengths are told in',
  fullSize: 'how tall a full-size figure is',
  marketService: 'which market is asked',
  asks: 'when the market is asked',
  singleKeys: 'single-letter keys',
  lessMotion: 'less motion',
  school: 'house rules of new rosters',
  takingApart: 'how far new rosters take things apart',
  worth: 'what a point of likeness is worth',
  paper: 'the paper of the printer',
  labels: 'the labels of bins',
  maker: 'your name',
  wholeCatalogue: 'whether the catalogue is complete',
  wholeMoulds: 'of which moulds the catalogue is complete',
  dailyCopies: 'the copy of each day',
}

/** The first of these that something happened to says what was done; the rest follows from it. */
const TELLINGS: readonly Telling[] = [
  said('intake', 'Brought in', 'made'),
  said('intake', 'Took back the list', 'changed'),
  said('removed', 'Took down', 'made'),
  said('removed', 'Put back', 'gone'),
  said('parcel', 'Ordered from', 'made'),
  {
    table: 'parcel',
    words: (names, { first }) =>
      first['cancelledOn']
        ? `Gave up the order to ${names}`
        : first['arrivedOn']
          ? `Checked in the parcel from ${names}`
          : `Parcel from ${names}`,
  },
  {
    table: 'act',
    words: (_names, { first }) => `${ACT_KINDS[first['kind'] as ActKind] ?? 'Moved'} ${text(first['text'])}`.trim(),
  },
  said('roster', 'Began the roster', 'made'),
  plain('person', 'character', 'characters'),
  { ...plain('outfit', 'outfit', 'outfits'), when: 'made' },
  { ...plain('outfit', 'outfit', 'outfits'), when: 'gone' },
  said('take', 'New take of', 'made'),
  said('take', 'Removed a take of', 'gone'),
  plain('made_item', 'made item', 'made items'),
  said('placement', 'Dressed'),
  said('take', 'Takes of'),
  said('uniform', 'Uniform'),
  said('uniform_placement', 'Uniform'),
  said('brief', 'Brief of'),
  said('reference', 'Pictures for'),
  said('preference', 'Ranked'),
  said('ballot', 'Ballot on'),
  said('ballot_answer', 'Answers to a ballot on'),
  said('vote', 'Voted on'),
  said('accepted_pin', 'Pins of'),
  said('promise', 'Who gets what:'),
  said('outfit', 'Changed'),
  said('roster', 'Roster'),
  plain('release', 'release', 'releases'),
  said('release_content', 'Contents of'),
  said('case_content', 'Contents of'),
  plain('figure', 'figure', 'figures'),
  said('figure_part', 'What is worn by'),
  plain('part', 'part', 'parts'),
  said('component', 'Pieces of'),
  said('made_piece', 'Pieces of'),
  plain('mould', 'mould', 'moulds'),
  plain('print', 'print', 'prints'),
  plain('colour', 'colour', 'colours'),
  plain('seller', 'seller', 'sellers'),
  said('rate', 'Rates'),
  said('price_target', 'Prices waited for'),
  plain('bin', 'bin', 'bins'),
  plain('remark', 'remark', 'remarks'),
  plain('later', 'entry of the list for later', 'entries of the list for later'),
  plain('wish', 'wish for a colour', 'wishes for colours'),
  plain('wish_template', 'template of wishes', 'templates of wishes'),
  {
    table: 'setting',
    words: (_names, { names }) =>
      `Set ${together(names.map((name) => SETTINGS[name as keyof WorkspaceSettings] ?? name))}`,
  },
  said('photo', 'A photo'),
]

/** Names told before the rest is only counted. */
const NAMED = 2

const together = (names: readonly string[]): string => {
  const some = names.slice(0, NAMED)
  const more = names.length - some.length
  return more > 0 ? `${some.join(', ')} and ${more} more` : some.join(' and ')
}

const verbOf = ({ made, changed, gone }: TableChange): Verb =>
  made > 0 && changed + gone === 0 ? 'made' : gone > 0 && made + changed === 0 ? 'gone' : 'changed'

const BACK = 'Took back: '
const AGAIN = 'Did again: '

/** What words tell of, and whether they tell that it was taken back. */
export function toldOf(words: string): { what: string; isBack: boolean } {
  const isBack = words.startsWith(BACK)
  return {
    what: isBack ? words.slice(BACK.length) : words.startsWith(AGAIN) ? words.slice(AGAIN.length) : words,
    isBack,
  }
}

/** How taking something back is told, by how that is told: what was taken back is done again by taking that back. */
export function takenBackInWords(words: string): string {
  const { what, isBack } = toldOf(words)
  return (isBack ? AGAIN : BACK) + what
}

/** What was done in a few words: "Dressed Odile, skipper", "Made 34 parts: Deck cap, Lantern and 32 more". */
export function inWords(changes: readonly TableChange[]): string {
  const byTable = new Map(changes.map((change) => [change.table, change]))
  for (const { table, when, words } of TELLINGS) {
    const change = byTable.get(table)
    if (!change) continue
    const verb = verbOf(change)
    if (when && when !== verb) continue
    return words(together(change.names), change, verb)
  }
  return 'Something was changed'
}
