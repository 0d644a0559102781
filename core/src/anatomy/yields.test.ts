import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { SLOTS, type Level } from '../catalogue/index.ts'
import { figureNamed } from '../test/world.ts'
import { levelOf, piecesGiven, type Piece } from './yields.ts'

const skipper: Piece[] = figureNamed('Ferry skipper').map(({ slot, part }) => ({ slot, part }))
const slots = (pieces: readonly Piece[]) => pieces.map(({ slot }) => slot)
const wanting = (...wanted: string[]) => {
  const parts = skipper.filter(({ slot }) => wanted.includes(slot)).map(({ part }) => part)
  return (part: string) => parts.filter((one) => one === part).length
}

describe('what a figure gives', () => {
  test('loose things come off at once, what is joined only as far as it is taken apart', () => {
    expect(slots(piecesGiven(skipper, 1, wanting('headgear', 'armLeft', 'legLeft')))).toEqual(
      expect.arrayContaining(['headgear', 'head', 'neck']),
    )
    expect(slots(piecesGiven(skipper, 1, wanting('headgear', 'armLeft', 'legLeft')))).not.toContain('armLeft')
    expect(slots(piecesGiven(skipper, 2, wanting('handLeft', 'handRight')))).toContain('handLeft')
    expect(slots(piecesGiven(skipper, 3, wanting('armLeft')))).toContain('armLeft')
    expect(slots(piecesGiven(skipper, 3, wanting('legLeft')))).not.toContain('legLeft')
    expect(piecesGiven(skipper, 4, () => 0)).toHaveLength(skipper.length)
  })

  test('joined pieces are given where every one of them is wanted', () => {
    const dressed = ['torso', 'armRight', 'armLeft', 'handRight', 'handLeft']
    expect(slots(piecesGiven(skipper, 1, wanting(...dressed)))).toEqual(expect.arrayContaining(dressed))
    expect(slots(piecesGiven(skipper, 1, wanting('hips', 'legRight', 'legLeft')))).toContain('hips')
  })

  test('as sold it is all or nothing', () => {
    expect(piecesGiven(skipper, 0, () => 2)).toHaveLength(skipper.length)
    expect(piecesGiven(skipper, 0, wanting('headgear'))).toEqual([])
  })

  test('taking it further apart never gives less', () => {
    const piece = fc.record({ slot: fc.constantFrom(...SLOTS), part: fc.constantFrom('A', 'B', 'C') })
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 12 }),
        fc.dictionary(fc.constantFrom('A', 'B', 'C'), fc.nat(3)),
        (pieces, want) => {
          const given = ([0, 1, 2, 3, 4] as Level[]).map((level) =>
            piecesGiven(pieces, level, (part) => want[part] ?? 0),
          )
          for (const [i, more] of given.entries())
            if (i > 0) for (const one of given[i - 1]!) expect(more).toContain(one)
          expect(given[4]).toEqual(pieces)
        },
      ),
    )
  })

  test('a level written with a piece goes before that of its slot', () => {
    expect([levelOf({ slot: 'handLeft', part: 'A' }), levelOf({ slot: 'handLeft', part: 'A', level: 4 })]).toEqual([
      2, 4,
    ])
    expect(levelOf({ slot: 'headgear', part: 'A' })).toBe(1)
  })
})
