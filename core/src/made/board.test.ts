import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import { asTurn, BOARD_REACH, countPieces, gripAt, pressed, snapped, type BoardKey, type BoardPiece } from './board.ts'

const piece = (part: string, more: Partial<BoardPiece> = {}): BoardPiece => ({
  part,
  x: 0,
  y: 0,
  turn: 0,
  mirrored: false,
  front: false,
  ...more,
})
const KEYS: readonly BoardKey[] = [
  ...(['left', 'right', 'up', 'down', 'clockwise', 'anticlockwise'] as const),
  ...(['mirror', 'front', 'later', 'earlier', 'copy', 'remove'] as const),
]
const anyPiece = fc.record({
  part: fc.constantFrom('A', 'B', 'C'),
  x: fc.integer({ min: -BOARD_REACH, max: BOARD_REACH }),
  y: fc.integer({ min: -BOARD_REACH, max: BOARD_REACH }),
  turn: fc.integer({ min: 0, max: 359 }),
  mirrored: fc.boolean(),
  front: fc.boolean(),
})

describe('pieces on the board', () => {
  test('jump onto the axes of the grip where they are near, and stay within reach', () => {
    expect(snapped(3.9, -4)).toEqual({ x: 0, y: 0 })
    expect(snapped(4.6, -5.2)).toEqual({ x: 5, y: -5 })
    expect(snapped(999, -999)).toEqual({ x: BOARD_REACH, y: -BOARD_REACH })
  })

  test('are moved by one unit or ten, turned by 15 degrees or one, and mirrored', () => {
    const after = (key: BoardKey, far = false) => pressed([piece('A', { turn: 350 })], 0, key, far).pieces[0]!
    expect([after('left').x, after('right', true).x, after('up').y, after('down', true).y]).toEqual([-1, 10, -1, 10])
    expect([after('clockwise').turn, after('anticlockwise').turn, after('clockwise', true).turn]).toEqual([5, 335, 351])
    expect([after('mirror').mirrored, after('front').front]).toEqual([true, true])
  })

  test('change their order, are doubled and removed, and the one picked stays picked', () => {
    const three = ['A', 'B', 'C'].map((part) => piece(part))
    const told = (key: BoardKey, picked: number) => {
      const after = pressed(three, picked, key)
      return [after.pieces.map(({ part }) => part).join(''), after.picked]
    }
    expect([told('later', 0), told('later', 2), told('earlier', 2), told('earlier', 0)]).toEqual([
      ['BAC', 1],
      ['ABC', 2],
      ['ACB', 1],
      ['ABC', 0],
    ])
    expect([told('copy', 1), told('remove', 2), told('remove', 0)]).toEqual([
      ['ABBC', 2],
      ['AB', 1],
      ['BC', 0],
    ])
    expect(pressed([piece('A')], 0, 'remove')).toEqual({ pieces: [], picked: -1 })
    expect(pressed([], -1, 'left')).toEqual({ pieces: [], picked: -1 })
  })

  test('stay on the board whatever is pressed, and one key changes one piece at the most', () => {
    fc.assert(
      fc.property(
        fc.array(anyPiece, { minLength: 1, maxLength: 5 }),
        fc.array(fc.tuple(fc.constantFrom(...KEYS), fc.boolean()), { maxLength: 30 }),
        (begin, keys) => {
          let [pieces, picked] = [begin, 0]
          for (const [key, far] of keys) {
            const after = pressed(pieces, picked, key, far)
            expect(Math.abs(after.pieces.length - pieces.length)).toBe(
              pieces[picked] && (key === 'copy' || key === 'remove') ? 1 : 0,
            )
            expect(after.pieces.length === 0 || after.pieces[after.picked] !== undefined).toBe(true)
            for (const { x, y, turn } of after.pieces) {
              expect(Math.max(Math.abs(x), Math.abs(y))).toBeLessThanOrEqual(BOARD_REACH)
              expect(turn >= 0 && turn < 360).toBe(true)
            }
            ;[pieces, picked] = [after.pieces, after.picked]
          }
        },
      ),
    )
  })

  test('keep their places to each other when the grip is put elsewhere', () => {
    const pieces = [piece('A', { x: 10, y: -20 }), piece('B', { x: -5, y: 30 })]
    const band = { name: 'String', colour: 'tar', x: 10, y: -20, toX: 0, toY: 0 }
    const after = gripAt(pieces, [band], pieces[0]!)
    expect(after.pieces.map(({ x, y }) => [x, y])).toEqual([
      [0, 0],
      [-15, 50],
    ])
    expect(after.bands[0]).toMatchObject({ x: 0, y: 0, toX: -10, toY: 20 })
  })

  test('are counted by part', () => {
    expect(countPieces(['A', 'B', 'A'].map((part) => piece(part)))).toEqual([
      { part: 'A', qty: 2 },
      { part: 'B', qty: 1 },
    ])
    expect([-15, 360, 725, 0.4].map(asTurn)).toEqual([345, 0, 5, 0])
  })
})
