import { fold } from '../base/index.ts'
import type { Language, Noun } from './language.ts'

/** A language told by what another calls things: the first phrase of each there, with its phrases here. */
interface Translation extends Omit<Language, 'nouns' | 'qualities'> {
  things: Readonly<Record<string, string>>
  qualities: Readonly<Record<string, string>>
  /** What colours of hair and skin are called by, such as "dark" and "fair". */
  calls: Readonly<Record<string, string>>
  endings: readonly string[]
}

const first = (words: string) => words.split(',')[0]!.trim()

/**
 * A language by its words alone: what a thing is, where it is worn and what may be said of it is of no language, and is taken
 * from another. What it has no word for, it does not know.
 *
 * @throws Error where it names a thing or a quality that the other does not have: a slip in the table.
 */
export function translated(base: Language, { things, qualities, calls, ...rest }: Translation): Language {
  const known = {
    things: base.nouns.map(({ words }) => first(words)),
    qualities: base.qualities.map(({ words }) => first(words)),
  }
  const odd = [
    ...Object.keys(things).filter((word) => !known.things.includes(word)),
    ...Object.keys(qualities).filter((word) => !known.qualities.includes(word)),
  ]
  if (odd.length > 0) throw new Error(`These words are of no thing: ${odd.join(', ')}`)
  const bent = (own: NonNullable<Noun['calls']>) =>
    Object.fromEntries(
      Object.entries(own).flatMap(([word, hex]) =>
        (calls[word] ?? '')
          .split(',')
          .map(fold)
          .filter(Boolean)
          .flatMap((stem) => ['', ...rest.endings].map((ending): [string, string] => [stem + ending, hex])),
      ),
    )
  return {
    ...rest,
    nouns: base.nouns.flatMap((noun): Noun[] => {
      const words = things[first(noun.words)]
      return words === undefined ? [] : [{ ...noun, words, ...(noun.calls ? { calls: bent(noun.calls) } : {}) }]
    }),
    qualities: base.qualities.flatMap((quality) => {
      const words = qualities[first(quality.words)]
      return words === undefined ? [] : [{ ...quality, words }]
    }),
  }
}
