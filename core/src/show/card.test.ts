import { describe, expect, test } from '@jest/globals'
import { drawFigure } from '../mannequin/index.ts'
import { seeded } from '../base/index.ts'
import { partNamed, rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { CARD_CHOICES, CARD_SIZE_NAMES, CARD_SIZES, cardPage, faceBox, layOutCard, type CardContent } from './card.ts'
import { cutPhoto, firstPhoto, type CardPhoto } from './cardPhoto.ts'
import { cardEntries } from './cardEntries.ts'
import { extentOf } from './extentOf.ts'
import { cross, runsOver } from './leads.ts'
import { pageSvg } from './page.ts'
import { textWidth, wrapText } from './textWidth.ts'

const catalogue = worldCatalogue()
const contentOf = (placements: ReturnType<typeof takeOf>): CardContent => {
  const drawing = drawFigure(placements, catalogue)
  return {
    title: 'Bram & co <1>',
    subtitle: 'Ferry people',
    footer: 'parts',
    note: '',
    credits: '',
    drawing,
    entries: cardEntries(placements, catalogue, drawing, (part) => ({
      source: `from ${part}`,
      price: `1.20 € ${part}`,
    })),
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

/** Asserts what holds of every card: labels on it and apart, lines that cross neither each other, nor the face, nor words. */
function expectInOrder(content: CardContent, choices = CARD_CHOICES) {
  const layout = layOutCard(content, choices)
  const { width, height, labels, column, margin, line, text } = layout
  expect(labels).toHaveLength(content.entries.length)
  const boxes = labels.map(({ side, y, name, more }) => ({
    x: side === 'left' ? margin : width - margin - column,
    y,
    width: column,
    height: (name.length + more.length) * line,
  }))
  const faults: string[] = []
  const told = (what: string, i: number) => faults.push(`${what}: ${labels[i]!.entry.name}`)
  for (const [i, box] of boxes.entries()) {
    if (box.y <= margin + layout.title * 0.8 || box.y + box.height > height + 1e-9) told('outside', i)
    for (const other of boxes.slice(i + 1).filter(({ x }) => x === box.x))
      if (Math.max(box.y, other.y) < Math.min(box.y + box.height, other.y + other.height) - 1e-9)
        told('over another', i)
    if (labels[i]!.name.some((words) => textWidth(words, text) > column + 1e-9)) told('too wide', i)
    if (labels[i]!.targets.some(({ x, y }) => x <= 0 || x >= width || y <= 0 || y >= height)) told('leads outside', i)
  }
  const led = labels.filter(({ number }) => number === null)
  for (const [i, one] of led.entries()) {
    if (led.slice(i + 1).some((other) => cross(one.from, one.to, other.from, other.to))) told('crosses a line', i)
    if (boxes.some((box) => runsOver(one.from, one.to, box))) told('crosses a label', i)
    if (runsOver(one.from, one.to, layout.face)) told('crosses the face', i)
  }
  expect(faults).toEqual([])
  const count = (side: string) => labels.filter((label) => label.side === side).length
  expect(Math.abs(count('left') - count('right'))).toBeLessThanOrEqual(1)
  return { led: led.length, all: labels.length }
}

/** A photo of any shape, turned and cut somehow, with some points moved by hand. */
const anyPhoto = (random: () => number): CardPhoto => ({
  ...firstPhoto(
    { hash: '', width: 300 + random() * 900, height: 300 + random() * 900 },
    random() < 0.5 ? { x: random() * 0.4, y: random() * 0.3, width: 0.5, height: 0.6 } : null,
  ),
  turn: (random() - 0.5) * 30,
  points: (['head', 'torso', 'heldLeft'] as const)
    .filter(() => random() < 0.3)
    .map((slot) => ({ slot, x: random(), y: random() })),
})

describe('layout', () => {
  test.each(everyTake)('$name: labels keep to the card and apart, and no line crosses anything', ({ placements }) => {
    for (const size of CARD_SIZE_NAMES) expectInOrder(contentOf(placements), { ...CARD_CHOICES, size })
  })

  test('up to twenty entries of random outfits, in every size and view: hardly ever does a number stand in for a line', () => {
    const random = seeded(20261129)
    const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!
    const worn = everyTake.flatMap(({ placements }) => placements)
    let [led, all] = [0, 0]
    for (let round = 0; round < (process.env['OUTFIT_LONG'] ? 600 : 60); round++) {
      const slots = [...new Set(worn.map(({ slot }) => slot))].filter(() => random() < 0.9)
      const placements = slots
        .map((slot) => pick(worn.filter((one) => one.slot === slot)))
        .map((p, order) => ({ ...p, order }))
      const view = pick(['front', 'back'] as const)
      const drawing = drawFigure(placements, catalogue, { view })
      const photo = random() < 0.4 ? cutPhoto(anyPhoto(random), drawing, faceBox(drawing), 'data:,') : null
      const content: CardContent = { ...contentOf(placements), drawing, ...(photo ? { photo } : {}) }
      content.entries = cardEntries(placements, catalogue, photo ?? drawing, (part) => ({
        source: `from ${part}`,
        price: part,
      }))
      const box = photo ? { x: 0, y: 0, width: photo.width, height: photo.height } : extentOf(drawing)
      // Fewer than twenty are worn by some: others stand anywhere on the figure.
      while (content.entries.length < 20 && random() < 0.9)
        content.entries.push({
          ...pick(content.entries),
          anchors: [{ x: box.x + random() * box.width, y: box.y + random() * box.height }],
        })
      const choices = {
        ...CARD_CHOICES,
        view,
        size: pick(CARD_SIZE_NAMES),
        prices: random() < 0.5,
        sources: random() < 0.7,
      }
      const found = expectInOrder(content, choices)
      led += found.led
      all += found.all
    }
    expect(led / all).toBeGreaterThan(0.99)
  })

  test('without lines there are neither dots nor numbers; notes and credits stand inside', () => {
    const content = {
      ...contentOf(takeOf('Bram')),
      subtitle:
        'A roster with a long name, as long as it may be, and longer than the title leaves room · take Z · 60 mm tall',
      title: 'An outfit of a name that goes on',
      note: 'A note of some length that is wrapped. '.repeat(7),
      credits: 'Made by nobody',
    }
    for (const size of CARD_SIZE_NAMES) {
      const { marks, width, height } = cardPage(content, { ...CARD_CHOICES, size, lines: false })
      expect(marks.filter(({ kind }) => kind === 'dot')).toEqual([])
      for (const mark of marks)
        if (mark.kind === 'text') {
          const wide = textWidth(mark.value, mark.size)
          const left = mark.x - (mark.anchor === 'end' ? wide : mark.anchor === 'middle' ? wide / 2 : 0)
          expect([mark.value, left >= 0 && left + wide <= width && mark.y <= height]).toEqual([mark.value, true])
        }
      expect({ width, height }).toEqual(CARD_SIZES[size])
    }
  })
})

describe('document', () => {
  test('names, colours and sources are in it as text, safely', () => {
    const content = contentOf(takeOf('Bram'))
    const svg = pageSvg(cardPage(content, { ...CARD_CHOICES, prices: true }), () => '@font-face{}')
    expect(svg).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" width="190mm" height="130mm"/)
    expect(svg).toContain('Bram &amp; co &lt;1>')
    expect(svg).toContain('<style>@font-face{}</style>')
    for (const { name, colour, source, price } of content.entries) {
      expect(svg).toContain(`>${price}</text>`)
      expect(svg).toContain(`>${colour.name}</text>`)
      expect(svg).toContain(`>${source}</text>`)
      for (const word of name.split(' ')) expect(svg).toContain(word)
    }
    expect(svg.match(/<circle /g)).toHaveLength(content.entries.reduce((sum, { anchors }) => sum + anchors.length, 0))
  })
})

test('whoever takes one family for each letter is given it piece by piece', () => {
  const piecesOf = (value: string, family: string) => [
    { text: value.slice(0, 1), family: 'Other' },
    { text: value.slice(1), family },
  ]
  const svg = pageSvg(cardPage({ ...contentOf(takeOf('Bram')), title: 'Ω&a' }), undefined, {
    heading: 'H',
    text: 'T',
    piecesOf,
  })
  expect(svg).toContain(`font-family="'H'"`)
  expect(svg).toContain(`<tspan font-family="'Other'">Ω</tspan>&amp;a</text>`)
})

test('text with what XML has no place for is well-formed all the same', () => {
  for (const name of ['Bell\u0007', 'Half \uD83D', 'Null\u0000', 'None \uFFFE']) {
    const svg = pageSvg(cardPage({ ...contentOf(takeOf('Bram')), title: name }))

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
