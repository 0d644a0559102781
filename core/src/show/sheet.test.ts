import { describe, expect, test } from '@jest/globals'
import { drawFigure } from '../mannequin/index.ts'
import { rosterFile, worldCatalogue } from '../test/world.ts'
import { cardEntries } from './cardEntries.ts'
import { stacked, type Page } from './page.ts'
import { CELLS, PAPER_SIZES, PER_PAGE, SHEET_CHOICES, sheetPages, type SheetContent } from './sheet.ts'
import { textWidth } from './textWidth.ts'

const catalogue = worldCatalogue()
const outfits = rosterFile().rosters.flatMap((r) => r.characters.flatMap((c) => c.outfits))
const contentOf = (count: number): SheetContent => ({
  title: 'A roster with a rather long name that has to be broken somewhere',
  facts: [
    `${count} figures`,
    '€12,345.67 at the lowest prices of 2026-11-29, without shipping; 123 parts not for sale.',
  ],
  footer:
    'A roster with a name as long as the longest there may be, which is a hundred and twenty letters and no more than that · made with Outfit',
  cards: Array.from({ length: count }, (_, i) => {
    const { name, faction, takes } = outfits[i % outfits.length]!
    const { placements } = takes[0]!
    const drawing = drawFigure(placements, catalogue)
    return {
      faction,
      card: {
        title: `${name} ${i}`,
        subtitle: 'subtitle',
        footer: '',
        note: '',
        credits: '',
        drawing,
        entries: cardEntries(placements, catalogue, drawing, (part) => ({
          source: `from ${part}, 2021`,
          price: 'from €1.20',
        })),
      },
    }
  }),
  lines: Array.from({ length: count * 6 }, (_, i) => ({
    name: `Part number ${i} of a name that goes on`,
    colour: { name: 'Quay Blue', hex: '#225588' },
    qty: 1 + (i % 9),
    source: 'from Some Release of a Long Name, 2021',
    price: '€1.20',
    sum: '€10.80',
  })),
  total: '€123.45 in all',
})

/** Texts that leave the page, or the box they stand in. */
function strays({ width, height, marks }: Page): string[] {
  return marks.flatMap((mark) => {
    if (mark.kind !== 'text') return []
    const wide = textWidth(mark.value, mark.size)
    const left = mark.x - (mark.anchor === 'end' ? wide : mark.anchor === 'middle' ? wide / 2 : 0)
    const inside = left >= 0 && left + wide <= width && mark.y - mark.size * 0.7 >= 0 && mark.y <= height
    return inside ? [] : [mark.value]
  })
}

describe('a breakdown sheet', () => {
  test.each(PER_PAGE)('with %i to a page has every figure once, and nothing leaves its page', (perPage) => {
    for (const count of [1, 5, 13, 60])
      for (const paper of ['A4', 'Letter'] as const) {
        const content = contentOf(count)
        const pages = sheetPages(content, {
          ...SHEET_CHOICES,
          perPage,
          paper,
          note: 'Some words of a note. '.repeat(13),
          credits: 'Made by somebody with a long name, and by '.repeat(2),
        })
        const size = PAPER_SIZES[paper]
        const titles = (page: Page) =>
          page.marks.flatMap((mark) => (mark.kind === 'text' && mark.heading ? mark.value : []))
        for (const page of pages) {
          expect([page.width, page.height]).toEqual([size.width, size.height])
          expect(strays(page)).toEqual([])
        }
        const cards = pages.slice(1, 1 + Math.ceil(count / perPage))
        expect(cards.flatMap(titles)).toEqual(content.cards.map(({ card }) => card.title))
        expect(cards.flatMap(({ marks }) => marks.filter(({ kind }) => kind === 'figure'))).toHaveLength(count)
        expect(pages[0]!.marks.filter(({ kind }) => kind === 'figure')).toHaveLength(count)
      }
  })

  test('lists every part, tells what finds no room on a card, and ends with the total', () => {
    const content = contentOf(13)
    const words = sheetPages(content, { ...SHEET_CHOICES, perPage: 8 }).map(({ marks }) =>
      marks.flatMap((mark) => (mark.kind === 'text' ? mark.value : [])),
    )
    const all = words.flat()
    for (let i = 0; i < content.lines.length; i++)
      expect(all.some((line) => line.startsWith(`Part number ${i} `))).toBe(true)
    expect(words.at(-1)).toContain('€123.45 in all')
    // Entries of a card are on it, or counted.
    const [columns, rows] = CELLS[8]
    expect(columns * rows).toBe(8)
    const more = all.flatMap((line) => /^and (\d+) more$/.exec(line)?.[1] ?? []).reduce((sum, n) => sum + Number(n), 0)
    const swatches = sheetPages(content, { ...SHEET_CHOICES, perPage: 8, cover: false, index: false })
      .flatMap(({ marks }) => marks)
      .filter((mark) => mark.kind === 'rect' && mark.line === 0.15).length
    expect(swatches + more).toBe(content.cards.reduce((sum, { card }) => sum + card.entries.length, 0))
  })

  test('without prices and sources says nothing of them, and is one long picture page under page', () => {
    const pages = sheetPages(
      { ...contentOf(5), facts: ['5 figures'] },
      { ...SHEET_CHOICES, prices: false, sources: false },
    )
    const long = stacked('All', pages)
    expect(long.height).toBeCloseTo(pages.length * 297)
    const words = long.marks.flatMap((mark) => (mark.kind === 'text' ? mark.value : []))
    expect(words.filter((line) => /€|from /.test(line))).toEqual([])
    expect(words.filter((line) => line === `${pages.length} of ${pages.length}`)).toHaveLength(1)
  })
})
