import { hundredth, INK, svgBody, svgText, type Drawing } from '../mannequin/index.ts'

/** A line of text. `y` is its baseline, `size` the height of its em. */
export interface TextMark {
  kind: 'text'
  x: number
  y: number
  size: number
  value: string
  anchor?: 'start' | 'middle' | 'end'
  strong?: boolean
  heading?: boolean
  fill?: string
}

/** An outline, moved by `x` and `y`. */
interface PathMark {
  kind: 'path'
  d: string
  x?: number
  y?: number
  fill?: string
  stroke?: string
  width?: number
  dashes?: string
}

interface RectMark {
  kind: 'rect'
  x: number
  y: number
  width: number
  height: number
  radius?: number
  fill?: string
  stroke?: string
  line?: number
}

interface DotMark {
  kind: 'dot'
  x: number
  y: number
  radius: number
  fill: string
  line: number
}

/** A drawn figure whose 0,0 stands at a point, `scale` millimetres to a figure unit. */
interface FigureMark {
  kind: 'figure'
  drawing: Pick<Drawing, 'shapes'>
  x: number
  y: number
  scale: number
}

/** A picture of pixels, stretched over a box, or cut so that it fills it. */
interface ImageMark {
  kind: 'image'
  x: number
  y: number
  width: number
  height: number
  /** JPEG or PNG as a data address. */
  href: string
  cover?: boolean
}

/** Marks that are moved, turned and cut to a shape as one. */
export interface GroupMark {
  kind: 'group'
  /** Where its 0,0 stands. */
  x?: number
  y?: number
  /** Degrees clockwise about that point. */
  turn?: number
  /** Path data in its own coordinates beyond which nothing of it is seen. */
  clip?: string
  marks: Mark[]
}

/** What stands on a page, in millimetres from its top left corner. */
type PlainMark = TextMark | PathMark | RectMark | DotMark | FigureMark | ImageMark | GroupMark
/** `layer` names what it belongs to where a page is made of layers, such as what is cut and what is printed. */
export type Mark = PlainMark & { layer?: string }

/** A page to be looked at, printed or saved: geometry alone, the same for SVG, PNG and PDF. Marks are drawn in their order. */
export interface Page {
  title: string
  /** Millimetres. */
  width: number
  height: number
  marks: Mark[]
  /** How many millimetres a millimetre of the page is printed as; one without. */
  scale?: number
  /** What lies under everything; paper of ours without. */
  ground?: string
}

/** How large a page is printed, in millimetres. */
export const printedSize = ({ width, height, scale = 1 }: Page) => ({ width: width * scale, height: height * scale })

/** The same page printed as wide as this, in millimetres. */
export const printedWide = (page: Page, width: number): Page => ({ ...page, scale: width / page.width })

/** Faces of our pages; whoever draws them must have them or embed them. */
export const PAGE_FAMILIES: Families = { heading: 'Bricolage Grotesque', text: 'Atkinson Hyperlegible Next' }

/** What the faces are called; and, for who takes one family for each letter, which family that is for each piece of a text. */
export interface Families {
  heading: string
  text: string
  piecesOf?: (value: string, family: string) => { text: string; family: string }[]
}

/** Colours of our pages. */
export const PAPER = { ground: '#F8F3E8', rule: '#E7DEC9', soft: '#6B6253', line: '#CFC4AB', lead: '#8A7E69' } as const

const attribute = (name: string, value: string | number | undefined) =>
  value === undefined ? '' : ` ${name}="${typeof value === 'number' ? hundredth(value) : value}"`

function markSvg(mark: Mark, families: Families): string {
  switch (mark.kind) {
    case 'text': {
      const { x, y, size, value, anchor, strong, heading, fill = INK } = mark
      const family = heading ? families.heading : families.text
      const pieces = families.piecesOf?.(value, family) ?? [{ text: value, family }]
      const inside = pieces.map((piece) =>
        piece.family === family
          ? svgText(piece.text)
          : `<tspan font-family="'${piece.family}'">${svgText(piece.text)}</tspan>`,
      )
      return `<text x="${hundredth(x)}" y="${hundredth(y)}" font-family="'${family}'" font-size="${hundredth(size)}"${attribute('font-weight', strong || heading ? 700 : undefined)}${attribute('text-anchor', anchor)} fill="${fill}">${inside.join('')}</text>`
    }
    case 'path': {
      const { d, x = 0, y = 0, fill = 'none', stroke, width, dashes } = mark
      const moved = x === 0 && y === 0 ? '' : ` transform="translate(${hundredth(x)} ${hundredth(y)})"`
      return `<path${moved} d="${d}" fill="${fill}"${attribute('stroke', stroke)}${attribute('stroke-width', width)}${attribute('stroke-dasharray', dashes)} stroke-linejoin="round"/>`
    }
    case 'rect': {
      const { x, y, width, height, radius, fill = 'none', stroke, line } = mark
      return `<rect x="${hundredth(x)}" y="${hundredth(y)}" width="${hundredth(width)}" height="${hundredth(height)}"${attribute('rx', radius)} fill="${fill}"${attribute('stroke', stroke)}${attribute('stroke-width', line)}/>`
    }
    case 'dot':
      return `<circle cx="${hundredth(mark.x)}" cy="${hundredth(mark.y)}" r="${hundredth(mark.radius)}" fill="${mark.fill}" stroke="${INK}" stroke-width="${hundredth(mark.line)}"/>`
    case 'image':
      return `<image x="${hundredth(mark.x)}" y="${hundredth(mark.y)}" width="${hundredth(mark.width)}" height="${hundredth(mark.height)}" preserveAspectRatio="${mark.cover ? 'xMidYMid slice' : 'none'}" href="${mark.href}"/>`
    case 'figure': {
      const { drawing, x, y, scale } = mark
      return `<g transform="translate(${hundredth(x)} ${hundredth(y)}) scale(${scale.toFixed(5)})">${svgBody(drawing.shapes)}</g>`
    }
    case 'group': {
      const { x = 0, y = 0, turn = 0, clip, marks } = mark
      const moves = [
        ...(x === 0 && y === 0 ? [] : [`translate(${hundredth(x)} ${hundredth(y)})`]),
        ...(turn === 0 ? [] : [`rotate(${hundredth(turn)})`]),
      ].join(' ')
      const inner = marks.map((one) => markSvg(one, families)).join('')
      const name = clip === undefined ? '' : nameOfClip(clip)
      const cut =
        clip === undefined
          ? inner
          : `<clipPath id="${name}"><path d="${clip}"/></clipPath><g clip-path="url(#${name})">${inner}</g>`
      return moves ? `<g transform="${moves}">${cut}</g>` : cut
    }
  }
}

/** The same name for the same clip, so that it may be written twice in a document. */
function nameOfClip(d: string): string {
  let hash = 5381
  for (let i = 0; i < d.length; i++) hash = (Math.imul(hash, 33) ^ d.charCodeAt(i)) >>> 0
  return `cut${hash.toString(36)}${d.length}`
}

/** Marks in their order, those of a layer in a group of its name; what belongs to none stands bare. */
export function marksSvg(marks: readonly Mark[], families = PAGE_FAMILIES): string {
  const used = new Map<string, number>()
  return runsOfLayers(marks)
    .map(({ layer, marks: own }) => {
      const inner = own.map((mark) => markSvg(mark, families)).join('')
      if (layer === undefined) return inner
      const times = (used.get(layer) ?? 0) + 1
      used.set(layer, times)
      return `<g id="${times === 1 ? layer : `${layer}-${times}`}">${inner}</g>`
    })
    .join('')
}

/** Marks that follow each other on one layer, together. */
export function runsOfLayers(marks: readonly Mark[]): { layer: string | undefined; marks: Mark[] }[] {
  const runs: { layer: string | undefined; marks: Mark[] }[] = []
  for (const mark of marks) {
    if (runs.at(-1)?.layer === mark.layer && runs.length > 0) runs.at(-1)!.marks.push(mark)
    else runs.push({ layer: mark.layer, marks: [mark] })
  }
  return runs
}

/** A page as an SVG document, one unit a millimetre of the page. `fontCss` gives @font-face rules to embed for what is drawn. */
export function pageSvg(page: Page, fontCss?: (drawn: string) => string, families = PAGE_FAMILIES): string {
  const { title, width, height, marks, ground = PAPER.ground } = page
  const printed = printedSize(page)
  const drawn = marksSvg(marks, families)
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${hundredth(printed.width)}mm" height="${hundredth(printed.height)}mm" viewBox="0 0 ${hundredth(width)} ${hundredth(height)}">` +
    `<title>${svgText(title)}</title>` +
    (fontCss ? `<style>${fontCss(drawn)}</style>` : '') +
    `<rect width="${hundredth(width)}" height="${hundredth(height)}" fill="${ground}"/>` +
    drawn +
    '</svg>'
  )
}

/** Pages one below the other as a single one, as wide as the widest, with a line between them. */
export function stacked(title: string, pages: readonly Page[]): Page {
  const marks: Mark[] = []
  const width = Math.max(...pages.map((page) => page.width))
  let top = 0
  for (const page of pages) {
    if (top > 0)
      marks.push({ kind: 'path', d: `M0 ${hundredth(top)}H${hundredth(width)}`, stroke: PAPER.line, width: 0.3 })
    marks.push(...movedBy(page.marks, 0, top))
    top += page.height
  }
  return { title, width, height: top, marks }
}

/** Marks moved to the right and down. */
export const movedBy = (marks: readonly Mark[], dx: number, dy: number): Mark[] =>
  marks.map((mark) => ({ ...mark, x: (mark.x ?? 0) + dx, y: (mark.y ?? 0) + dy }))
