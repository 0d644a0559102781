import type { Place, Stature, Weight } from '../brief/index.ts'

/** What a wish says: a trait and its target. */
type Says = readonly [trait: string, target: string]

/** A thing a character has: where it is, and what words beside it say of it. */
export interface Noun {
  /** Comma-separated; plurals in -s and -es need not be listed. */
  words: string
  place: Place
  /** What the word itself says. */
  says?: Says
  /** What it says with "no" before it; without that, such words are not understood. */
  none?: Says
  /** Trait that colours before or behind it are of; `colour` unless told, null where it has none. */
  colour?: string | null
  /** Scale that "short" or "long" before it is of, with the step for each. */
  sizes?: { trait: string; short?: string; middle?: string; long?: string; rolled?: string }
  /** Mould it means, in the words of part names; where there is none, `says` alone holds. */
  shape?: string
  /** Colours that are called otherwise here: "dark hair", "fair skin". */
  calls?: Readonly<Record<string, string>>
  /** Patterns before it are of this place. */
  patterned?: boolean
  /** It is worn over others of its place and seen instead of them: a coat over a shirt. */
  over?: true
  /** A colour it has unless another is said: jeans are blue. */
  usual?: string
}

/** A word that says something by itself: curly, smiling. */
export interface Quality {
  words: string
  place: Place
  says: Says
}

/**
 * What words of a language mean. Another language is another such table; phrases are compared without capitals, accents and
 * signs, the longest first.
 */
export interface Language {
  nouns: readonly Noun[]
  qualities: readonly Quality[]
  /** Patterns of cloth, by the value of the trait. */
  patterns: Readonly<Record<string, string>>
  /** Sizes, by step. */
  sizes: Readonly<Record<'short' | 'middle' | 'long' | 'rolled', string>>
  /** Colours as sRGB, with what they are called. */
  colours: Readonly<Record<string, string>>
  lighter: string
  darker: string
  weights: Readonly<Partial<Record<Weight, string>>>
  /** Words that say a thing is not there. */
  not: string
  /** Words that go on with a "not": "no hat or gloves". */
  or: string
  /** People, with what the word says of their age and height. */
  people: readonly { words: string; age?: 'child' | 'old'; stature?: Stature }[]
  old: string
  young: string
  /** Of people: how tall. */
  tall: Readonly<Partial<Record<Stature, string>>>
  /** Abilities by key. */
  abilities: Readonly<Record<string, string>>
  /** Words before a colour that dress the whole figure in it. */
  allIn: string
  /** Words that join others and say nothing. */
  joining: string
  /** Years in a text: the first group is the number, or the second the first of ten ("sixties" by `decades`). */
  years: readonly RegExp[]
  decades: Readonly<Record<string, number>>
  /** What words end in when they are bent ("roter", "rotes"); as in English where it is not told. */
  endings?: readonly string[]
  /** Words behind which a stop ends no clause. */
  abbreviated?: string
  /** Whether words are put together, so that the last of them is the thing: "Regenjacke" is a "Jacke". */
  compounds?: boolean
}
