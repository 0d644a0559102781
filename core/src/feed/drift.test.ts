import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { sheetOfDay, type SheetLine } from './drift.ts'

const anyLine: fc.Arbitrary<SheetLine> = fc.record({
  kind: fc.constantFrom('part' as const, 'figure' as const),
  code: fc.integer({ min: 1, max: 500 }).map((n) => `P-${n}`),
  condition: fc.constantFrom('new' as const, 'used' as const),
  price: fc.integer({ min: 1, max: 9000 }),
  currency: fc.constant('EUR'),
  multiple: fc.constantFrom(1, 2, 5),
  stock: fc.integer({ min: 1, max: 9 }),
})
const lines = fc
  .array(anyLine, { minLength: 1, maxLength: 30 })
  .map((all) => all.map((one) => ({ ...one, stock: one.stock * one.multiple })))
const many: SheetLine[] = Array.from({ length: 400 }, (_, i) => ({
  kind: 'part',
  code: `P-${i}`,
  condition: 'new',
  price: 1000,
  currency: 'EUR',
  stock: 10,
  multiple: 1,
}))

describe('drift of a made-up list', () => {
  it('is the list itself on the day 0, and the same for the same day whatever was asked before', () => {
    fc.assert(
      fc.property(lines, fc.integer({ min: -400, max: 4000 }), fc.nat(), (base, day, seed) => {
        expect(sheetOfDay(base, 'a', 0, seed)).toEqual(base)
        const once = sheetOfDay(base, 'a', day, seed)
        sheetOfDay(base, 'a', day + 1, seed)
        expect(sheetOfDay(base, 'a', day, seed)).toEqual(once)
      }),
      { numRuns: 40 },
    )
  })

  it('only ever offers whole packs at a price, and nothing new', () => {
    fc.assert(
      fc.property(lines, fc.integer({ min: -400, max: 4000 }), (base, day) => {
        for (const line of sheetOfDay(base, 'a', day, 7)) {
          expect(line.price).toBeGreaterThanOrEqual(1)
          expect(line.stock).toBeGreaterThanOrEqual(line.multiple)
          expect(line.stock % line.multiple).toBe(0)
          expect(base.some(({ code, kind }) => code === line.code && kind === line.kind)).toBe(true)
        }
      }),
      { numRuns: 60 },
    )
  })

  it('moves some prices from week to week, most of them not, and never by much more than a half', () => {
    const week = (day: number) => new Map(sheetOfDay(many, 'a', day, 7).map(({ code, price }) => [code, price]))
    const [before, after] = [week(-70), week(-63)]
    const both = [...before.keys()].filter((code) => after.has(code))
    const changed = both.filter((code) => before.get(code) !== after.get(code)).length
    expect(changed).toBeGreaterThan(both.length * 0.1)
    expect(changed).toBeLessThan(both.length * 0.5)
    for (const price of after.values()) expect(Math.abs(Math.log(price / 1000))).toBeLessThan(0.65)
  })

  it('has gaps, and sellers go their own ways within one market', () => {
    const codes = (seller: string) => sheetOfDay(many, seller, -100, 7).map(({ code }) => code)
    expect(codes('a').length).toBeLessThan(many.length)
    expect(codes('a').length).toBeGreaterThan(many.length * 0.75)
    expect(codes('a')).not.toEqual(codes('b'))
    const level = (seller: string) =>
      new Map(sheetOfDay(many, seller, -100, 7).map(({ code, price }) => [code, Math.log(price / 1000)]))
    const [a, b] = [level('a'), level('b')]
    const both = [...a.keys()].filter((code) => b.has(code))
    // The market for a thing moves with all who sell it.
    const together = both.reduce((sum, code) => sum + a.get(code)! * b.get(code)!, 0)
    expect(together).toBeGreaterThan(0)
  })
})
