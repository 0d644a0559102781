import { fold } from '../base/index.ts'
import type { Colour, Mould } from '../catalogue/index.ts'
import { familyNamed, nearestColours } from '../colour/index.ts'
import type { Unknown } from './asking.ts'
import { COLOUR_PHRASES, knownIn } from './words.ts'

const PREFIX = { bin: 'B', seller: 's', colour: 'c', mould: 'M-own' } as const

/** The code of what is made from words. Equal words give equal codes, others others. */
export const newCode = (what: keyof typeof PREFIX, words: string): string =>
  `${PREFIX[what]}-${(fold(words) || 'none').replaceAll(/[ #]+/g, '-')}`

/** Kinds a shape of its own may be of, each drawn as some plain thing until it is drawn in the catalogue. */
export const OWN_KINDS = ['held', 'headgear', 'neck', 'waist', 'beside'] as const
export type OwnKind = (typeof OWN_KINDS)[number]
const DRAWN_AS: Readonly<Record<OwnKind, { silhouette: string; connections: Mould['connections'] }>> = {
  held: { silhouette: 'chart-roll', connections: ['grip'] },
  headgear: { silhouette: 'crop', connections: ['crown'] },
  neck: { silhouette: 'long-scarf', connections: ['neck'] },
  waist: { silhouette: 'belt', connections: ['waist'] },
  beside: { silhouette: 'crate', connections: [] },
}

/** A mould made from words, for a shape nothing is known of but how it is worn. */
const newMould = (shape: string, words: string, kind: OwnKind): Mould => ({
  code: newCode('mould', shape),
  name: words,
  kind,
  ...DRAWN_AS[kind],
  neckThickness: 0,
  height: 0,
  mass: 0.5,
  covers: [],
  traits: {},
})

/** The moulds that are to be made of words that are not known. */
export const madeMoulds = (unknown: readonly Unknown[]): Mould[] =>
  unknown.flatMap(({ what, shape, words, answer }) =>
    what === 'part' && 'make' in answer ? [newMould(shape, words, answer.make as OwnKind)] : [],
  )

/** Whether words for a colour say that it is one of skin: "Haut dunkel", "light flesh". */
const saysSkin = (words: string): boolean =>
  knownIn(fold(words), COLOUR_PHRASES).some(
    ({ words: said, meaning }) => meaning !== '' && familyNamed(said) === 'skin',
  )

/**
 * A colour made from words: of skin where they say so, or else of the family of the palette colour nearest to it. O(palette).
 */
export function newColour(words: string, hex: string, palette: readonly Colour[]): Colour {
  const [nearest] = nearestColours(
    hex,
    palette.filter(({ finish, family }) => finish === 'solid' && family !== 'skin'),
  )
  return {
    code: newCode('colour', words),
    name: words === '' ? 'Colour not said' : words,
    hex: hex.toUpperCase(),
    finish: 'solid',
    family: saysSkin(words) ? 'skin' : (nearest?.colour.family ?? 'grey'),
  }
}
