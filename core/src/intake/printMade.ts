import { fold } from '../base/index.ts'
import { MAIN_PIECE, type Colour, type Layer, type PartKind, type Print } from '../catalogue/index.ts'
import { lightnessOf } from '../colour/index.ts'
import { printRecipeOf } from '../mannequin/index.ts'
import { guessPart } from '../tables/index.ts'
import { inEnglish, matchColour } from './match.ts'
import { COLOUR_PHRASES, knownIn } from './words.ts'

/** What shows only in another colour than the cloth; what is cut of the cloth itself (a jacket, a pocket) has its colour. */
const SET_OFF = new Set(
  'stripes,checks,hoops,band,waves,sash,shirt,waistcoat,apron,overalls,harness,crossed-straps,collar,lapels,tie,stripe,dots,cuff,mark'.split(
    ',',
  ),
)
const HAIRY = new Set(['beard', 'moustache', 'stubble'])

/** Beyond this lightness (CIELAB) something dark is set off against cloth, below it something light. */
const LIGHT = 60

export type MadePrint = Pick<Print, 'front' | 'back' | 'traits'>

/**
 * The print of a part that is only named, in whatever language: layers drawn from its words, in the colours they name, or
 * its colour was told with (`inks`), or else in one that shows, and the traits of what is drawn. O(words × lexicon).
 */
export function printMade(
  name: string,
  { colour, inks }: { colour: string; inks: readonly string[] },
  kind: PartKind,
  palette: readonly Colour[],
): MadePrint {
  const english = inEnglish(name)
  const named = knownIn(fold(name), COLOUR_PHRASES).flatMap(({ words, meaning }) =>
    meaning === '' ? [] : (matchColour(words, palette).code ?? []),
  )
  const on = MAIN_PIECE[kind] ?? kind
  const { front, back } = printRecipeOf(
    { name: english, colours: [colour, ...named, ...inks] },
    { name: '', front: [], back: [] },
    on,
    palette,
  )
  const hex = palette.find(({ code }) => code === colour)?.hex
  const set = (word: string) => matchColour(word, palette).code
  const cloth = hex !== undefined && lightnessOf(hex) > LIGHT ? set('black') : set('cream')
  const shown = (layer: Layer): Layer => {
    const ink = SET_OFF.has(layer.kind) ? cloth : HAIRY.has(layer.kind) ? set('brown') : null
    return ink === null || 'colour' in layer ? layer : { ...layer, colour: ink }
  }
  return { front: front.map(shown), back: back.map(shown), traits: guessPart(english, palette, []).traits }
}

/** Codes of the colours a print is in. */
export const inksOf = ({ front, back }: Pick<MadePrint, 'front' | 'back'>, palette: ReadonlySet<string>): string[] =>
  [...new Set([...front, ...back].flatMap((layer) => Object.values(layer).map(String)))].filter((word) =>
    palette.has(word),
  )
