import { fold, memoized } from '../base/index.ts'
import { coloursInText, MAIN_PIECE, type Colour, type Finish, type Mould } from '../catalogue/index.ts'
import { colourDifference, toned } from '../colour/index.ts'
import { guessPart } from '../tables/index.ts'
import { AND_WORDS, SHAPE_WORDS, TONE_WORDS, WITH_WORDS } from './lexicon.ts'
import type { OwnKind } from './made.ts'
import { alikeness, COLOUR_PHRASES, knownIn, NEAR_PHRASES, PART_PHRASES, wordList, WORN_PHRASES } from './words.ts'

/** A colour a text may mean, the likeliest first. */
export interface ColourMatch {
  /** Code of the palette colour to take; null where nothing is near. */
  code: string | null
  /** Others that may be meant, with how far each is from what was said (CIEDE2000; null by likeness of names alone). */
  candidates: { code: string; deltaE: number | null }[]
  /** What the words say the colour is, as sRGB; null where they say none. */
  hex: string | null
  /** Whether it need not be asked: the palette's own name, or plain words for a colour. */
  sure: boolean
}

const TONES = Object.entries(TONE_WORDS).flatMap(([tone, list]) => wordList(list).map((word) => ({ tone, word })))
const FINISH_OF: Readonly<Record<string, Finish>> = { clear: 'clear', metal: 'metal', pearl: 'pearl', glow: 'glow' }
const AND = new Set(wordList(AND_WORDS))
const METALS = new Set(['#C8A13C', '#B5BAC0'])
const CANDIDATES = 4
/** Names further apart than this are other names. */
const NEAR_NAME = 0.6
/** Beyond this a palette has nothing like it, and a new colour is the better answer. */
const FAR_COLOUR = 18

/** The tone words of a folded text, and what is left of it. Tones stand before colours also without a blank. */
function tonesIn(folded: string): { tones: string[]; rest: string } {
  const tones: string[] = []
  const rest = folded.split(' ').flatMap((word) => {
    const whole = TONES.find((tone) => tone.word === word)
    if (whole) {
      tones.push(whole.tone)
      return []
    }
    const start = TONES.find(
      (tone) => tone.word.length >= 4 && word.startsWith(tone.word) && COLOUR_PHRASES.has(word.slice(tone.word.length)),
    )
    if (!start || COLOUR_PHRASES.has(word)) return [word]
    tones.push(start.tone)
    return [word.slice(start.word.length)]
  })
  return { tones, rest: rest.join(' ') }
}

/** The finish words tell of, such as "clear" or "perlmutt"; null for none. */
export function finishIn(text: string): Finish | null {
  const { tones } = tonesIn(fold(text))
  return tones.map((tone) => FINISH_OF[tone]).find((one) => one !== undefined) ?? null
}

/** The palette colour words stand for: by its name, as a code such as #AABBCC, or as plain words in some language. O(palette). */
export function matchColour(text: string, palette: readonly Colour[]): ColourMatch {
  const folded = fold(text)
  const exact = palette.find(({ code, name }) => fold(name) === folded || fold(code) === folded)
  if (exact) return { code: exact.code, candidates: [{ code: exact.code, deltaE: 0 }], hex: exact.hex, sure: true }
  const written = /#([0-9a-f]{6})\b/i.exec(text)
  if (written) return nearest(`#${written[1]!.toUpperCase()}`, 'solid', palette, true)
  const whole = knownIn(folded, COLOUR_PHRASES)
  // "Dark skin" and "light blue" are names of their own before they are tones of others.
  const named = whole.length === 1 && whole[0]!.whole && whole[0]!.meaning !== ''
  const { tones, rest } = named ? { tones: [], rest: folded } : tonesIn(folded)
  const known = knownIn(rest, COLOUR_PHRASES)
  const [said] = known.filter(({ meaning }) => meaning !== '')
  const toneFinish = tones.map((tone) => FINISH_OF[tone]).find((one) => one !== undefined)
  // Gold and silver are metal unless hair is meant, which nobody can tell from the word alone.
  const finish = toneFinish ?? (said && METALS.has(said.meaning) ? 'metal' : 'solid')
  if (said) {
    const [tone] = (['light', 'dark'] as const).filter((one) => tones.includes(one))
    return nearest(
      tone ? toned(said.meaning, tone) : said.meaning,
      finish,
      palette,
      known.every(({ words, meaning, whole: all }) => (meaning !== '' && all) || AND.has(words)),
    )
  }
  if (finish === 'clear')
    return nearest(
      '#E8F0F2',
      finish,
      palette,
      known.every(({ words }) => words === ''),
    )
  // Names that are nearly one of the palette's.
  const alike = palette
    .map(({ code, name, hex }) => ({ code, hex, like: alikeness(fold(name), folded) }))
    .filter(({ like }) => like >= NEAR_NAME)
    .sort((a, b) => b.like - a.like)
    .slice(0, CANDIDATES)
  return {
    code: alike[0]?.code ?? null,
    candidates: alike.map(({ code }) => ({ code, deltaE: null })),
    hex: alike[0]?.hex ?? null,
    sure: false,
  }
}

function nearest(hex: string, finish: Finish, palette: readonly Colour[], sure: boolean): ColourMatch {
  const kin = palette.filter((colour) => colour.finish === finish)
  const candidates = (kin.length > 0 ? kin : palette)
    // Skin is named as such; a brown cap is not the colour of a face.
    .filter(({ family }) => family !== 'skin' || ['#EBB98E', '#54321F'].includes(hex))
    .map((colour) => ({ code: colour.code, deltaE: colourDifference(hex, colour.hex) }))
    .sort((a, b) => a.deltaE - b.deltaE)
    .slice(0, CANDIDATES)
  const [best] = candidates
  // Of clear or metal colours there are few; the nearest hue is meant.
  const near =
    best !== undefined && best.deltaE <= (finish === 'solid' || kin.length === 0 ? FAR_COLOUR : 3 * FAR_COLOUR)
  return { code: near ? best.code : null, candidates, hex, sure: sure && near }
}

/** What words say a part is. */
export interface PartMatch {
  mould: string | null
  /** Moulds it may be, the likeliest first. */
  candidates: string[]
  sure: boolean
  /** A colour the words themselves name; null for none. */
  colourWords: string | null
  /** Whether they speak of a print. */
  printed: boolean
  /** The words in English, as guessers of prints read them. */
  english: string
  /** How it is worn, should it be a shape of its own. */
  worn: OwnKind
}

/** The words of a folded name as English: what the lexicon knows, and the rest as it stands. */
export const inEnglish = (name: string): string =>
  knownIn(fold(name), PART_PHRASES)
    .map(({ words, meaning }) => (meaning === '' ? words : meaning))
    .join(' ')

/** Words that only join others. */
const JOINING = new Set(['and', 'with', 'of', 'on', 'a', 'the', 'in'])
const tellingWords = memoized(
  (name: string) =>
    fold(name)
      .split(' ')
      .filter((word) => !JOINING.has(word)),
  (name) => name,
)

const foldedName = memoized(fold, (name) => name)
const SHAPES = new Set(wordList(SHAPE_WORDS))
const WITH = new Set(wordList(WITH_WORDS))

/** Kinds whose words leave no doubt which mould is meant, where the catalogue has a plain one. */
const PLAIN_KINDS = new Set([
  'head',
  'torso',
  'dressed-torso',
  'hand',
  'arm-left',
  'arm-right',
  'hips',
  'leg-pair',
  'leg-left',
  'leg-right',
])

/** What stands before "with": the thing itself, where a list says what is on it; null where nothing does. */
function thingItself(folded: string): string | null {
  const words = folded.split(' ')
  const at = words.findIndex((word) => WITH.has(word))
  return at > 0 ? words.slice(0, at).join(' ') : null
}

/**
 * Which mould the words of a list mean, whatever language they are in; `ranked`: with others it may be. Where all of it leaves that open,
 * the thing itself may tell: a shirt with a lion is a shirt. O(moulds).
 */
export function matchPart(
  name: string,
  palette: readonly Colour[],
  moulds: readonly Mould[],
  options: { ranked?: boolean } = {},
): PartMatch {
  const found = matchWords(name, palette, moulds, options)
  const thing = thingItself(fold(name))
  if (thing === null) return found
  const own = matchWords(thing, palette, moulds, options)
  const pieceOf = (code: string | null) => {
    const kind = moulds.find((mould) => mould.code === code)?.kind
    return kind && (MAIN_PIECE[kind] ?? kind)
  }
  const kind = moulds.find(({ code }) => code === own.mould)?.kind
  const isPlain = own.sure && kind !== undefined && PLAIN_KINDS.has(kind)
  // What is on a thing is not how it is worn: a helmet with wings goes on the head.
  if (!isPlain) return found.mould === null && own.mould !== null ? { ...own, english: found.english } : found
  // A torso with arms is a shape of its own, a shirt with braces is not made of trousers.
  if (found.sure && pieceOf(found.mould) === pieceOf(own.mould)) return found
  return { ...found, mould: own.mould, candidates: own.candidates, sure: true, printed: true }
}

function matchWords(
  name: string,
  palette: readonly Colour[],
  moulds: readonly Mould[],
  { ranked: looks = true } = {},
): PartMatch {
  const english = inEnglish(name)
  const guessed = guessPart(english, palette, moulds)
  // "Long" alone is no hair, and a short sword no legs.
  const isShape = guessed.mouldWords !== '' && guessed.mouldWords.split(' ').every((word) => SHAPES.has(word))
  const guess = isShape ? { ...guessed, mould: null, kind: null } : guessed
  const folded = fold(name)
  const said = new Set(english.split(' '))
  const rank = (): { code: string; score: number }[] =>
    moulds
      .map((mould) => {
        const own = tellingWords(mould.name)
        const shared = own.filter((word) => said.has(word) && !SHAPES.has(word)).length
        const kin = guess.kind !== null && mould.kind === guess.kind ? 1 : 0
        return {
          code: mould.code,
          score: 2 * shared + kin + alikeness(foldedName(mould.name), folded) + Number(mould.code === guess.mould),
        }
      })
      .filter(({ score }) => score >= 0.7)
      .sort((a, b) => b.score - a.score)
  const found = moulds.find(({ code }) => code === guess.mould)
  const nameSaid = found ? tellingWords(found.name).every((word) => said.has(word)) : false
  const spokenOf = knownIn(folded, PART_PHRASES)
  const lexicon = spokenOf.some(({ meaning, whole }) => meaning !== '' && whole)
  const near = spokenOf.some(({ words }) => NEAR_PHRASES.has(words))
  const colour = coloursInText(folded, palette)[0]
  const worn = wornBy(folded)
  const sure =
    found !== undefined &&
    !near &&
    (worn === null || nameSaid) &&
    (nameSaid || (lexicon && PLAIN_KINDS.has(found.kind)))
  // Nobody is asked about what is sure.
  const colourWords = colour?.words ?? colourSaid(folded)
  const inColour = new Set((colourWords ?? '').split(' '))
  // A shape and a colour alone are alike to names of moulds by chance.
  const isBare =
    guess.mould === null && folded.split(' ').every((word) => inColour.has(word) || SHAPES.has(inEnglish(word)))
  const ranked = sure || !looks || isBare ? [] : rank()
  return {
    // A top hat is none of the shapes that only share a word with it.
    mould: worn === null || nameSaid || near ? (guess.mould ?? ranked[0]?.code ?? null) : null,
    candidates: [...new Set([...(guess.mould ? [guess.mould] : []), ...ranked.map(({ code }) => code)])].slice(
      0,
      CANDIDATES,
    ),
    sure,
    colourWords,
    printed: guess.printed && (found ? (MAIN_PIECE[found.kind] ?? found.kind) !== 'headgear' : false),
    english,
    worn: worn ?? 'held',
  }
}

/** Whether words name a colour, with its tones, and nothing else. */
export const namesColour = (text: string): boolean => fold(text) !== '' && colourSaid(fold(text)) === fold(text)

/** Words of a folded text that say its colour, with the tones that stand beside them or in one word with it; null for none. */
function colourSaid(folded: string): string | null {
  const said = knownIn(folded, COLOUR_PHRASES).map(({ words, meaning }) => {
    const { tones, rest } = tonesIn(words)
    return { words, tone: tones.length > 0 && rest === '', colour: meaning !== '' || (tones.length > 0 && rest !== '') }
  })
  const beside = (i: number) => said[i]?.colour === true
  const words = said.flatMap(({ words: own, tone, colour }, i) =>
    colour || (tone && (beside(i - 1) || beside(i + 1))) ? own : [],
  )
  return said.some(({ colour }) => colour) ? words.join(' ') : null
}

const KINDS_WORN = new Set<string>(['headgear', 'neck', 'waist', 'beside'])

/** How a thing is worn by what it is called; null where nothing is known of it. */
function wornBy(folded: string): OwnKind | null {
  // A word for a part of the body is no thing that only stands in it: there is no bear in a torso.
  const worn = knownIn(folded, WORN_PHRASES).find(
    ({ words, meaning, whole }) => KINDS_WORN.has(meaning) && (whole || !PART_PHRASES.has(words)),
  )
  return (worn?.meaning as OwnKind | undefined) ?? null
}
