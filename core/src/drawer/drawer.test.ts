import { describe, expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Level, Slot } from '../catalogue/index.ts'
import { takeFrom } from '../allotment/index.ts'
import type { Donor, Drawer } from './drawer.ts'
import { onHandByBin, type Movement } from './onHand.ts'

const move = (part: string, from: string | null, to: string | null, qty: number): Movement => ({ part, from, to, qty })
const counts = (movements: Movement[]) =>
  [...onHandByBin(movements)].flatMap(([part, bins]) => [...bins].map(([bin, qty]) => `${part} ${bin} ${qty}`))

describe('on hand', () => {
  test('is the sum of movements; empty places are not listed', () => {
    expect(counts([move('A', null, 'B1', 3), move('A', 'B1', 'B2', 2), move('A', 'B1', null, 1)])).toEqual(['A B2 2'])
  })

  test('undoing by reversal brings back what was', () => {
    const before = [move('A', null, 'B1', 3), move('C', null, 'B1', 1)]
    expect(counts([...before, move('A', 'B1', 'B2', 2), move('A', 'B2', 'B1', 2)])).toEqual(counts(before))
  })

  test('no place ever holds less than nothing', () => {
    expect(() => onHandByBin([move('A', null, 'B1', 1), move('A', 'B1', 'B2', 2)])).toThrow('Bin B1 would hold -1 of A')
    const bins = fc.constantFrom(null, 'B1', 'B2')
    const movement = fc.record({
      part: fc.constantFrom('A', 'C'),
      from: bins,
      to: bins,
      qty: fc.integer({ min: 1, max: 4 }),
    })
    fc.assert(
      fc.property(fc.array(movement, { maxLength: 30 }), (wanted) => {
        const kept: Movement[] = []
        for (const next of wanted) {
          try {
            onHandByBin([...kept, next])
            kept.push(next)
          } catch {
            // Refused, as it would have gone below zero.
          }
        }
        const places = onHandByBin(kept)
        let held = 0
        for (const place of places.values())
          for (const qty of place.values()) {
            expect(qty).toBeGreaterThan(0)
            held += qty
          }
        const flow = kept.reduce((sum, m) => sum + (m.to === null ? 0 : m.qty) - (m.from === null ? 0 : m.qty), 0)
        expect(held).toBe(flow)
      }),
    )
  })
})

describe('what the drawer gives', () => {
  const placed = (...parts: string[]) =>
    parts.map((part) => ({ part, slot: 'beside' as const, order: 0, turned: false }))
  const figure = (code: string, ...pieces: [slot: Slot, part: string][]): Donor => ({
    code,
    name: code,
    pieces: pieces.map(([slot, part]) => ({ slot, part })),
  })
  const from = (drawer: Drawer, parts: string[], level: Level = 4) =>
    takeFrom(drawer, placed(...parts), level).sources.map((source) => source && (source.donor ?? 'loose'))

  test('loose parts come first, each once', () => {
    const drawer = { loose: { A: 1 }, donors: [figure('F', ['head', 'A'])] }
    expect(from(drawer, ['A', 'A', 'A'])).toEqual(['loose', 'F', null])
    expect(takeFrom(drawer, placed('A', 'A'), 4).left).toEqual({ loose: { A: 0 }, donors: [figure('F')] })
  })

  test('a copy by others is neither taken nor bought', () => {
    const copy = { ...placed('A')[0]!, altered: [{ kind: 'by-others' as const, note: '' }] }
    const { sources, left } = takeFrom({ loose: { A: 1 }, donors: [] }, [copy, ...placed('A', 'A')], 4)
    expect(sources).toEqual([{ donor: null, elsewhere: true }, { donor: null }, null])
    expect(left.loose).toEqual({ A: 0 })
  })

  test('the donor that gives most is disturbed first', () => {
    const drawer = {
      loose: {},
      donors: [figure('F', ['head', 'A']), figure('G', ['head', 'A'], ['headgear', 'B'])],
    }
    expect(from(drawer, ['A', 'B'])).toEqual(['G', 'G'])
  })

  test('what stays joined at a level is given together or not at all', () => {
    const dressed = figure('F', ['head', 'H'], ['torso', 'T'], ['armRight', 'R'], ['armLeft', 'L'], ['handRight', 'M'])
    const drawer = { loose: {}, donors: [dressed] }
    expect(from(drawer, ['H', 'R'], 1)).toEqual(['F', null])
    expect(from(drawer, ['T', 'R', 'L'], 1)).toEqual([null, null, null])
    expect(from(drawer, ['T', 'R', 'L', 'M'], 1)).toEqual(['F', 'F', 'F', 'F'])
    expect(from(drawer, ['T', 'R', 'L'], 2)).toEqual(['F', 'F', 'F'])
    expect(from(drawer, ['M'], 2)).toEqual(['F'])
    expect(from(drawer, ['R'], 3)).toEqual(['F'])
    expect(from(drawer, ['H'], 0)).toEqual([null])
  })

  test('never gives more than there is, and loses nothing', () => {
    const slots = fc.constantFrom<Slot>('head', 'torso', 'armRight', 'hips', 'legLeft', 'heldRight')
    const part = fc.constantFrom('A', 'B', 'C')
    const donors = fc
      .array(fc.array(fc.record({ slot: slots, part }), { maxLength: 5 }), { maxLength: 3 })
      .map((list) => list.map((pieces, i) => ({ code: `F${i}`, name: '', pieces })))
    const loose = fc.dictionary(part, fc.nat(2))
    const level = fc.constantFrom<Level>(0, 1, 2, 3, 4)
    fc.assert(
      fc.property(loose, donors, fc.array(part, { maxLength: 8 }), level, (have, figures, wanted, at) => {
        const { sources, left } = takeFrom({ loose: have, donors: figures }, placed(...wanted), at)
        for (const one of ['A', 'B', 'C']) {
          const count = (drawer: Drawer) =>
            (drawer.loose[one] ?? 0) +
            drawer.donors.flatMap(({ pieces }) => pieces).filter((p) => p.part === one).length
          const given = wanted.filter((p, i) => p === one && sources[i] !== null).length
          expect(count(left) + given).toBe(count({ loose: have, donors: figures }))
          // Whatever is loose is used before anything is bought.
          const lacking = wanted.filter((p, i) => p === one && sources[i] === null).length
          if (lacking > 0) expect(left.loose[one] ?? 0).toBe(0)
        }
      }),
    )
  })
})
