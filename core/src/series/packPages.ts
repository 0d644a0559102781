import { ellipse, INK } from '../mannequin/index.ts'
import { own } from '../base/index.ts'
import type { Pack, PackPlan } from '../packs/index.ts'
import { PAPER, PAPER_SIZES, type Mark, type Page, type PaperSize } from '../show/index.ts'
import { setText } from './setText.ts'
import { numberedName, seriesInWords, times, type SealedPacks, type Series } from './series.ts'

const MARGIN = 12
const ROW = 6.2

/** Who and what packs hold, by name. */
export interface PackNames {
  figure: (id: string) => string
  item: (id: string) => string
  part: (code: string) => string
}

/**
 * Names of figures with their numbers, of bonus items and of pieces; what has gone since packs were sealed is called as it
 * was then. `partName` names pieces the series does not.
 */
export function packNames(
  figures: readonly { id: string; name: string; number: number | null }[],
  { packs, bonus }: Pick<Series, 'packs' | 'bonus'>,
  sealed: SealedPacks | null,
  partName: (code: string) => string = (code) => code,
): PackNames {
  const then = sealed?.names ?? {}
  const byId = new Map(figures.map((one) => [one.id, numberedName(one)]))
  const byItem = new Map(packs.items.map(({ id, name }) => [id, name.trim() || 'a bonus item']))
  const byPart = new Map(bonus?.pieces.map(({ part, name }) => [part, name]))
  return {
    figure: (id) => byId.get(id) ?? own(then, id) ?? 'somebody who has gone',
    item: (id) => byItem.get(id) ?? own(then, id) ?? 'something that has gone',
    part: (code) => byPart.get(code) ?? partName(code),
  }
}

/** What lies in a pack beside its figure: bonus items, and pieces of the bonus build. */
export const besidesIn = ({ items, pieces }: Pick<Pack, 'items' | 'pieces'>, names: PackNames): string[] => [
  ...items.map(names.item),
  ...pieces.map(({ part, qty }) => times(qty, names.part(part))),
]

/** "4 Sif, lanterns · green bead · 2 × Rod": what lies in a pack. */
const packInWords = (pack: Pack, names: PackNames): string =>
  [names.figure(pack.figure), ...besidesIn(pack, names)].join(' · ')

/** Diameter of a dot of a secret mark, in millimetres. */
const DOT = 1.1

/** A secret mark as a row of dots about 0,0: filled ones and rings. Nobody reads it who has no key. */
export function packMark(code: number, bits: number, size = DOT): Mark[] {
  return Array.from({ length: bits }, (_, i): Mark => {
    const filled = Math.floor(code / 2 ** i) % 2 === 1
    const x = (i - (bits - 1) / 2) * size * 1.5
    return {
      kind: 'path',
      d: ellipse(x, 0, size / 2),
      fill: filled ? '#9A927F' : 'none',
      stroke: '#9A927F',
      width: 0.15,
    }
  })
}

type Titled = Pick<Series, 'title' | 'number'>

/** Rows on pages of a paper, each page with the same head. */
function listed(title: string, about: string, paper: PaperSize, rows: readonly ((y: number) => Mark[])[]): Page[] {
  const { width, height } = PAPER_SIZES[paper]
  const top = MARGIN + 18
  const each = Math.max(1, Math.floor((height - top - MARGIN) / ROW))
  return Array.from({ length: Math.max(1, Math.ceil(rows.length / each)) }, (_, i) => ({
    ...{ title, width, height, ground: '#FFFFFF' },
    marks: [
      ...setText(
        title,
        { x: MARGIN, y: MARGIN, width: width - 2 * MARGIN, height: 9, size: 7, least: 3, face: 'heading' },
        title,
        [],
      ).marks,
      ...setText(
        about,
        { x: MARGIN, y: MARGIN + 9, width: width - 2 * MARGIN, height: 5, size: 3, least: 2, fill: PAPER.soft },
        title,
        [],
      ).marks,
      ...rows.slice(i * each, (i + 1) * each).flatMap((row, k) => row(top + k * ROW)),
    ],
  }))
}

/** The packing list: what to lay into which pack, with a box to tick. */
export function packingListPages(
  series: Titled,
  { packs, bits }: PackPlan,
  names: PackNames,
  paper: PaperSize,
): Page[] {
  const { width } = PAPER_SIZES[paper]
  const right = width - MARGIN
  const rows = packs.map((pack) => (y: number): Mark[] => [
    { kind: 'rect', x: MARGIN, y: y + 0.8, width: 3.4, height: 3.4, radius: 0.4, stroke: INK, line: 0.25 },
    { kind: 'text', x: MARGIN + 6, y: y + 3.7, size: 3.4, value: `Pack ${pack.pack}`, strong: true },
    ...setText(
      packInWords(pack, names),
      {
        x: MARGIN + 26,
        y: y + 0.4,
        width: right - MARGIN - 26 - bits * DOT * 1.5 - 4,
        height: ROW - 0.6,
        size: 3.2,
        least: 1.2,
      },
      `pack ${pack.pack}`,
      [],
    ).marks,
    { kind: 'group', x: right - (bits * DOT * 1.5) / 2, y: y + 2.6, marks: packMark(pack.code, bits) },
    { kind: 'path', d: `M${MARGIN} ${y + ROW - 0.5}L${right} ${y + ROW - 0.5}`, stroke: PAPER.rule, width: 0.2 },
  ])
  return listed(
    `${series.title}, packing list`,
    `${packs.length} packs of ${seriesInWords(series, new Set(packs.map(({ figure }) => figure)).size)}. Dots at the right go onto the pack.`,
    paper,
    rows,
  )
}

/** Labels to cut and stick on: the title, and the secret mark. */
const LABEL = { width: 50, height: 24, gap: 3 } as const

/** Labels for all packs, as many to a page as go, with lines to cut along. They tell nobody what is inside. */
export function labelPages(series: Titled, { packs, bits }: PackPlan, paper: PaperSize): Page[] {
  const { width, height } = PAPER_SIZES[paper]
  const across = Math.floor((width - 2 * MARGIN + LABEL.gap) / (LABEL.width + LABEL.gap))
  const down = Math.floor((height - 2 * MARGIN + LABEL.gap) / (LABEL.height + LABEL.gap))
  const each = across * down
  return Array.from({ length: Math.ceil(packs.length / each) }, (_, i) => ({
    ...{ title: `${series.title}, labels`, width, height, ground: '#FFFFFF' },
    marks: packs.slice(i * each, (i + 1) * each).flatMap(({ code }, k): Mark[] => {
      const x = MARGIN + (k % across) * (LABEL.width + LABEL.gap)
      const y = MARGIN + Math.floor(k / across) * (LABEL.height + LABEL.gap)
      const room = { x: x + 3, width: LABEL.width - 6 }
      return [
        { kind: 'rect', x, y, width: LABEL.width, height: LABEL.height, stroke: PAPER.lead, line: 0.2 },
        ...setText(
          series.title,
          { ...room, y: y + 3, height: 11, size: 5.4, least: 1.6, face: 'heading', anchor: 'middle' },
          'label',
          [],
        ).marks,
        ...setText(
          series.number ? `series ${series.number}` : '',
          { ...room, y: y + 14, height: 4, size: 2.8, least: 1.4, anchor: 'middle', fill: PAPER.soft },
          'label',
          [],
        ).marks,
        { kind: 'group', x: x + LABEL.width / 2, y: y + LABEL.height - 2.6, marks: packMark(code, bits) },
      ]
    }),
  }))
}

/** The key: which mark is which pack, in the order of the marks, so that one is found quickly. To be kept away from the packs. */
export function keyPages(series: Titled, { packs, bits }: PackPlan, names: PackNames, paper: PaperSize): Page[] {
  const rows = [...packs]
    .sort((a, b) => reversed(a.code, bits) - reversed(b.code, bits))
    .map((pack) => (y: number): Mark[] => [
      { kind: 'group', x: MARGIN + (bits * DOT * 1.5) / 2, y: y + 2.6, marks: packMark(pack.code, bits) },
      {
        kind: 'text',
        x: MARGIN + bits * DOT * 1.5 + 5,
        y: y + 3.7,
        size: 3.2,
        value: `Pack ${pack.pack}`,
        strong: true,
      },
      ...setText(
        packInWords(pack, names),
        {
          x: MARGIN + bits * DOT * 1.5 + 24,
          y: y + 0.4,
          width: PAPER_SIZES[paper].width - 2 * MARGIN - bits * DOT * 1.5 - 24,
          height: ROW - 0.6,
          size: 3.2,
          least: 1.2,
        },
        `pack ${pack.pack}`,
        [],
      ).marks,
    ])
  return listed(
    `${series.title}, key to the marks`,
    'Keep this page away from the packs. Marks by their dots from the left, rings before filled ones.',
    paper,
    rows,
  )
}

/** The number whose bits are those of another read from the first dot on, so that marks sort as they are read. */
const reversed = (code: number, bits: number): number =>
  Array.from({ length: bits }, (_, i) => Math.floor(code / 2 ** i) % 2).reduce((sum, bit) => sum * 2 + bit, 0)
