import type { Stature, Weight } from '../brief/index.ts'
import { fold } from '../base/index.ts'
import type { Language, Noun, Quality } from './language.ts'

/** What a phrase is in a description. */
export type Meaning =
  | { is: 'noun'; noun: Noun }
  | { is: 'quality'; quality: Quality }
  | { is: 'pattern'; value: string }
  | { is: 'size'; size: keyof Language['sizes'] }
  | { is: 'colour'; hex: string }
  | { is: 'tone'; lighter: boolean; word: string }
  | { is: 'weight'; weight: Weight }
  | { is: 'not' | 'or' | 'old' | 'young' | 'allIn' | 'joining' }
  | { is: 'person'; age?: 'child' | 'old'; stature?: Stature }
  | { is: 'tall'; stature: Stature }
  | { is: 'ability'; key: string }

/** What a phrase may be; several where it depends on what stands beside it ("short" of hair, of a man; "tanned"). */
export type Vocabulary = ReadonlyMap<string, readonly Meaning[]>

/** A word as it is compared; "captain's" is "captains". */
export const foldWord = (word: string): string => fold(word.replace(/['’]/g, ''))

/** Words of a phrase, as they are compared. */
export const wordsOf = (phrase: string): string[] =>
  phrase
    .split(/[^\p{L}\p{N}'’]+/u)
    .map(foldWord)
    .filter(Boolean)

const listed = (list: string) => list.split(',').map((phrase) => wordsOf(phrase).join(' '))

/** The phrases of a language with what they may mean. */
export function vocabularyOf(language: Language): Vocabulary {
  const known = MADE.get(language)
  if (known) return known
  const found = new Map<string, Meaning[]>()
  const add = (list: string, meaning: Meaning) => {
    for (const phrase of listed(list)) if (phrase) found.set(phrase, [...(found.get(phrase) ?? []), meaning])
  }
  for (const noun of language.nouns) add(noun.words, { is: 'noun', noun })
  for (const quality of language.qualities) add(quality.words, { is: 'quality', quality })
  for (const [value, list] of Object.entries(language.patterns)) add(list, { is: 'pattern', value })
  for (const [size, list] of Object.entries(language.sizes)) add(list, { is: 'size', size: size as 'short' })
  for (const [hex, list] of Object.entries(language.colours)) add(list, { is: 'colour', hex })
  for (const word of listed(language.lighter)) add(word, { is: 'tone', lighter: true, word })
  for (const word of listed(language.darker)) add(word, { is: 'tone', lighter: false, word })
  for (const [weight, list] of Object.entries(language.weights)) add(list, { is: 'weight', weight: weight as Weight })
  for (const { words, ...person } of language.people) add(words, { is: 'person', ...person })
  for (const [stature, list] of Object.entries(language.tall)) add(list, { is: 'tall', stature: stature as Stature })
  for (const [key, list] of Object.entries(language.abilities)) add(list, { is: 'ability', key })
  for (const is of ['not', 'or', 'old', 'young', 'allIn', 'joining'] as const) add(language[is], { is })
  MADE.set(language, found)
  return found
}

const MADE = new WeakMap<Language, Vocabulary>()
