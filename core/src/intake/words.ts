import { fold, memoized } from '../base/index.ts'
import { COLOUR_WORDS } from '../colour/index.ts'
import { PART_WORDS, WORN_WORDS } from './lexicon.ts'

/** The words of a comma-separated list, folded. */
export const wordList = (list: string): string[] => list.split(',').map(fold).filter(Boolean)

/** PhraseTable of a lexicon, folded, with what each stands for. */
export type PhraseTable = ReadonlyMap<string, string>

const phrasesOf = (lexicon: Readonly<Record<string, string>>, self: boolean): PhraseTable =>
  new Map(
    Object.entries(lexicon).flatMap(([meaning, list]) =>
      [...(self ? [fold(meaning)] : []), ...wordList(list)].map((phrase): [string, string] => [phrase, meaning]),
    ),
  )

export const PART_PHRASES = phrasesOf(PART_WORDS, true)

/** PhraseTable that are only a little like what they stand for. */
export const NEAR_PHRASES: ReadonlySet<string> = new Set(
  Object.values(PART_WORDS).flatMap((list) =>
    list
      .split(',')
      .filter((phrase) => phrase.trim().startsWith('~'))
      .map(fold),
  ),
)

/** How things without a mould are worn, by what they are called. */
export const WORN_PHRASES = phrasesOf(WORN_WORDS, false)

export const COLOUR_PHRASES = phrasesOf(COLOUR_WORDS, false)

/** A stretch of a text that a lexicon knows; `whole` unless it is only a piece of a longer word. */
export interface KnownPhrase {
  words: string
  meaning: string
  whole: boolean
}

const LONGEST = 5
/** What words of the languages are bent by: "rote", "rotes", "Köpfe", "torsos"; the shortest first, as "capes" are no caps. */
const ENDINGS = ['e', 'n', 's', 'a', 'er', 'es', 'en', 'em', 'as', 'os']
/** Shorter words stand in too many others by chance. */
const SHORTEST_PIECE = 4

/**
 * What a lexicon knows of a folded text, from left to right: phrases of whole words, the longest first, then the longest
 * ending or beginning of a word, as compounds have it. Words it does not know come with an empty meaning. O(words × phrases).
 */
export function knownIn(folded: string, phrases: PhraseTable): KnownPhrase[] {
  const words = folded.split(' ').filter(Boolean)
  const found: KnownPhrase[] = []
  for (let i = 0; i < words.length;) {
    const length = [...Array(Math.min(LONGEST, words.length - i)).keys()]
      .map((n) => Math.min(LONGEST, words.length - i) - n)
      .find((n) => phrases.has(words.slice(i, i + n).join(' ')))
    if (length !== undefined) {
      const said = words.slice(i, i + length).join(' ')
      found.push({ words: said, meaning: phrases.get(said)!, whole: true })
      i += length
      continue
    }
    const word = words[i]!
    const stem = ENDINGS.map((ending) => (word.endsWith(ending) ? word.slice(0, -ending.length) : '')).find(
      (one) => one.length >= 3 && phrases.has(one),
    )
    if (stem !== undefined) {
      found.push({ words: word, meaning: phrases.get(stem)!, whole: true })
      i += 1
      continue
    }
    // What is a garment as a whole hides no colour: a "chapeau" is not of skin.
    const piece = phrases === COLOUR_PHRASES && PART_PHRASES.has(word) ? null : pieceOf(word, phrases)
    found.push(
      piece ? { words: word, meaning: phrases.get(piece)!, whole: false } : { words: word, meaning: '', whole: false },
    )
    i += 1
  }
  return found
}

function pieceOf(word: string, phrases: PhraseTable): string | null {
  for (let from = 1; word.length - from >= SHORTEST_PIECE; from++)
    if (phrases.has(word.slice(from))) return word.slice(from)
  for (let to = word.length - 1; to >= SHORTEST_PIECE; to--)
    if (phrases.has(word.slice(0, to))) return word.slice(0, to)
  return null
}

/** Pairs of letters of a text, each with how often it stands there; names of moulds are compared with every word. */
const pairsOf = memoized(
  (text: string) => {
    const counted = new Map<string, number>()
    for (let i = 0; i + 1 < text.length; i++) {
      const pair = text.slice(i, i + 2)
      counted.set(pair, (counted.get(pair) ?? 0) + 1)
    }
    return counted
  },
  (text) => text,
)

/** How alike two folded texts are, 0 to 1, by the pairs of letters they share (Dice). O(letters). */
export function alikeness(a: string, b: string): number {
  const [one, two] = [pairsOf(a), pairsOf(b)]
  let shared = 0
  for (const [pair, count] of one) shared += Math.min(count, two.get(pair) ?? 0)
  const all = Math.max(0, a.length - 1) + Math.max(0, b.length - 1)
  return all === 0 ? Number(a === b) : (2 * shared) / all
}
