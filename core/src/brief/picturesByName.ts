import leven from 'leven'
import { fold } from '../base/index.ts'

/** Somebody a picture may be of. */
export interface Pictured {
  outfit: string
  name: string
  character: string
}

/** Words that cameras and people put into names of files, and that name nobody. */
const IDLE = new Set([
  'img',
  'image',
  'dsc',
  'pic',
  'picture',
  'photo',
  'foto',
  'bild',
  'ref',
  'reference',
  'scan',
  'copy',
  'kopie',
  'final',
  'new',
  'of',
  'the',
])
/** Words from this length on may have a slip of one letter. */
const LONG_WORD = 5

const wordsOf = (text: string) =>
  fold(text)
    .split(' ')
    .filter((word) => word !== '' && !IDLE.has(word) && !/^\d+$/.test(word))

const isWord = (a: string, b: string) => a === b || (Math.min(a.length, b.length) >= LONG_WORD && leven(a, b) <= 1)

/** How much of a name the words of a file say, in [0, 1], by letters; words may be written together. */
function said(file: readonly string[], name: string): number {
  const words = wordsOf(name)
  const letters = words.join('').length
  if (letters === 0) return 0
  if (file.join('') === words.join('')) return 1
  const found = words.filter((word) => file.some((one) => isWord(one, word)))
  return found.join('').length / letters
}

/**
 * Whose picture a file is by its name: the outfit whose own name, or else whose character's, it says most of. Null where it says
 * little of anybody's, or as much of two.
 */
export function picturedBy(file: string, people: readonly Pictured[]): Pictured | null {
  const words = wordsOf(file.replace(/^.*[\\/]/, '').replace(/\.\w{2,5}$/, ''))
  if (words.length === 0) return null
  // The name of the outfit decides where it says more than the character's.
  const ranked = people
    .map((one) => ({ one, share: Math.max(said(words, one.name), said(words, one.character) * 0.99) }))
    .sort((a, b) => b.share - a.share)
  const [first, second] = ranked
  if (!first || first.share < 0.4 || (second && second.share === first.share)) return null
  return first.one
}
