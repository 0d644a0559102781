import { describe, expect, test } from '@jest/globals'
import { seeded } from '../base/index.ts'
import type { Placement } from '../catalogue/index.ts'
import { drawFigure } from '../mannequin/index.ts'
import { figureNamed, rosterFile, takeOf, worldCatalogue } from '../test/world.ts'
import { CARD_CHOICES, CARD_SIZE_NAMES, CARD_SIZES, faceBox, type CardChoices } from './card.ts'
import { cutPhoto, firstPhoto } from './cardPhoto.ts'
import type { Mark, TextMark } from './page.ts'
import { pairPage, type PairContent } from './pairCard.ts'
import { costToFinish, wholesWanted } from '../prices/index.ts'
import { wear } from '../anatomy/index.ts'
import { pairRows, type Compared } from './pairRows.ts'
import { textWidth } from './textWidth.ts'

const catalogue = worldCatalogue()
/** A tenth of the parts nobody sells. */
const price = (part: string) => {
  const number = Number(part.slice(2))
  return number % 10 === 0 ? undefined : number
}
const told = {
  told: (part: string) => ({ source: `from ${part}`, price: '' }),
  costs: (parts: readonly string[]) => costToFinish(parts, price, []),
}
const shownAs = (placements: readonly Placement[], hasPhoto = false): Compared => {
  const drawing = drawFigure(placements, catalogue)
  const photo = firstPhoto({ hash: '', width: 600, height: 900 }, { x: 0.2, y: 0.1, width: 0.6, height: 0.8 })
  return { placements, drawing, ...(hasPhoto ? { photo: cutPhoto(photo, drawing, faceBox(drawing), 'data:,') } : {}) }
}
const contentOf = (before: Compared, after: Compared, prices = true): PairContent => ({
  title: 'Odile & co, of a long name',
  subtitle: 'Ferry people',
  footer: '13 parts from 6 sources. Made with Outfit.',
  note: '',
  credits: 'Made by nobody',
  ...pairRows([before, after], catalogue, told, { altered: true, prices }),
  sides: [
    { ...before, label: 'Take A', facts: ['60 mm tall · likeness 61'] },
    { ...after, label: 'A released figure of a very long name, as sold', facts: ['62 mm tall · likeness 88'] },
  ],
})

/** The box a mark covers; null for those without one of their own. */
function boxOf(mark: Mark) {
  if (mark.kind === 'text') {
    const wide = textWidth(mark.value, mark.size)
    const left = mark.x - (mark.anchor === 'end' ? wide : mark.anchor === 'middle' ? wide / 2 : 0)
    return { left, right: left + wide, top: mark.y - mark.size * 0.7, bottom: mark.y + mark.size * 0.2 }
  }
  if (mark.kind === 'dot')
    return {
      left: mark.x - mark.radius,
      right: mark.x + mark.radius,
      top: mark.y - mark.radius,
      bottom: mark.y + mark.radius,
    }
  if (mark.kind === 'rect' || mark.kind === 'image')
    return { left: mark.x, right: mark.x + mark.width, top: mark.y, bottom: mark.y + mark.height }
  return null
}

const isNumber = (mark: TextMark) => /^\d{1,2}$/.test(mark.value)

function faultsOf(content: PairContent, choices: CardChoices): string[] {
  const size = CARD_SIZES[choices.size]
  const { marks } = pairPage(content, choices, size)
  const faults: string[] = []
  for (const mark of marks) {
    const box = boxOf(mark)
    if (box && (box.left < 0 || box.right > size.width + 0.01 || box.top < 0 || box.bottom > size.height + 0.01))
      faults.push(`outside: ${JSON.stringify(mark)}`)
  }
  const words = marks.filter((mark): mark is TextMark => mark.kind === 'text' && !isNumber(mark))
  for (const [i, one] of words.entries())
    for (const other of words.slice(i + 1)) {
      const [a, b] = [boxOf(one)!, boxOf(other)!]
      if (
        Math.max(a.left, b.left) < Math.min(a.right, b.right) &&
        Math.max(a.top, b.top) < Math.min(a.bottom, b.bottom)
      )
        faults.push(`${one.value} over ${other.value}`)
    }
  return faults
}

describe('a card of two', () => {
  const random = seeded(20261201)
  const pick = <T>(list: readonly T[]) => list[Math.floor(random() * list.length)]!
  const takes = rosterFile().rosters.flatMap(({ characters }) =>
    characters.flatMap(({ outfits }) => outfits.flatMap((outfit) => outfit.takes.map(({ placements }) => placements))),
  )

  test('in every size, of any two: nothing leaves the card, no words stand over others, what has no room is counted', () => {
    let cut = 0
    const rounds = process.env['OUTFIT_LONG'] ? 400 : 40
    for (let round = 0; round < rounds; round++) {
      const [before, after] = [shownAs(pick(takes), random() < 0.3), shownAs(pick(takes), random() < 0.3)]
      const prices = random() < 0.5
      const content = contentOf(before, after, prices)
      const choices = { ...CARD_CHOICES, size: pick(CARD_SIZE_NAMES), prices, colours: random() < 0.8 }
      expect([choices.size, round, faultsOf(content, choices)]).toEqual([choices.size, round, []])
      const { marks } = pairPage(content, choices, CARD_SIZES[choices.size])
      const texts = marks.flatMap((mark) => (mark.kind === 'text' ? [mark] : []))
      const left = texts.map(({ value }) => /^and (\d+) more$/.exec(value)?.[1]).find(Boolean)
      const listed = texts.filter(({ strong, value }) => strong && content.rows.some(({ place }) => place === value))
      expect(listed).toHaveLength(content.rows.length - Number(left ?? 0))
      if (left) cut++
    }
    // Two who have nothing in common may be too much for a small card.
    expect(cut / rounds).toBeLessThan(0.35)
  })

  test('takes of one outfit have room for all of it on every card', () => {
    const outfits = rosterFile().rosters.flatMap(({ characters }) => characters.flatMap((one) => one.outfits))
    const pairs = outfits.flatMap(({ takes: [first, ...others] }) => others.map((other) => [first!, other] as const))
    expect(pairs.length).toBeGreaterThan(5)
    for (const [before, after] of pairs)
      for (const size of CARD_SIZE_NAMES) {
        const choices = { ...CARD_CHOICES, size, prices: true }
        const content = contentOf(shownAs(before.placements), shownAs(after.placements))
        const { marks } = pairPage(content, choices, CARD_SIZES[size])
        const texts = marks.flatMap((mark) => (mark.kind === 'text' ? [mark.value] : []))
        expect([size, texts.filter((value) => / more$/.test(value) && /^and/.test(value))]).toEqual([size, []])
      }
  })

  test('what was exchanged has its number in the list and on each of the two who wear something there', () => {
    const content = contentOf(shownAs(takeOf('Odile, skipper', 'A')), shownAs(takeOf('Odile, skipper', 'B')), false)
    expect(content.rows.map(({ place }) => place)).toEqual(['Headgear', 'Head', 'Hands', 'Held, right', 'Held, left'])
    const { marks } = pairPage(content, CARD_CHOICES, CARD_SIZES.wide)
    const numbers = marks.flatMap((mark) => (mark.kind === 'text' && isNumber(mark) ? [Number(mark.value)] : []))
    const count = (number: number) => numbers.filter((one) => one === number).length
    // Hands are two on each; the oar is in another hand.
    expect([1, 2, 3, 4, 5].map(count)).toEqual([3, 3, 5, 2, 2])
    expect(content.verdict).toBe('5 of 10 places exchanged.')
  })

  test('what it comes to is what a recount by hand says, and what nobody sells is said', () => {
    for (let round = 0; round < 30; round++) {
      const [before, after] = [pick(takes), pick(takes)]
      const { rows, verdict } = pairRows([shownAs(before), shownAs(after)], catalogue, told, {
        altered: false,
        prices: true,
      })
      const own = (list: readonly Placement[], other: readonly Placement[]) => {
        const differing = new Set(rows.map(({ place }) => place))
        expect(differing.size).toBe(rows.length)
        return list.filter(
          ({ slot, part, turned, order, altered }) =>
            !other.some(
              (one) =>
                one.slot === slot &&
                one.part === part &&
                one.turned === turned &&
                one.order === order &&
                JSON.stringify(one.altered ?? []) === JSON.stringify(altered ?? []),
            ),
        )
      }
      // What both wear in a place that differs otherwise costs both the same.
      const sum = (list: readonly Placement[]) => list.reduce((total, { part }) => total + (price(part) ?? 0), 0)
      const difference = sum(own(after, before)) - sum(own(before, after))
      if (rows.length === 0) expect(verdict).toBe('Nothing is exchanged.')
      else if (difference === 0) expect(verdict).toContain('the price is the same')
      else expect(verdict).toContain(`€${(Math.abs(difference) / 100).toFixed(2)} ${difference < 0 ? 'less' : 'more'}`)
    }
    const odile = shownAs(takeOf('Odile, skipper', 'A'))
    expect(pairRows([odile, odile], catalogue, told, { altered: true, prices: true })).toEqual({
      rows: [],
      verdict: 'Nothing is exchanged.',
    })
    const nobody = { ...told, costs: (parts: readonly string[]) => costToFinish(parts, () => undefined, []) }
    const unsold = pairRows([odile, shownAs(takeOf('Odile, skipper', 'B'))], catalogue, nobody, {
      altered: true,
      prices: true,
    })
    expect(unsold.verdict).toBe('5 of 10 places exchanged: the price is the same, without 10 that nobody sells.')
  })

  test('a torso with its sleeves that is sold as one is two rows and one thing to buy', () => {
    const dressed = [...catalogue.parts.values()].filter(
      ({ mould, components }) => mould === 'M-DRESS' && components.length > 0,
    )
    const [one, two] = [dressed[0]!, dressed.find(({ print }) => print !== dressed[0]!.print)!]
    const lowest = (code: string) => ({ [one.code]: 300, [two.code]: 450 })[code]
    const costs = (parts: readonly string[]) => costToFinish(parts, lowest, wholesWanted(parts, catalogue, lowest, 5))
    const worn = (part: typeof one) => shownAs(wear([], 'torso', part, catalogue))
    const { rows, verdict } = pairRows(
      [worn(one), worn(two)],
      catalogue,
      { ...told, costs },
      { altered: true, prices: true },
    )
    expect(rows.length).toBeGreaterThan(1)
    expect(verdict).toContain('€1.50 more.')
  })

  test('beside a released figure the alterations are told, or not', () => {
    const worn = takeOf('Odile, skipper', 'B').map((placement) =>
      placement.slot === 'torso'
        ? { ...placement, altered: [{ kind: 'painted' as const, note: '', colour: 'poppy' }] }
        : placement,
    )
    const sides = [shownAs(figureNamed('Ferry skipper')), shownAs(worn)] as const
    const names = (altered: boolean) =>
      pairRows(sides, catalogue, told, { altered, prices: false })
        .rows.flatMap(({ after }) => after)
        .map(({ name }) => name)
        .join()
    expect(names(true)).toContain('painted')
    expect(names(false)).not.toContain('painted')
  })
})
