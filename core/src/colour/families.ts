import { fold } from '../base/index.ts'
import { COLOUR_WORDS } from './colourWords.ts'

/** Families in the order people lay colours out: skin, then neutral, then round the wheel. */
export const FAMILIES = [
  'skin',
  'white',
  'grey',
  'black',
  'brown',
  'red',
  'orange',
  'yellow',
  'green',
  'blue',
  'purple',
  'pink',
] as const

const FAMILY_OF: ReadonlyMap<string, string> = new Map(
  Object.values(COLOUR_WORDS).flatMap((list) => {
    const words = list.split(',').map(fold)
    const family = FAMILIES.find((one) => words.includes(one) || (one === 'skin' && words.includes('dark skin')))
    return family === undefined ? [] : words.map((word): [string, string] => [word, family])
  }),
)

/** The family somebody's word names, in any of the languages lists are read in; a family of their own stays as it is. */
export const familyNamed = (words: string): string => FAMILY_OF.get(fold(words)) ?? words
