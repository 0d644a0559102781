import { coloursInText, MAIN_PIECE, type Colour, type Mould, type PartKind, type Traits } from '../catalogue/index.ts'
import { printRecipeOf } from '../mannequin/index.ts'

/** What a name lets one guess of a part: null or empty where it says nothing. */
export interface PartGuess {
  kind: PartKind | null
  mould: string | null
  /** The words the mould was guessed from, which a correction in bulk goes by; empty when none was known. */
  mouldWords: string
  colours: { code: string; words: string }[]
  /** Garment, sleeve, hair and other traits a print made for it gets. */
  traits: Traits
  /** Whether the words speak of a print. */
  printed: boolean
}

/** Words that tell the kind of a part, those that decide first. Who says torso means it, whatever is printed on it. */
const KINDS: readonly (readonly [RegExp, PartKind])[] = [
  [
    /\b((?:torso|body|jacket|coat|shirt|jersey|jumper|sweater|blouse|tunic)\b(?!.*\b(?:without|left|right)\b).*\b(?<!coat of )arms?)\b/,
    'dressed-torso',
  ],
  [/\b(torso\b.*\b(?:complete|assembly))\b/, 'dressed-torso'],
  [/\b(torso)\b/, 'torso'],
  [/\b(hips?)\b/, 'hips'],
  [/\b(skirt|gown|dress|fish tail)\b/, 'lower'],
  [/\b(left legs?|leg left)\b/, 'leg-left'],
  [/\b(right legs?|leg right)\b/, 'leg-right'],
  [/\b(legs?|trousers|pants|shorts)\b/, 'leg-pair'],
  [/\b(left arm|arm left|left sleeve)\b/, 'arm-left'],
  [/\b(right arm|arm right|right sleeve)\b/, 'arm-right'],
  [/\b(?<!coat of )(arms?)\b/, 'arm-right'],
  [/\b(hands?|mitts?|gloves?)\b/, 'hand'],
  [
    /\b(hair|wig|braids?|plaits?|ponytail|pony tail|bun|locs|curls|bob|helmet|hat|cap|beret|hood|crown|headscarf|visor|headgear)\b/,
    'headgear',
  ],
  [/\b(head|face)\b/, 'head'],
  [/\b(mask|goggles)\b/, 'face'],
  [/\b(cape|cloak|shawl|scarf|vest|satchel|backpack|pack|medal|towel|collar piece|armou?r)\b/, 'neck'],
  [/\b(belt|apron|sash|coat-?tails)\b/, 'waist'],
  [/\b(cuffs?|bangles?|bracelet|gauntlet)\b/, 'wrist'],
  [/\b(riser|stand|plinth|pontoon)\b/, 'feet'],
  [/\b(cat|dog|otter|heron|gull|bird|crate|barrel|bollard)\b/, 'beside'],
  [/\b(torso|body|jacket|coat|shirt|jersey|jumper|sweater|blouse|tunic|waistcoat|overalls|cardigan|fleece)\b/, 'torso'],
]

/** Words for traits of garments and hair. */
const TRAITS: readonly (readonly [RegExp, Traits])[] = [
  [/\bjacket|blazer\b/, { garment: 'jacket' }],
  [/\bcoat\b/, { garment: 'coat', runsOn: 'coat' }],
  [/\b(shirt|tee)\b/, { garment: 'shirt' }],
  [/\b(jumper|sweater|knit)/, { garment: 'jumper' }],
  [/\bjersey\b/, { garment: 'jersey' }],
  [/\boveralls|dungarees\b/, { garment: 'overalls' }],
  [/\bwaistcoat\b/, { garment: 'waistcoat' }],
  [/\bshort sleeves?\b/, { sleeve: 'short' }],
  [/\blong sleeves?\b/, { sleeve: 'long' }],
  [/\bstrip/, { pattern: 'stripes' }],
  [/\bcheck/, { pattern: 'checks' }],
  [/\bglasses\b/, { glasses: 'yes' }],
  [/\bbeard\b/, { beard: 'full' }],
  [/\bold style\b/, { style: 'old' }],
  [/\bboots?\b/, { boot: 'tall' }],
]

const words = (text: string) => text.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? []
const WEAK = new Set(['with', 'and', 'the', 'in', 'of', 'a', 'on', 'full', 'right', 'left'])

/** Moulds with their words, made ready once for an import. */
const readable = new WeakMap<readonly Mould[], { mould: Mould; words: Set<string>; name: Set<string> }[]>()

function readableOf(moulds: readonly Mould[]) {
  const known =
    readable.get(moulds) ??
    moulds.map((mould) => ({
      mould,
      name: new Set(words(mould.name).filter((word) => !WEAK.has(word))),
      words: new Set(words(`${mould.name} ${Object.entries(mould.traits).flat().join(' ')}`)),
    }))
  readable.set(moulds, known)
  return known
}

function kindIn(text: string): { kind: PartKind; word: string } | null {
  for (const [pattern, kind] of KINDS) {
    const match = pattern.exec(text)
    if (match) return { kind, word: match[1] ?? match[0] }
  }
  return null
}

/** Where no shape of torsos with arms is known, who speaks of one means its torso. */
function kindAmong(moulds: readonly Mould[], named: ReturnType<typeof kindIn>): ReturnType<typeof kindIn> {
  if (named?.kind !== 'dressed-torso' || readableOf(moulds).some(({ mould }) => mould.kind === named.kind)) return named
  return { ...named, kind: 'torso' }
}

/** Whether a text names the side a mould is not for. */
const otherSide = (said: ReadonlySet<string>, { kind }: Mould) =>
  (kind.endsWith('-left') && said.has('right')) || (kind.endsWith('-right') && said.has('left'))

/**
 * The mould whose name shares most words with a text; among the moulds of the kind the text names, if it names one. A
 * mould none of whose own name is in the text is taken only when the kind is known.
 */
function mouldIn(text: string, kind: PartKind | null, moulds: readonly Mould[]) {
  const said = new Set(words(text))
  // Two words or more of a name, all of them in the text, say more than any single word does.
  const [whole] = readableOf(moulds)
    .filter(({ name, mould }) => name.size > 1 && [...name].every((word) => said.has(word)) && !otherSide(said, mould))
    .filter(({ mould }) => !said.has('torso') || mould.kind.endsWith('torso'))
    .sort((a, b) => b.name.size - a.name.size)
  if (whole) return { mould: whole.mould, score: Infinity, shared: [...whole.name] }
  let best: { mould: Mould; score: number; shared: string[] } | null = null
  for (const entry of readableOf(moulds)) {
    if (kind !== null && entry.mould.kind !== kind) continue
    const shared = [...entry.name].filter((word) => said.has(word))
    if (kind === null && shared.length === 0) continue
    const loose = [...entry.words].filter((word) => said.has(word)).length
    const score = shared.length * 2 + loose - entry.name.size * 0.3
    if (!best || score > best.score) best = { mould: entry.mould, score, shared }
  }
  return best
}

/**
 * Guess kind, mould, colours and traits of a part from its name. Deterministic; the first mould wins a tie. O(moulds).
 */
export function guessPart(name: string, palette: readonly Colour[], moulds: readonly Mould[]): PartGuess {
  const text = name.toLowerCase()
  const named = kindAmong(moulds, kindIn(text))
  const found = mouldIn(text, named?.kind ?? null, moulds)
  const kind = found?.mould.kind ?? named?.kind ?? null
  const colours = coloursInText(text, palette).map(({ code, words: said }) => ({ code, words: said }))
  const traits = Object.assign({}, ...TRAITS.filter(([pattern]) => pattern.test(text)).map(([, own]) => own)) as Traits
  const printOn = kind && (MAIN_PIECE[kind] ?? kind)
  const recipe = printOn && printRecipeOf({ name, colours: [] }, { name: '', front: [], back: [] }, printOn, palette)
  const printed =
    kind === 'head' ? !/\b(plain|blank)\b/.test(text) : recipe !== null && recipe.front.length + recipe.back.length > 0
  return {
    kind,
    mould: found?.mould.code ?? null,
    mouldWords: [...new Set([...(found?.shared ?? []), ...(named ? [named.word] : [])])].join(' '),
    colours,
    traits,
    printed,
  }
}
