import {
  mainColour,
  mouldOf,
  type Catalogue,
  type Layer,
  type Mould,
  type Part,
  type Print,
} from '../catalogue/index.ts'
import { colourDifference } from '../colour/index.ts'
import type { RecipeMould, RecipePart, RecipePrint } from './recipe.ts'

/** Colours further apart than this have nothing in common (CIEDE2000). */
const FAR = 40
/** Colours no further apart than this are the same to the eye. */
export const SAME_COLOUR = 2

const plain = (name: string) => name.trim().toLowerCase()
const sameName = (a: string, b: string): boolean => plain(a) === plain(b)

/** How alike two shapes are, in [0, 1]: by their drawing first, then by their traits. */
function shapeLikeness(a: RecipeMould, b: Mould): number {
  const keys = [...new Set([...Object.keys(a.traits), ...Object.keys(b.traits)])]
  const alike = keys.filter((key) => a.traits[key] === b.traits[key]).length
  if (a.silhouette === b.silhouette) return keys.length === 0 ? 1 : 0.7 + (0.3 * alike) / keys.length
  return keys.length === 0 ? 0.2 : (0.6 * alike) / keys.length
}

/** Layers as text in which colours stand as what they look like, since their codes are everybody's own. */
const seen = (layers: readonly Layer[], hexOf: (code: string) => string | undefined) =>
  JSON.stringify(layers, (_key, value: unknown) => (typeof value === 'string' ? (hexOf(value) ?? value) : value))

/** Whether a print is the recipe's: the same layers in the same colours; of prints without layers, the same name. */
export function isSamePrint({ name, layers }: RecipePrint, print: Print, { colours }: Catalogue): boolean {
  const { front, back } = layers
  if (front.length !== print.front.length || back.length !== print.back.length) return false
  if (front.length + back.length === 0) return sameName(name, print.name)
  if (front[0]?.kind !== print.front[0]?.kind) return false
  const given = new Map((layers.colours ?? []).map(({ code, hex }) => [code, hex.toUpperCase()]))
  const here = (code: string) => colours.get(code)?.hex.toUpperCase()
  const theirs = (code: string) => given.get(code) ?? here(code)
  return seen(front, theirs) === seen(print.front, here) && seen(back, theirs) === seen(print.back, here)
}

/** How alike two prints are, in [0, 1]; nothing is like nothing. */
function printLikeness(a: RecipePrint | null, b: Print | null, catalogue: Catalogue): number {
  if (!a || !b) return a || b ? 0.1 : 1
  if (isSamePrint(a, b, catalogue)) return 1
  const own = new Set([...a.layers.front, ...a.layers.back].map(({ kind }) => kind))
  const other = new Set([...b.front, ...b.back].map(({ kind }) => kind))
  const all = new Set([...own, ...other]).size
  return 0.15 + (all === 0 ? 0 : (0.7 * [...own].filter((kind) => other.has(kind)).length) / all)
}

const colourLikeness = (a: string | undefined, b: string | undefined) =>
  a === undefined || b === undefined ? 0.5 : 1 - Math.min(1, Math.max(0, colourDifference(a, b) - SAME_COLOUR) / FAR)

const printOn = (part: Part, { prints }: Catalogue) => (part.print === null ? null : (prints.get(part.print) ?? null))

/** How like a part of this catalogue looks to a part of a recipe of its kind, in [0, 1]. */
export function lookLikeness(wanted: RecipePart, part: Part, catalogue: Catalogue): number {
  const print = printOn(part, catalogue)
  const printed = wanted.print !== null || print !== null
  const [shape, colour, painted] = printed ? [0.3, 0.35, 0.35] : [0.5, 0.5, 0]
  return (
    shape! * shapeLikeness(wanted.mould, mouldOf(catalogue, part)) +
    colour! * colourLikeness(wanted.colours[0]?.hex, mainColour(catalogue, part)?.hex) +
    (printed ? painted! * printLikeness(wanted.print, print, catalogue) : 0)
  )
}

/** Whether a mould is the recipe's: its kind, its drawing, and its code or name. */
export const isSameMould = (wanted: RecipeMould, { code, name, kind, silhouette }: Mould): boolean =>
  kind === wanted.kind && silhouette === wanted.silhouette && (code === wanted.code || sameName(name, wanted.name))

/** Whether a part is the wanted one: its shape, all its colours and its print. */
export function isSameLook(wanted: RecipePart, part: Part, catalogue: Catalogue): boolean {
  if (!isSameMould(wanted.mould, mouldOf(catalogue, part))) return false
  const hexes = part.colours.map((code) => catalogue.colours.get(code)?.hex)
  if (
    wanted.colours.length !== hexes.length ||
    !wanted.colours.every(({ hex }, i) => hexes[i] !== undefined && colourDifference(hex, hexes[i]) <= SAME_COLOUR)
  )
    return false
  const print = printOn(part, catalogue)
  return wanted.print === null || print === null ? wanted.print === print : isSamePrint(wanted.print, print, catalogue)
}
