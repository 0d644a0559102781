import { describe, expect, test } from '@jest/globals'
import { drawFigure } from '../mannequin/index.ts'
import { partNamed, rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { CARD, cardSvg, layOutCard, type CardContent } from './card.ts'
import { cardEntries } from './cardEntries.ts'
import { textWidth, wrapText } from './textWidth.ts'

const catalogue = worldCatalogue()
const contentOf = (placements: ReturnType<typeof takeOf>): CardContent => {
  const drawing = drawFigure(placements, catalogue)
  return {
    title: 'Bram & co <1>',
    subtitle: 'Ferry people',
    footer: 'parts',
    drawing,
    entries: cardEntries(placements, catalogue, drawing, (part) => `from ${part}`),
  }
}
const everyTake = rosterFile().rosters.flatMap((r) =>
  r.characters.flatMap((c) =>
    c.outfits.flatMap((o) => o.takes.map((t) => ({ name: `${o.name} ${t.label}`, placements: t.placements }))),
  ),
)

describe('entries', () => {
  test('a pair of hands, sleeves or legs is one line that leads to both', () => {
    const placements = takeOf('Odile, skipper')
    const { entries } = contentOf(placements)
    const mitts = entries.find((entry) => entry.name === 'Mitt')!
    expect(mitts).toMatchObject({ qty: 2 })
    expect(mitts.anchors).toHaveLength(2)
    expect(entries.reduce((sum, { qty }) => sum + qty, 0)).toBe(placements.length)
    expect(entries.every(({ name }) => !/(left|right) leg/.test(name))).toBe(true)
  })

  test('the same name in two colours stays two lines', () => {
    const placements = takeOf('Odile, skipper').map((p) =>
      p.slot === 'handLeft' ? { ...p, part: partNamed('Mitt', 'Tar').code } : p,
    )
    expect(contentOf(placements).entries.filter(({ name }) => name === 'Mitt')).toHaveLength(2)
  })
})

describe('layout', () => {
  test.each(everyTake)(
    '$name: labels keep to the card, apart from each other, in the order of what they point at',
    ({ placements }) => {
      const content = contentOf(placements)
      const { labels } = layOutCard(content)
      expect(labels).toHaveLength(content.entries.length)
      for (const side of ['left', 'right'] as const) {
        const column = labels.filter((label) => label.side === side)
        column.forEach((label, i) => {
          const next = column[i + 1]
          const bottom = label.y + (label.lines.length + 2) * 4.1
          expect(bottom).toBeLessThanOrEqual(CARD.height)
          expect(label.y).toBeGreaterThan(CARD.margin + CARD.titleSize)
          if (!next) return
          expect(next.y).toBeGreaterThanOrEqual(bottom)
          expect(next.targets[0]!.y).toBeGreaterThanOrEqual(label.targets[0]!.y)
        })
      }
      const [left, right] = (['left', 'right'] as const).map(
        (side) => labels.filter((label) => label.side === side).length,
      )
      expect(Math.abs(left! - right!)).toBeLessThanOrEqual(1)
      for (const { targets } of labels)
        for (const { x, y } of targets) expect(x > 0 && x < CARD.width && y > 0 && y < CARD.height).toBe(true)
    },
  )
})

describe('document', () => {
  test('names, colours and sources are in it as text, safely', () => {
    const content = contentOf(takeOf('Bram'))
    const svg = cardSvg(content, '@font-face{}')
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="190mm" height="130mm"/)
    expect(svg).toContain('Bram &amp; co &lt;1>')
    expect(svg).toContain('<style>@font-face{}</style>')
    for (const { name, colour, source } of content.entries) {
      expect(svg).toContain(`>${colour.name}</text>`)
      expect(svg).toContain(`>${source}</text>`)
      for (const word of name.split(' ')) expect(svg).toContain(word)
    }
    expect(svg.match(/<circle /g)).toHaveLength(content.entries.reduce((sum, { anchors }) => sum + anchors.length, 0))
  })
})

test('text with what XML has no place for is well-formed all the same', () => {
  for (const name of ['Bell\u0007', 'Half \uD83D', 'Null\u0000', 'None \uFFFE']) {
    const svg = cardSvg({ ...contentOf(takeOf('Bram')), title: name }, '')

    expect(svg).not.toMatch(/[\u0000-\u0008\u000B\u000C\u000E-\u001F\uFFFE\uFFFF]/)
    // A half of a pair is no character of XML.
    expect(() => encodeURIComponent(svg)).not.toThrow()
  }
})

describe('breaking text', () => {
  test('lines keep to the width, at most two, cut with an ellipsis', () => {
    const long = 'An uncommonly long name for a hat with a feather and a bow'
    const lines = wrapText(long, 3.5, 40)
    expect(lines).toHaveLength(2)
    expect(lines[1]).toMatch(/…$/)
    for (const line of lines) expect(textWidth(line, 3.5)).toBeLessThanOrEqual(40)
    expect(wrapText('Short', 3.5, 40)).toEqual(['Short'])
    expect(textWidth(wrapText('Unbreakablewordwithoutend', 3.5, 20)[0]!, 3.5)).toBeLessThanOrEqual(20)
  })
})
