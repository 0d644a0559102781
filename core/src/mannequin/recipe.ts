import { coloursInText, type Colour, type Layer, type Part, type PartKind, type Print } from '../catalogue/index.ts'

/** The layers a part is drawn with, and whether they were guessed from words because nobody wrote a recipe. */
export interface PrintRecipe {
  front: readonly Layer[]
  back: readonly Layer[]
  guessed: boolean
}

const NONE: PrintRecipe = { front: [], back: [], guessed: false }

/** A word that stands for layers; `C`, `D` and `E` in a setting mean the first three colours to print with. */
type Clue = readonly [words: RegExp, front: string, back?: string]

const TORSO: readonly Clue[] = [
  [/overall|dungaree/, 'overalls colour=C', 'crossed-straps colour=C'],
  [/waistcoat|gilet/, 'waistcoat colour=C'],
  [/cardigan/, 'cardigan colour=C'],
  [/coat|mantle/, 'coat colour=C shirt=D'],
  [/jacket|blazer|suit/, 'shirt colour=D,jacket colour=C', 'seam-back'],
  [/strip/, 'stripes colour=C', 'stripes colour=C'],
  [/hoop|band(?!age)/, 'band colour=C', 'band colour=C'],
  [/check|plaid|tartan/, 'checks colour=C second=D', 'checks colour=C second=D'],
  [/wave/, 'waves colour=C', 'waves colour=C'],
  [/apron/, 'apron colour=C', 'crossed-straps colour=C'],
  [/harness|strap/, 'harness colour=C', 'crossed-straps colour=C'],
  [/hood/, 'hood colour=C'],
  [/sash/, 'sash colour=C', 'sash colour=C'],
  [/lapel/, 'lapels colour=C'],
  [/zip|fleece/, 'zip'],
  [/button|shirt|blouse|tunic/, 'buttons colour=C'],
  [/pocket/, 'pockets colour=C'],
  [/collar/, 'collar colour=C'],
  [/knit|jumper|sweater/, 'cable', 'cable'],
  [/\btie\b/, 'tie colour=C'],
  [/belt/, 'belt', 'belt'],
  [/badge/, 'badge colour=C'],
  [/anchor/, 'anchor colour=C'],
  [/heron|bird/, 'heron colour=C'],
  [/lantern/, 'lantern colour=C'],
  [/star/, 'star colour=C'],
  [/fish/, 'fish colour=C'],
]

const HEAD: readonly Clue[] = [
  [/glasses|spectacles/, 'glasses'],
  [/full beard|beard/, 'beard colour=C'],
  [/goatee/, 'beard shape=goatee colour=C'],
  [/moustache|mustache/, 'moustache colour=C'],
  [/stubble/, 'stubble colour=C'],
  [/freckle/, 'freckles'],
  [/wrinkle|old/, 'wrinkles'],
  [/scar/, 'scar'],
  [/lash/, 'lashes'],
  [/cheek|blush/, 'cheeks'],
  [/patch/, 'eye-patch'],
  [/paint/, 'face-paint colour=C'],
]
const EYES: readonly Clue[] = [
  [/wink/, 'eyes shape=wink'],
  [/asleep|sleep|closed/, 'eyes shape=closed'],
  [/surprise|amaze|scare|startle/, 'eyes shape=wide'],
  [/narrow|squint/, 'eyes shape=narrow'],
  [/(?:)/, 'eyes shape=bright'],
]
const BROWS: readonly Clue[] = [
  [/angry|cross|stern|grim|frown/, 'brows shape=stern colour=C'],
  [/sad|worried|scare/, 'brows shape=worried colour=C'],
  [/(?:)/, 'brows shape=calm colour=C'],
]
const MOUTH: readonly Clue[] = [
  [/grin|laugh/, 'mouth shape=grin'],
  [/shout|roar|angry/, 'mouth shape=shout'],
  [/frown|sad|cross|grim/, 'mouth shape=frown'],
  [/open|surprise|amaze|sing|scare|startle/, 'mouth shape=open'],
  [/smirk/, 'mouth shape=smirk'],
  [/flat|neutral|serious|stern/, 'mouth shape=flat'],
  [/lip/, 'lips'],
  [/(?:)/, 'mouth shape=smile'],
]

const LEG: readonly Clue[] = [
  [/wader/, 'waders colour=C'],
  [/boot/, 'boot colour=C'],
  [/shorts/, 'shorts skin=C'],
  [/sock/, 'socks colour=C'],
  [/strip|pipe|piping/, 'stripe colour=C'],
  [/knee|patch/, 'knee colour=C'],
  [/coat|hem|skirt/, 'hem colour=C'],
  [/dot/, 'dots colour=C'],
  [/shoe/, 'shoe colour=C'],
  [/pocket/, 'pocket'],
]
const ARM: readonly Clue[] = [
  [/short sleeve/, 'short-sleeve skin=C'],
  [/roll/, 'rolled-sleeve skin=C'],
  [/cuff/, 'cuff colour=C'],
  [/hoop|band/, 'hoops colour=C'],
  [/strip/, 'stripe colour=C'],
]
const HIPS: readonly Clue[] = [
  [/wader/, 'waders colour=C'],
  [/coat|hem/, 'hem colour=C'],
  [/belt/, 'belt'],
]
const MARK: readonly Clue[] = ['anchor', 'wave', 'lantern', 'leaf', 'heron', 'fish', 'oars', 'star'].map(
  (shape): Clue => [new RegExp(shape), `mark shape=${shape} colour=C`],
)

/** For each kind: groups of clues; of the `one` groups only the first that fits counts. */
const CLUES: Partial<Record<PartKind, { all?: readonly Clue[]; one?: readonly (readonly Clue[])[] }>> = {
  torso: { all: TORSO },
  head: { one: [EYES, BROWS, MOUTH], all: HEAD },
  'leg-left': { all: LEG },
  'leg-right': { all: LEG },
  'arm-left': { all: ARM },
  'arm-right': { all: ARM },
  hips: { all: HIPS },
  headgear: { one: [MARK] },
  neck: { one: [MARK] },
  held: { one: [MARK] },
}

/** Layers written as "kind setting=value", comma between them, with colours put in for C, D and E. */
function layersOf(text: string, inks: readonly string[]): Layer[] {
  return text
    .split(',')
    .filter(Boolean)
    .map((line) => {
      const [kind = '', ...settings] = line.split(' ')
      return {
        kind,
        ...Object.fromEntries(
          settings.flatMap((setting) => {
            const [key = '', value = ''] = setting.split('=')
            const ink = ['C', 'D', 'E'].indexOf(value)
            const set = ink < 0 ? value : (inks[ink] ?? inks[0])
            return set === undefined ? [] : [[key, set]]
          }),
        ),
      }
    })
}

/**
 * The recipe of a part. A print with layers is its own; a print nobody wrote a recipe for is guessed from the words of
 * its and the part's name, in the colours they name and in the part's further colours. O(clues + palette).
 */
export function printRecipeOf(
  part: Pick<Part, 'name' | 'colours'>,
  print: Pick<Print, 'name' | 'front' | 'back'> | undefined,
  kind: PartKind,
  palette: readonly Colour[],
): PrintRecipe {
  if (!print) return NONE
  if (print.front.length + print.back.length > 0) return { front: print.front, back: print.back, guessed: false }
  const clues = CLUES[kind]
  const words = `${part.name} ${print.name}`.toLowerCase()
  const inks = [
    ...new Set([...coloursInText(words, palette).map(({ code }) => code), ...part.colours.slice(1)]),
  ].filter((code) => code !== part.colours[0])
  const fits = ([pattern]: Clue) => pattern.test(words)
  const fitting: Clue[] = [
    ...(clues?.one ?? []).map((group) => group.find(fits)).filter((clue) => clue !== undefined),
    ...(clues?.all ?? []).filter(fits),
  ]
  return {
    front: fitting.flatMap(([, front]) => layersOf(front, inks)),
    back: kind === 'head' ? [] : fitting.flatMap(([, , back = '']) => layersOf(back, inks)),
    guessed: true,
  }
}
