import leven from 'leven'
import type { Colour } from '../catalogue/index.ts'
import type { Language } from './language.ts'
import { foldWord, wordsOf, type Meaning, type Vocabulary } from './vocabulary.ts'

/** A word of a text. */
export interface Token {
  from: number
  to: number
  word: string
  /** A comma, a stop or the like stands behind it. */
  ends: boolean
}

const TOKEN = /[\p{L}\p{N}]+(?:['’][\p{L}]+)*/gu
const ENDS = /[,;.!?()\n/+]/
const LONGEST_PHRASE = 4
/** Letters of a thing at the end of a longer word. */
const SHORTEST_PIECE = 4
/** Letters from which a slip of one letter is mended, and one of two. */
const SLIP = { one: 5, two: 8 }

/** The words of a text, and what phrases of them may mean. */
export class Phrases {
  readonly tokens: Token[]
  /** Colours of the palette by the words of their names. */
  private readonly colourNamed: ReadonlyMap<string, string>

  constructor(
    text: string,
    private readonly vocabulary: Vocabulary,
    palette: readonly Colour[],
    private readonly language: Pick<Language, 'endings' | 'compounds' | 'abbreviated'> = {},
  ) {
    this.colourNamed = new Map(palette.map(({ name, hex }) => [wordsOf(name).join(' '), hex]))
    const shortened = new Set((language.abbreviated ?? '').split(',').map(foldWord))
    const found = [...text.matchAll(TOKEN)]
    this.tokens = found.map((match, i) => {
      const to = match.index + match[0].length
      const gap = text.slice(to, found[i + 1]?.index ?? text.length)
      const word = foldWord(match[0])
      const ends = ENDS.test(shortened.has(word) ? gap.replace('.', '') : gap)
      return { from: match.index, to, word, ends: i + 1 === found.length || ends }
    })
  }

  /** The longest phrase that begins at a token, with what it may be; nothing known has the length 1. */
  meaningAt(i: number): { length: number; meanings: (readonly Meaning[])[]; mended?: string } {
    const longest = Math.min(LONGEST_PHRASE, this.clauseLength(i))
    for (let length = longest; length > 0; length--) {
      const words = this.tokens.slice(i, i + length).map(({ word }) => word)
      const meanings = this.lookUp(words)
      // Colours may be called like things: rope is one, unless a thing stands behind it.
      const colour =
        meanings && isThing(meanings) && !this.thingAt(i + length) ? null : this.colourNamed.get(words.join(' '))
      if (colour) return { length, meanings: [[{ is: 'colour', hex: colour }]] }
      if (meanings) return { length, meanings: [meanings] }
    }
    const { word } = this.tokens[i]!
    for (let cut = 3; word.length - cut >= 3; cut++) {
      const [one, other] = [this.lookUp([word.slice(0, cut)]), this.lookUp([word.slice(cut)])]
      if (
        one &&
        other &&
        (isAdjective(one) ? isThing(other) : this.language.compounds && isTone(one) && isColour(other))
      )
        return { length: 1, meanings: [one, other] }
    }
    const piece = this.language.compounds ? this.pieceOf(word) : undefined
    if (piece) return { length: 1, meanings: [piece] }
    const mended = this.slipOf(word)
    return mended ? { length: 1, meanings: [this.vocabulary.get(mended)!], mended } : { length: 1, meanings: [] }
  }

  /** Whether a thing or a person is said at a token, in the same clause as the one before it; with `noPerson` a thing alone. */
  thingAt(i: number, noPerson = false): boolean {
    if (i >= this.tokens.length || this.tokens[i - 1]?.ends) return false
    for (let length = Math.min(LONGEST_PHRASE, this.clauseLength(i)); length > 0; length--) {
      const meanings = this.lookUp(this.tokens.slice(i, i + length).map(({ word }) => word))
      if (meanings) return isThing(meanings) && !(noPerson && meanings.some(({ is }) => is === 'person'))
    }
    return false
  }

  private clauseLength(i: number): number {
    let length = 1
    while (i + length < this.tokens.length && !this.tokens[i + length - 1]!.ends) length++
    return length
  }

  /** A phrase as it stands or as one of many. */
  lookUp(words: readonly string[]): readonly Meaning[] | undefined {
    const before = words.slice(0, -1)
    const last = words.at(-1)!
    const { endings } = this.language
    const single = endings
      ? [
          last,
          ...endings.flatMap((ending) =>
            last.endsWith(ending) && last.length - ending.length >= 3 ? [last.slice(0, -ending.length)] : [],
          ),
        ]
      : [
          last,
          ...(last.endsWith('ies') ? [`${last.slice(0, -3)}y`] : []),
          ...(last.endsWith('ves') ? [`${last.slice(0, -3)}f`] : []),
          ...(last.endsWith('es') ? [last.slice(0, -2)] : []),
          ...(last.endsWith('s') && last.length > 3 ? [last.slice(0, -1)] : [`${last}s`]),
        ]
    for (const one of single) {
      const found = this.vocabulary.get([...before, one].join(' '))
      if (found) return found
    }
    return undefined
  }

  /** The thing a word that is put together ends in. */
  private pieceOf(word: string): readonly Meaning[] | undefined {
    for (let from = 3; word.length - from >= SHORTEST_PIECE; from++) {
      const found = this.lookUp([word.slice(from)])
      if (found?.some(({ is }) => is === 'noun')) return found
    }
    return undefined
  }

  /** The one word it may be a slip of. */
  private slipOf(word: string): string | null {
    if (word.length < SLIP.one || /\d/.test(word)) return null
    const most = word.length >= SLIP.two ? 2 : 1
    let [best, least, several] = ['', most + 1, false]
    for (const [phrase, meanings] of this.vocabulary) {
      if (phrase.includes(' ') || phrase.length < SLIP.one - 1 || !(isThing(meanings) || isAdjective(meanings)))
        continue
      if (Math.abs(phrase.length - word.length) > most) continue
      const off = isSwap(word, phrase) ? 1 : leven(word, phrase)
      if (off < least) [best, least, several] = [phrase, off, false]
      else if (off === least && phrase !== best) several = true
    }
    return least <= most && !several ? best : null
  }
}

const isThing = (meanings: readonly Meaning[]) =>
  meanings.some(({ is }) => is === 'noun' || is === 'quality' || is === 'person' || is === 'ability')
const isAdjective = (meanings: readonly Meaning[]) =>
  meanings.some(({ is }) => is === 'colour' || is === 'size' || is === 'pattern' || is === 'old')

const isTone = (meanings: readonly Meaning[]) => meanings.some(({ is }) => is === 'tone')
const isColour = (meanings: readonly Meaning[]) => meanings.some(({ is }) => is === 'colour')

/** Whether two words differ by two neighbouring letters that changed places. */
function isSwap(a: string, b: string): boolean {
  if (a.length !== b.length) return false
  const off = [...a].flatMap((letter, i) => (letter === b[i] ? [] : [i]))
  return off.length === 2 && off[1] === off[0]! + 1 && a[off[0]!] === b[off[1]!] && a[off[1]!] === b[off[0]!]
}
