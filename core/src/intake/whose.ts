import { fold } from '../base/index.ts'
import { NO_NAME_WORDS } from './lexicon.ts'
import { wordList } from './words.ts'

const NO_NAMES = new Set(wordList(NO_NAME_WORDS).flatMap((words) => words.split(' ')))
const SHORTEST = 3

/**
 * Whose prices a file holds, by its name: "Preise Lotte 11-2026.csv" are Lotte's. Empty where nothing is left of the name but
 * words every list is called by. A seller there is is named as they are.
 */
export function whoseIn(fileName: string, sellers: readonly { name: string }[]): string {
  const words = fileName
    .replace(/\.[^.]{1,5}$/, '')
    // What stands in brackets says which list it is.
    .replaceAll(/\([^)]*\)/g, ' ')
    .split(/[^\p{L}\p{M}']+/u)
    .filter((word) => fold(word).length >= SHORTEST && !NO_NAMES.has(fold(word)))
  const name = words.map((word) => word[0]!.toLocaleUpperCase() + word.slice(1)).join(' ')
  return sellers.find((one) => fold(one.name) === fold(name))?.name ?? name
}
