import { describe, expect, test } from '@jest/globals'
import { partNamed, worldCatalogue } from '../test/world.ts'
import { colourDifference } from '../colour/index.ts'
import { mouldOf, type Part, type PartKind } from '../catalogue/index.ts'
import { COMPANIONS_OF, goesWith, MATCH_WEIGHTS, printColours } from './goesWith.ts'

const catalogue = worldCatalogue()
const all = [...catalogue.parts.values()]
const companion = (kind: PartKind, label: string) => COMPANIONS_OF[kind]!.find((one) => one.label === label)!
const matches = (part: Part, label: string, most?: number) =>
  goesWith(part, companion(mouldOf(catalogue, part).kind, label), all, catalogue, most)
const colourOf = (part: Part) => catalogue.colours.get(part.colours[0]!)!

describe('a torso with legs', () => {
  const coat = partNamed('Warden coat', 'Slate', 'M-DRESS')

  test('a coat that runs on wants legs that carry it on, and says so', () => {
    const [best, ...rest] = matches(coat, 'Legs')
    const print = catalogue.prints.get(best!.part.print!)!
    expect(print.traits['runsOn']).toBe('coat')
    expect(best!.reasons).toContain('carries the coat on')
    for (const other of rest) expect(other.score).toBeLessThanOrEqual(best!.score)
  })

  test('legs that break the coat off come with that reason', () => {
    const broken = matches(coat, 'Legs', 60).filter(({ part }) => !part.print?.includes('COAT'))
    expect(broken.length).toBeGreaterThan(0)
    for (const { reasons } of broken) expect(reasons).toContain('the coat stops at the belt')
  })

  test('a crew keeps together', () => {
    const jersey = partNamed('Otter crew jersey', 'Bottle', 'M-DRESS')
    const other = { ...jersey, code: 'P-TWIN' }
    const [twin] = goesWith(jersey, { label: 'Torsos', kinds: ['dressed-torso'], by: 'cloth' }, [other], catalogue)
    expect(twin!.reasons).toContain('the same otter crew')
    expect(twin!.reasons[0]).toBe('the same Bottle')
  })

  test('a colour of the print is picked up, at less than the main colour is worth', () => {
    const stripes = partNamed('Boat stripes', 'Oat', 'M-DRESS')
    const brick = catalogue.colours.get('brick-dust')!
    expect(printColours(catalogue.prints.get(stripes.print!), catalogue)).toContain(brick)
    const legs = (colour: string): Part => ({
      ...partNamed('Plain trousers', 'Wine', 'M-PAIRF'),
      code: colour,
      colours: [colour],
    })
    const [oat, red] = [legs('oat'), legs('brick-dust')].map(
      (part) => goesWith(stripes, companion('dressed-torso', 'Legs'), [part], catalogue)[0]!,
    )
    expect(red!.reasons[0]).toBe('picks up the Brick Dust of the print')
    expect(oat!.score).toBeGreaterThan(red!.score)
  })
})

describe('skin and hair', () => {
  test('the best hands have the skin of the head', () => {
    const head = partNamed('Grin / puffed', 'Umber')
    const [best] = matches(head, 'Hands')
    expect(colourOf(best!.part).code).toBe('umber')
    expect(best!.reasons[0]).toBe('skin: the same Umber')
  })

  test('gloves are no skin and are not matched', () => {
    for (const { part } of matches(partNamed('Grin / puffed', 'Umber'), 'Hands', 100))
      expect(colourOf(part).family).toBe('skin')
  })

  test('hair is ordered by its distance from the brows, and hats are left out', () => {
    const head = partNamed('Freckled / sulking', 'Fawn')
    const found = matches(head, 'Hair', 20)
    const brows = catalogue.colours.get(catalogue.prints.get(head.print!)!.traits['brows']!)!
    expect(colourDifference(colourOf(found[0]!.part).hex, brows.hex)).toBe(0)
    for (const { part } of found) expect(mouldOf(catalogue, part).traits['hat']).toBeUndefined()
  })

  test('hair looks for heads the same way round', () => {
    const hair = partNamed('Two plaits', 'Straw')
    const [best] = matches(hair, 'Heads')
    expect(catalogue.prints.get(best!.part.print!)!.traits['brows']).toBe('straw')
    expect(best!.reasons[0]).toBe('Straw hair, Straw brows: the same')
  })
})

test('scores lie between 0 and 1, fall down the list, and never name the part itself', () => {
  expect(Object.values(MATCH_WEIGHTS).reduce((sum, weight) => sum + weight, 0)).toBeCloseTo(1, 10)
  for (const part of all.filter((_, i) => i % 9 === 0))
    for (const one of COMPANIONS_OF[mouldOf(catalogue, part).kind] ?? []) {
      const found = goesWith(part, one, all, catalogue, 12)
      const scores = found.map(({ score }) => score)
      expect(scores).toEqual([...scores].sort((a, b) => b - a))
      for (const { part: other, score, reasons } of found) {
        expect(other.code).not.toBe(part.code)
        expect(one.kinds).toContain(mouldOf(catalogue, other).kind)
        expect(score).toBeGreaterThanOrEqual(0)
        expect(score).toBeLessThanOrEqual(1)
        expect(reasons.length + Number(score < 0.6)).toBeGreaterThan(0)
      }
    }
})

test('the same question has the same answer, whatever the order of the candidates', () => {
  const part = partNamed('Quay jacket', 'Quay Blue', 'M-DRESS')
  const one = companion('dressed-torso', 'Legs')
  expect(goesWith(part, one, [...all].reverse(), catalogue)).toEqual(goesWith(part, one, all, catalogue))
})

test('the best few are the first of the whole list', () => {
  for (const part of all.filter((_, i) => i % 31 === 0))
    for (const one of COMPANIONS_OF[mouldOf(catalogue, part).kind] ?? []) {
      const whole = goesWith(part, one, all, catalogue, all.length)
      const sorted = [...whole].sort((a, b) => b.score - a.score || (a.part.code < b.part.code ? -1 : 1))
      expect(whole).toEqual(sorted)
      expect(goesWith(part, one, all, catalogue, 5)).toEqual(whole.slice(0, 5))
    }
})
