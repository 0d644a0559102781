import { expect, test } from '@jest/globals'
import { wear } from '../anatomy/index.ts'
import { emptyBrief, likenessOf, type BriefWish } from '../brief/index.ts'
import { takeOf, worldCatalogue } from '../test/world.ts'
import { exchangeOn, exchangeSum, type ExchangedFigure } from './index.ts'

const catalogue = worldCatalogue()
const placements = takeOf('Odile, skipper')
const parts = [...catalogue.parts.values()]
const kindOf = ({ mould }: (typeof parts)[number]) => catalogue.moulds.get(mould)!.kind
const wish = { place: 'headgear', trait: 'colour', target: '#C92B33', weight: 'matters' } as BriefWish
const brief = { ...emptyBrief(), wishes: [wish] }

test('a part goes on for better or worse, unless it is worn so or the house rules bar it', () => {
  const likeness = (all: typeof placements) => likenessOf(all, brief, catalogue).milli
  let [better, worse] = [0, 0]
  for (const hat of parts.filter((one) => kindOf(one) === 'headgear')) {
    const found = exchangeOn(hat, 'headgear', { placements, brief, level: 1 }, catalogue)
    const worn = wear(placements, 'headgear', hat, catalogue)
    if (typeof found === 'string') {
      expect([found, worn.map(({ part }) => part).sort()]).toEqual([
        'wearing',
        placements.map(({ part }) => part).sort(),
      ])
      continue
    }
    expect([found.before, found.after]).toEqual([likeness(placements), likeness(worn)])
    if (found.after > found.before) better += 1
    if (found.after < found.before) worse += 1
  }
  expect(Math.min(better, worse)).toBeGreaterThan(0)
  const sleeve = parts.find((one) => kindOf(one) === 'arm-right')!
  expect(exchangeOn(sleeve, 'armRight', { placements, brief, level: 1 }, catalogue)).toBe('barred')
  const hat = parts.find((one) => kindOf(one) === 'headgear')!
  expect(exchangeOn(hat, 'headgear', { placements, brief: emptyBrief(), level: 1 }, catalogue)).toMatchObject({
    ...{ before: 0, after: 0 },
  })
})

test('what it comes to: who loses, what does not lie free, and what nobody sells', () => {
  const figure = (before: number, after: number, takes: string[]) => ({ before, after, takes }) as ExchangedFigure
  const taking = [figure(10, 30, ['A', 'B']), figure(40, 25, ['A']), figure(5, 5, ['A', 'C', 'C'])]
  const pieces = [
    { part: 'A', free: 1, lowest: 100 },
    { part: 'B', free: 3, lowest: 700 },
    { part: 'C', free: 0, lowest: null },
  ]
  expect(exchangeSum(taking, pieces)).toEqual({ gain: 5, losing: 1, missing: 4, cost: 200, unsold: ['C'] })
  expect(exchangeSum([], pieces)).toEqual({ gain: 0, losing: 0, missing: 0, cost: 0, unsold: [] })
})
