import { mkdirSync, readFileSync, existsSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { join } from 'node:path'

const require = createRequire(import.meta.url)

/** Faces of the pictures we make; the files come with the packages. */
const FACES = [
  { family: 'Atkinson Hyperlegible Next', weight: 400, package: 'atkinson-hyperlegible-next' },
  { family: 'Atkinson Hyperlegible Next', weight: 700, package: 'atkinson-hyperlegible-next' },
  { family: 'Bricolage Grotesque', weight: 700, package: 'bricolage-grotesque' },
]

const woff2 = (face: (typeof FACES)[number]) =>
  readFileSync(require.resolve(`@fontsource/${face.package}/files/${face.package}-latin-${face.weight}-normal.woff2`))

/** @font-face rules with the fonts inside, so that a picture looks the same wherever it is opened. */
export function embeddedFontCss(): string {
  return FACES.map(
    (face) =>
      `@font-face{font-family:"${face.family}";font-weight:${face.weight};src:url(data:font/woff2;base64,${woff2(face).toString('base64')}) format("woff2")}`,
  ).join('')
}

/** Names the faces carry inside their files, by which the rasteriser knows them. */
export const INNER_FAMILIES = { heading: 'Bricolage Grotesque 96pt ExtraBold', text: 'Atkinson Hyperlegible Next' }

/** TrueType files of the faces for the rasteriser, which cannot read WOFF2; unpacked once into `folder`. */
export async function fontFiles(folder: string): Promise<string[]> {
  mkdirSync(folder, { recursive: true })
  const { decompress } = require('wawoff2') as { decompress: (file: Uint8Array) => Promise<Uint8Array> }
  const paths: string[] = []
  // One after the other: the unpacker gives out its own memory, which the next call overwrites.
  for (const face of FACES) {
    const path = join(folder, `${face.package}-${face.weight}.ttf`)
    if (!existsSync(path)) writeFileSync(path, Buffer.from(await decompress(woff2(face))))
    paths.push(path)
  }
  return paths
}
