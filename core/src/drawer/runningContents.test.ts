import { expect, test } from '@jest/globals'
import fc from 'fast-check'
import type { Slot } from '../catalogue/index.ts'
import { contentsOf, type Bin } from './contents.ts'
import { RunningContents } from './runningContents.ts'

const piece = (slot: Slot, part: string) => ({ slot, part })
const FIGURES: Record<string, ReturnType<typeof piece>[]> = {
  F: [piece('head', 'a'), piece('handLeft', 'm'), piece('handRight', 'm'), piece('torso', 'b')],
  G: [piece('torso', 'b'), piece('head', 'c')],
}
const piecesOf = (figure: string) => FIGURES[figure] ?? []
const plain = (code: string): Bin => ({ code, name: `Bin ${code}`, figure: null })
const BINS: Bin[] = [
  plain('B1'),
  plain('B2'),
  { ...plain('F1'), figure: 'F' },
  { ...plain('F2'), figure: 'F' },
  { ...plain('G1'), figure: 'G' },
  { ...plain('L1'), holder: 'Ada' },
  { ...plain('T1'), outfit: 'bo' },
]
/** Ways a bin can become another, and back. */
const CHANGES: ((bin: Bin) => Bin)[] = [
  (bin) => ({ ...bin, name: `${bin.name}, renamed` }),
  (bin) => ({ ...bin, figure: bin.figure === 'F' ? 'G' : 'F' }),
  (bin) => ({ ...bin, holder: bin.holder ? null : 'Cy' }),
  (bin) => ({ ...bin, x: 3, y: 4 }),
]

const step = fc.oneof(
  {
    weight: 8,
    arbitrary: fc.record({
      kind: fc.constant('move' as const),
      part: fc.constantFrom('a', 'b', 'c', 'm', 'x'),
      bin: fc.constantFrom(...BINS.map(({ code }) => code)),
      change: fc.integer({ min: -3, max: 3 }),
    }),
  },
  {
    weight: 1,
    arbitrary: fc.record({ kind: fc.constant('bin' as const), at: fc.nat(BINS.length - 1), how: fc.nat(3) }),
  },
  { weight: 3, arbitrary: fc.constant({ kind: 'read' as const }) },
)

test('after any movements and changes of bins it tells what reading everything tells', () => {
  fc.assert(
    fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
      const running = new RunningContents(piecesOf)
      const lying = new Map<string, { part: string; bin: string; qty: number }>()
      let bins = BINS
      const told: [before: string, object][] = []
      for (const one of [...steps, { kind: 'read' as const }]) {
        if (one.kind === 'bin') bins = bins.map((bin, at) => (at === one.at ? CHANGES[one.how]!(bin) : bin))
        if (one.kind === 'move') {
          const key = `${one.part} ${one.bin}`
          const had = lying.get(key)?.qty ?? 0
          // Nothing is taken that is not there.
          const change = Math.max(-had, one.change)
          if (had + change === 0) lying.delete(key)
          else lying.set(key, { part: one.part, bin: one.bin, qty: had + change })
          running.move(one.part, one.bin, change)
        }
        if (one.kind !== 'read') continue
        const all = [...lying.values()].sort((a, b) =>
          a.part === b.part ? (a.bin < b.bin ? -1 : 1) : a.part < b.part ? -1 : 1,
        )
        const onHand = new Map<string, number>()
        for (const { part, qty } of all) onHand.set(part, (onHand.get(part) ?? 0) + qty)
        const contents = running.read(bins)
        expect(contents).toEqual({ ...contentsOf(bins, all, piecesOf), onHand })
        told.push([JSON.stringify(contents), contents])
      }
      // Who was told something before still has it.
      for (const [before, contents] of told) expect(JSON.stringify(contents)).toBe(before)
    }),
    { numRuns: 400 },
  )
})

test('where nothing was moved it is the very same', () => {
  const running = new RunningContents(piecesOf)
  running.move('a', 'B1', 2)
  const first = running.read(BINS)
  expect(running.read([...BINS])).toBe(first)
  expect(running.read(BINS.map((bin) => ({ ...bin, x: 1 })))).toBe(first)
})
