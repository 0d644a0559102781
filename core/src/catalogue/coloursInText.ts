import { own } from '../base/index.ts'
import { lightnessOf, type Tone } from '../colour/index.ts'
import type { Colour } from './types.ts'

/** A colour named in a text: its code and the words that name it. */
export interface NamedColour {
  code: string
  words: string
  /** Whether the palette itself has this name; otherwise it was taken from a plain colour word. */
  exact: boolean
}

/** Lightness (CIELAB, 0 to 100) a tone word asks for. */
const TONE_LIGHTNESS: Record<Tone, number> = { dark: 25, middle: 55, light: 82 }

/** Plain words people write for a family of colours. */
const FAMILY_WORDS: Record<string, string> = {
  red: 'red',
  blue: 'blue',
  navy: 'blue',
  green: 'green',
  yellow: 'yellow',
  gold: 'yellow',
  golden: 'yellow',
  orange: 'orange',
  brown: 'brown',
  tan: 'brown',
  black: 'black',
  white: 'white',
  grey: 'grey',
  gray: 'grey',
  silver: 'grey',
  pink: 'pink',
  purple: 'purple',
  violet: 'purple',
}

const FINISH_WORDS: Record<string, Colour['finish']> = {
  clear: 'clear',
  transparent: 'clear',
  metallic: 'metal',
  chrome: 'metal',
  silver: 'metal',
  gold: 'metal',
  golden: 'metal',
  pearl: 'pearl',
  glow: 'glow',
}

const escaped = (text: string) => text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')

/** `alternatives` as whole words, the longest first. */
const wholeWords = (alternatives: string) => new RegExp(`(?<![\\p{L}\\p{N}])${alternatives}(?![\\p{L}\\p{N}])`, 'gu')

const PLAIN = wholeWords(
  `((?:(?:dark|light|pale|bright|${Object.keys(FINISH_WORDS).join('|')})[ -])*)(${Object.keys(FAMILY_WORDS).join('|')})`,
)

/** A palette made ready for reading: its names and codes as one pattern. */
interface ReadablePalette {
  names: RegExp
  codes: Map<string, string>
}

/** Imports read tens of thousands of names against one palette, so its pattern is made once. */
const readable = new WeakMap<readonly Colour[], ReadablePalette>()

function readableOf(palette: readonly Colour[]): ReadablePalette {
  const known = readable.get(palette)
  if (known) return known
  const codes = new Map(palette.flatMap(({ code, name }) => [name, code].map((word) => [word.toLowerCase(), code])))
  const alternatives = [...codes.keys()].sort((a, b) => b.length - a.length).map(escaped)
  const made = { names: wholeWords(`(?:${alternatives.join('|') || '$^'})`), codes }
  readable.set(palette, made)
  return made
}

/**
 * Colours a text names, in the order they stand: palette names and codes first (the longest wins), then plain words such
 * as "dark red" or "clear blue", taken as the palette colour of that family and finish whose lightness is nearest.
 * O(text) once the palette was read.
 */
export function coloursInText(text: string, palette: readonly Colour[]): NamedColour[] {
  const { names, codes } = readableOf(palette)
  const found: (NamedColour & { at: number })[] = []
  const rest = text.toLowerCase().replace(names, (words, at: number) => {
    found.push({ at, code: codes.get(words)!, words, exact: true })
    return '\u0000'.repeat(words.length)
  })
  for (const match of rest.matchAll(PLAIN)) {
    const [words, before = '', word = ''] = match
    const code = ofFamily(own(FAMILY_WORDS, word)!, `${before} ${word}`, palette)
    if (code !== null) found.push({ at: match.index, code, words, exact: false })
  }
  return found.sort((a, b) => a.at - b.at).map(({ code, words, exact }) => ({ code, words, exact }))
}

function ofFamily(family: string, words: string, palette: readonly Colour[]): string | null {
  const said = words.split(/[ -]+/)
  const tone: Tone =
    said.includes('dark') || said.includes('navy') ? 'dark' : /light|pale/.test(words) ? 'light' : 'middle'
  const finish = said.flatMap((word) => own(FINISH_WORDS, word) ?? [])[0] ?? 'solid'
  const inFamily = palette.filter((colour) => colour.family === family)
  const candidates = inFamily.filter((colour) => colour.finish === finish)
  const wanted = family === 'black' || family === 'white' ? (family === 'black' ? 10 : 95) : TONE_LIGHTNESS[tone]
  const distance = ({ hex }: Colour) => Math.abs(lightnessOf(hex) - wanted)
  const [best] = [...(candidates.length ? candidates : inFamily)].sort((a, b) => distance(a) - distance(b))
  return best?.code ?? null
}
