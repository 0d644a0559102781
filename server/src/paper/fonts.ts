import { mkdirSync, readFileSync, existsSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'
import type { Families } from '@outfit/core/show'

const require = createRequire(import.meta.url)

interface Face {
  family: string
  weight: number
  package: string
}
/** Faces of the pictures we make; the files come with the packages. */
const FACES = {
  text: { family: 'Atkinson Hyperlegible Next', weight: 400, package: 'atkinson-hyperlegible-next' },
  strong: { family: 'Atkinson Hyperlegible Next', weight: 700, package: 'atkinson-hyperlegible-next' },
  heading: { family: 'Bricolage Grotesque', weight: 700, package: 'bricolage-grotesque' },
} satisfies Record<string, Face>
export type FaceName = keyof typeof FACES
export const FACE_NAMES = Object.keys(FACES) as FaceName[]

/**
 * Files a face comes in, by the letters in them: two of its own, and for letters it does not have those of a package that has
 * them. `latin-more` is what the face lacks of what its package calls Latin.
 */
const OWN = ['latin', 'latin-ext'] as const
const FURTHER = ['latin-more', 'vietnamese', 'greek', 'greek-ext', 'cyrillic', 'cyrillic-ext'] as const
const FURTHER_PACKAGE = 'noto-sans'
export const SUBSETS = [...OWN, ...FURTHER] as const
type Subset = (typeof SUBSETS)[number]
/** Letters of `latin-ext` that are in the files of all faces; the packages tell ranges with holes. */
const OWN_LETTERS = new Set(
  'ĀāĂăĄąĆćĊċČčĎďĐđĒēĖėĘęĚěĞğĠġĢģĦħĪīĮįİĲĳĶķĹĺĻļĽľŁłŃńŅņŇňŐőŔŕŘřŚśŞşŠšŤťŪūŮůŰűŲųŴŵŶŷŸŹźŻżŽžȘșȚțẀẁẂẃẄẅẞỲỳ₹ℓ',
)

const isOwn = (subset: Subset) => (OWN as readonly string[]).includes(subset)
const packageOf = (face: Face, subset: Subset) => (isOwn(subset) ? face.package : FURTHER_PACKAGE)
const fileOf = (face: Face, subset: Subset) =>
  `${packageOf(face, subset)}-${subset === 'latin-more' ? 'latin-ext' : subset}-${face.weight}`
const woff2 = (face: Face, subset: Subset) =>
  readFileSync(require.resolve(`@fontsource/${packageOf(face, subset)}/files/${fileOf(face, subset)}-normal.woff2`))

/** Letters of each file, as the packages tell them: "U+0000-00FF,U+0131". */
function rangeOf(subset: Subset): string {
  const from = isOwn(subset) ? FACES.text.package : FURTHER_PACKAGE
  const told = require(`@fontsource/${from}/unicode.json`) as Record<string, string>
  return told[subset === 'latin-more' ? 'latin-ext' : subset]!
}
const LETTERS = SUBSETS.map((subset) => ({
  subset,
  ranges: rangeOf(subset)
    .split(',')
    .map((range) => {
      const [from, to] = range.replace('U+', '').split('-')
      return [parseInt(from!, 16), parseInt(to ?? from!, 16)] as const
    }),
}))

/** Accents that stand over the letter before them. */
const isAccent = (code: number) => code >= 0x300 && code <= 0x36f

function subsetOf(letter: string): Subset {
  const code = letter.codePointAt(0)!
  const has = ({ subset, ranges }: (typeof LETTERS)[number]) =>
    subset === 'latin-ext' ? OWN_LETTERS.has(letter) : ranges.some(([from, to]) => code >= from && code <= to)
  return LETTERS.find(has)?.subset ?? 'latin'
}

/** A text cut where its letters are in another file; what no file has is left to the first. */
export function runsOf(text: string): { subset: Subset; text: string }[] {
  const runs: { subset: Subset; text: string }[] = []
  for (const letter of text) {
    const last = runs.at(-1)
    const subset = last && isAccent(letter.codePointAt(0)!) ? last.subset : subsetOf(letter)
    if (last?.subset === subset) last.text += letter
    else runs.push({ subset, text: letter })
  }
  return runs
}

/** Letters beyond those that every file named `latin` has; pictures carry photos of millions of those. */
const FURTHER_LETTERS = /[^\0-\u00ff]+/g

/** The files that have the letters of a text. */
export function subsetsIn(text: string): Set<Subset> {
  const further = text.match(FURTHER_LETTERS)?.join('') ?? ''
  return new Set<Subset>(['latin', ...runsOf(further).map(({ subset }) => subset)])
}

/** What a file is as a rule, read once. */
const rulesRead = new Map<string, string>()
function ruleOf(face: Face, subset: Subset): string {
  const file = fileOf(face, subset)
  const known = rulesRead.get(`${face.family} ${file}`)
  if (known) return known
  const range = subset === 'latin' ? '' : `;unicode-range:${rangeOf(subset)}`
  const rule = `@font-face{font-family:"${face.family}";font-weight:${face.weight};src:url(data:font/woff2;base64,${woff2(face, subset).toString('base64')}) format("woff2")${range}}`
  rulesRead.set(`${face.family} ${file}`, rule)
  return rule
}

/**
 * @font-face rules with the fonts inside, so that a picture looks the same wherever it is opened: of those that have letters
 * of `text`.
 */
export function embeddedFontCss(text: string): string {
  const used = subsetsIn(text)
  // Of rules for the same letters the last counts: that of the face itself.
  const rules = SUBSETS.filter((subset) => used.has(subset)).reverse()
  return Object.values(FACES)
    .flatMap((face) => rules.map((subset) => ruleOf(face, subset)))
    .join('')
}

/** Names the faces carry inside their files, by which the rasteriser knows them. */
const INNER = {
  heading: 'Bricolage Grotesque 96pt ExtraBold',
  text: 'Atkinson Hyperlegible Next',
  further: 'Noto Sans',
}

/**
 * The name a file of letters gets inside: as long as it was, its end told apart. Under one name the rasteriser takes the letters
 * a file lacks from any other, whatever its weight.
 */
const innerName = (family: string, subset: Subset) =>
  subset === 'latin' ? family : `${family.slice(0, -2)}~${SUBSETS.indexOf(subset)}`

/** The faces as the rasteriser knows them, piece by piece of a text. */
export const INNER_FAMILIES: Families = {
  heading: INNER.heading,
  text: INNER.text,
  piecesOf: (value, family) =>
    runsOf(value).map(({ subset, text }) => ({
      text,
      family: innerName(isOwn(subset) ? family : INNER.further, subset),
    })),
}

/** A font under the name of its letters; names are in UTF-16 there. */
function renamed(font: Uint8Array, subset: Subset): Buffer {
  const bytes = Buffer.from(font)
  const inUtf16 = (name: string) => Buffer.from(name, 'utf16le').swap16()
  for (const family of Object.values(INNER)) {
    const [before, after] = [inUtf16(family), inUtf16(innerName(family, subset))]
    for (let at = bytes.indexOf(before); at >= 0; at = bytes.indexOf(before, at + 1)) after.copy(bytes, at)
  }
  return bytes
}

/** What a face is called in a document for the letters of a file. */
export const fontName = (face: FaceName, subset: Subset) => `${face} ${subset}`

/** TrueType files of the faces by `fontName`, for those who cannot read WOFF2; unpacked once into `folder`. */
export async function fontFiles(folder: string): Promise<Map<string, string>> {
  mkdirSync(folder, { recursive: true })
  const { decompress } = require('wawoff2') as { decompress: (file: Uint8Array) => Promise<Uint8Array> }
  const paths = new Map<string, string>()
  // One after the other: the unpacker gives out its own memory, which the next call overwrites.
  for (const subset of SUBSETS)
    for (const name of FACE_NAMES) {
      const face = FACES[name]
      const path = join(folder, `${fileOf(face, subset)}.ttf`)
      if (!existsSync(path)) writeFileSync(path, renamed(await decompress(woff2(face, subset)), subset))
      paths.set(fontName(name, subset), path)
    }
  return paths
}
